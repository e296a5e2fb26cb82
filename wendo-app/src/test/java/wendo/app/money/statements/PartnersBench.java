package wendo.app.money.statements;

import static org.assertj.core.api.Assertions.assertThat;
import static wendo.app.bench.Bench.say;
import static wendo.app.bench.Bench.seconds;

import java.time.LocalDate;
import java.time.YearMonth;
import java.time.ZoneId;
import java.util.List;
import java.util.UUID;
import org.junit.jupiter.api.Tag;
import org.junit.jupiter.api.Test;
import org.springframework.beans.factory.annotation.Autowired;
import wendo.app.WendoTest;
import wendo.app.money.partners.Commissions;

/** {@code ./wendo bench partners}: a hundred thousand outcomes of five hundred partners, and a month's statements. */
@Tag("bench")
class PartnersBench extends WendoTest {
    private static final int PARTNERS = 500;
    private static final int OUTCOMES = 100_000;
    private static final int DAYS = 180;
    private static final ZoneId LONDON = ZoneId.of("Europe/London");

    @Autowired
    private Commissions commissions;

    @Autowired
    private Statements statements;

    @Test
    void all_lines_anew_and_a_months_statements() {
        Tenant tenant = tenant("Pochard Parties");
        say("%,d outcomes of %,d partners made in %.0f s", OUTCOMES, PARTNERS, seconds(() -> fill(tenant)));
        List<UUID> all = in(
                tenant,
                () -> jdbc.sql("select id from partner order by id")
                        .query(UUID.class)
                        .list());
        say("all lines made for the first time in %.1f s", seconds(() -> work(tenant, all)));
        in(tenant, () -> {
            jdbc.sql("select analyze_credit_tables()").query(row -> {}); // as the server does by itself within a minute
            return true;
        });
        say("all lines made anew in %.1f s", seconds(() -> work(tenant, all)));
        assertThat(count(tenant, "select count(*) from commission_line")).isEqualTo(OUTCOMES);
        assertThat(count(tenant, "select sum(minor) from commission_line"))
                .isEqualTo(count(tenant, "select sum(round(kept_minor * 0.08)) from outcome"));
        LocalDate today = LocalDate.now(LONDON);
        YearMonth before = YearMonth.from(today).minusMonths(2);
        say(
                "the statements of earlier months in %.1f s",
                seconds(() -> in(tenant, () -> statements.make(before, today, "bench"))));
        say(
                "the statements of a month in %.1f s",
                seconds(() ->
                        in(tenant, () -> statements.make(YearMonth.from(today).minusMonths(1), today, "bench"))));
        assertThat(count(tenant, "select count(distinct number) - max(number) from partner_statement"))
                .isZero();
    }

    private void work(Tenant tenant, List<UUID> partners) {
        in(tenant, () -> {
            commissions.workOutAll(partners);
            return partners;
        });
    }

    private void fill(Tenant tenant) {
        in(tenant, () -> jdbc.sql("""
                        insert into source (id, business_id, name, tag, channel, medium, created_at, contact, note)
                        select gen_random_uuid(), current_business(), 'Partner ' || n, 'partner-' || n, 'PARTNER', 'partner', now(), '', ''
                        from generate_series(1, :partners) n
                        """).param("partners", PARTNERS).update());
        in(tenant, () -> jdbc.sql("""
                        insert into partner (id, business_id, contact, email, phone, language, note, payout, account_name, iban, bic,
                            payout_other, minimum_minor, tax_number, tax_note, self_billing, tax_percent, page_values, created_at,
                            created_by)
                        select id, business_id, '', '', '', 'en', '', '', '', '', '', '', 0, '', '', false, 0, false, now(), 'bench'
                        from source
                        """).update());
        in(tenant, () -> jdbc.sql("""
                        insert into partner_terms (id, business_id, partner_id, way, first_day, rates, tax_percent, without_delivery,
                            items, first_only, held_days, created_at, created_by)
                        select gen_random_uuid(), business_id, id, 'code', date '2000-01-01', 'booking count marginal 0=8%', 0, false,
                            '', false, 14, now(), 'bench'
                        from partner
                        """).update());
        in(
                tenant,
                () -> jdbc.sql("""
                        insert into outcome (id, business_id, kind, reference, reference_key, value_minor, occurred_at, recorded_at,
                            reported_by, status, refunded_minor, is_proof)
                        select gen_random_uuid(), current_business(), 'booking', 'R-' || n, 'r-' || n, 1000 + n % 9000,
                            now() - interval '1 day' - random() * make_interval(days => :days), now(), 'server', 'open', 0, false
                        from generate_series(1, :outcomes) n
                        """)
                        .param("days", DAYS)
                        .param("outcomes", OUTCOMES)
                        .update());
        in(tenant, () -> jdbc.sql("""
                        insert into outcome_clue
                        select o.business_id, o.id, 'code', 'CODE', p.id, true
                        from (select *, row_number() over (order by id) % :partners + 1 as place from outcome) o
                        join (select id, row_number() over (order by id) as place from partner) p on p.place = o.place
                        """).param("partners", PARTNERS).update());
        in(tenant, () -> {
            jdbc.sql("select analyze_credit_tables()").query(row -> {});
            return true;
        });
    }
}
