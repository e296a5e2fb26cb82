package wendo.app.compare.sql;

/**
 * How figures fall to the groups of a grouping, as parts of SQL. Keys are text: an identifier, or what the group is called
 * by; "none" is what has no group, "unknown" what no source is credited with.
 *
 * @param visits from where people's visits in the period are read ({@code v}), by month
 * @param visitKey the group of such a row
 * @param seenKey the group of a single visit {@code v} by link {@code lk} to source {@code s}
 * @param people select of key and people
 * @param arrivalKey the group of an arrival {@code a} without a link, whose source is {@code s}
 * @param arrivals select of key, visits and people, of those who came without a link
 * @param creditJoin what is joined to {@code credit c} and {@code outcome o}
 * @param creditKey the group of such a row
 * @param unjoinedKey the group of an outcome {@code o} that nothing joins
 * @param named select of key, name and channel
 */
public record GroupSql(
        String visits,
        String visitKey,
        String seenKey,
        String people,
        String arrivalKey,
        String arrivals,
        String creditJoin,
        String creditKey,
        String unjoinedKey,
        String named) {
    public static final String NONE = "none";
    public static final String UNKNOWN = "unknown";

    private static final String DAYS = "v.day >= :first and v.day < :end";
    private static final String VISITS = """
            (select link_id, month, sum(visits) as visits from visits_of_days(:first, :end)
            where kind = 'person' group by 1, 2) v""";
    private static final String TRAITS = """
            (select value, date_trunc('month', v.day::timestamp)::date as month, sum(visits) as visits
            from visit_trait_sum v where v.day >= :first and v.day < :end and v.trait = '%s' group by 1, 2) v""";
    private static final String LINK_VISITS = VISITS + " join link l on l.id = v.link_id";
    private static final String CAME = "(select scope_id, sum(people) as people from visit_person_sum v where " + DAYS
            + " and v.scope = '%s' and v.day_before < :first group by 1) v";
    private static final String NOT_NAMED =
            "select null::text as key, null::text as name, null::text as channel where false";
    private static final String MONTH = "to_char(%s, 'YYYY-MM')";

    private static final String ARRIVALS = """
            select %1$s as key, a.arrivals as visits, 0 as people from arrival_sum a %2$s
            where a.day >= :first and a.day < :end
            union all
            select %1$s, 0, a.people from arrival_person_sum a %3$s
            where a.scope = '%4$s' and a.day >= :first and a.day < :end and a.day_before < :first""";

    /** Direct arrivals share the row without a source, so that the total counts everybody who came. */
    private static final String DIRECTLY = """

            union all
            select %1$s, p.arrivals, 0 from arrival_page_sum p join arrival_page g on g.id = p.page_id
            where g.origin = 'direct' and p.is_person and p.day >= :first and p.day < :end
            union all
            select %1$s, 0, a.people from arrival_person_sum a
            where a.scope = 'origin' and a.scope_id = md5('direct')::uuid and a.day >= :first and a.day < :end
                and a.day_before < :first""";

    private static final String ARRIVALS_BY_NO_LINK =
            ARRIVALS.formatted("'none'", "", "", "business") + DIRECTLY.formatted("'unknown'");
    private static final String ARRIVALS_BY_MONTH = """
            select to_char(a.day, 'YYYY-MM') as key, a.arrivals as visits, 0 as people from arrival_sum a
            where a.day >= :first and a.day < :end
            union all
            select to_char(m, 'YYYY-MM'), 0, a.people
            from generate_series(date_trunc('month', :first::date), :end::date - 1, interval '1 month') m
            join arrival_person_sum a on a.scope = 'business' and a.day >= greatest(m::date, :first::date)
                and a.day < least((m + interval '1 month')::date, :end::date)
                and a.day_before < greatest(m::date, :first::date)
            union all
            select to_char(p.day, 'YYYY-MM'), p.arrivals, 0 from arrival_page_sum p join arrival_page g on g.id = p.page_id
            where g.origin = 'direct' and p.is_person and p.day >= :first and p.day < :end
            union all
            select to_char(m, 'YYYY-MM'), 0, a.people
            from generate_series(date_trunc('month', :first::date), :end::date - 1, interval '1 month') m
            join arrival_person_sum a on a.scope = 'origin' and a.scope_id = md5('direct')::uuid
                and a.day >= greatest(m::date, :first::date)
                and a.day < least((m + interval '1 month')::date, :end::date)
                and a.day_before < greatest(m::date, :first::date)""";

    /** @param clock the column that an outcome's day is told by */
    public static GroupSql of(Grouping grouping, String clock) {
        return switch (grouping) {
            case SOURCE -> ofSources("s.id::text", "select id::text as key, name, channel from source");
            case CHANNEL -> ofSources("s.channel", NOT_NAMED);
            case MEDIUM -> ofSources("s.medium", NOT_NAMED);
            case PARTNER ->
                ofSources(
                        "case when s.channel = 'PARTNER' then s.id::text else 'none' end",
                        "select id::text as key, name, channel from source where channel = 'PARTNER'");
            case LINK ->
                ofLinks(
                        "l.id::text",
                        "select l.id::text as key, l.name, s.channel from link l join source s on s.id = l.source_id");
            case CAMPAIGN ->
                ofLinks("l.campaign_id::text", "select id::text as key, name, null::text as channel from campaign");
            case DESTINATION ->
                ofLinks(
                        "l.destination_id::text",
                        "select id::text as key, address as name, null::text as channel from destination");
            case OWNER -> ofLinks("coalesce(l.owner_id::text, 'nobody')", """
                        select p.id::text as key, p.name, null::text as channel
                        from membership m join person p on p.id = m.person_id""");
            case COUNTRY, DEVICE -> ofTrait(grouping.key());
            case MONTH -> ofMonths(clock);
        };
    }

    private static GroupSql ofSources(String key, String named) {
        return new GroupSql(
                LINK_VISITS + " join source s on s.id = l.source_id",
                key,
                key,
                """
                select %s as key, sum(v.people) as people from %s join source s on s.id = v.scope_id
                group by 1""".formatted(key, CAME.formatted("source")),
                key,
                ARRIVALS.formatted(
                                key,
                                "join source s on s.id = a.source_id",
                                "join source s on s.id = a.scope_id",
                                "source")
                        + DIRECTLY.formatted("'unknown'"),
                "left join source s on s.id = c.source_id",
                "case when s.id is null then 'unknown' else %s end".formatted(key),
                "'unknown'",
                named);
    }

    private static GroupSql ofLinks(String key, String named) {
        return new GroupSql(
                LINK_VISITS,
                key,
                key.replace("l.", "lk."),
                """
                select %s as key, sum(v.people) as people from %s join link l on l.id = v.scope_id
                group by 1""".formatted(key, CAME.formatted("link")),
                "'none'",
                ARRIVALS_BY_NO_LINK,
                "left join link l on l.id = c.link_id",
                "case when c.source_id is null then 'unknown' when l.id is null then 'none' else %s end".formatted(key),
                "'unknown'",
                named);
    }

    private static GroupSql ofTrait(String trait) {
        return new GroupSql(
                TRAITS.formatted(trait),
                "coalesce(nullif(v.value, ''), 'none')",
                "coalesce(nullif(v.%s, ''), 'none')".formatted(trait),
                "select null::text as key, 0 as people where false",
                "'none'",
                ARRIVALS_BY_NO_LINK,
                "left join visit v on v.click_id = c.click_id and v.arrived_at = click_time(c.click_id)",
                "case when c.source_id is null then 'unknown' else coalesce(nullif(v.%s, ''), 'none') end"
                        .formatted(trait),
                "'unknown'",
                NOT_NAMED);
    }

    private static GroupSql ofMonths(String clock) {
        return new GroupSql(
                VISITS,
                MONTH.formatted("v.month"),
                MONTH.formatted("v.arrived_at at time zone :zone"),
                """
                select to_char(m, 'YYYY-MM') as key, sum(v.people) as people
                from generate_series(date_trunc('month', :first::date), :end::date - 1, interval '1 month') m
                join visit_person_sum v on v.scope = 'business' and v.day >= greatest(m::date, :first::date)
                    and v.day < least((m + interval '1 month')::date, :end::date)
                    and v.day_before < greatest(m::date, :first::date)
                group by 1""",
                MONTH.formatted("a.arrived_at at time zone :zone"),
                ARRIVALS_BY_MONTH,
                "",
                MONTH.formatted(clock + " at time zone :zone"),
                MONTH.formatted("o.occurred_at at time zone :zone"),
                NOT_NAMED);
    }
}
