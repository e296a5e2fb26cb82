package wendo.app.compare.sql;

import wendo.app.credit.CreditColumns;

/**
 * Where the money of credit stands, by what counts as revenue.
 *
 * @param credit what to read credit from; it is called {@code c}
 * @param minor the column of {@code c} that has its money
 * @param unjoined what an outcome {@code o} brought that nothing is credited for
 */
public record RevenueSql(String credit, String minor, String unjoined) {
    /**
     * What a network pays for an outcome is shared as the outcome is, by rounding what all touches up to each have
     * together: the parts add up to the whole. Only what is approved or paid counts.
     */
    private static final String WITH_INCOME = """
            (select e.*, %1$s coalesce(
                round(i.commission_minor * (sum(e.%2$s) over upto) / 1e6)
                - round(i.commission_minor * (sum(e.%2$s) over upto - e.%2$s) / 1e6), 0)::bigint as revenue_minor
            from credit e left join income i on i.id = e.outcome_id and i.state in ('approved', 'paid')
            window upto as (partition by e.outcome_id order by e.entry, e.touched_at, e.touch)) c""";

    private static final String PAID = """
            coalesce((select i.commission_minor from income i where i.id = o.id and i.state in ('approved', 'paid')), 0)""";

    public static RevenueSql of(CompareChoice choice) {
        String share = CreditColumns.share(choice.model());
        String sales = CreditColumns.minor(choice.model());
        return switch (choice.revenue()) {
            case SALES -> new RevenueSql("credit c", sales, "o.kept_minor");
            case INCOME -> new RevenueSql(WITH_INCOME.formatted("", share), "revenue_minor", PAID);
            case BOTH ->
                new RevenueSql(
                        WITH_INCOME.formatted("e." + sales + " + ", share), "revenue_minor", "o.kept_minor + " + PAID);
        };
    }
}
