package wendo.app.desk.demo;

import java.util.List;
import java.util.Locale;
import java.util.Optional;
import java.util.UUID;
import org.springframework.jdbc.core.simple.JdbcClient;
import org.springframework.stereotype.Component;
import wendo.core.outcomes.OutcomeKind;
import wendo.core.outcomes.ReportedDetails;
import wendo.simulation.MarramPoint;

/** What the demo business has set up beside its links: a form, a follow-up plan, a round and codes. */
@Component
class DemoOffice {
    private static final List<String> FIRST = List.of(
            "Ada", "Ben", "Cleo", "Dev", "Esme", "Finn", "Gita", "Hal", "Ines", "Jory", "Kit", "Lena", "Milo", "Nora",
            "Otis", "Priya");
    private static final List<String> LAST = List.of(
            "Marsh", "Reed", "Tern", "Dunlin", "Sand", "Holm", "Kelp", "Wick", "Strand", "Creek", "Ness", "Bight");

    private final JdbcClient jdbc;

    DemoOffice(JdbcClient jdbc) {
        this.jdbc = jdbc;
    }

    /** Whose lead or booking it is: invented, the same each time for one reference. */
    static ReportedDetails told(OutcomeKind kind, String reference, Optional<String> code) {
        if (kind != OutcomeKind.LEAD && kind != OutcomeKind.BOOKING) {
            return new ReportedDetails("", "", "", code.orElse(""), "", "", "");
        }
        int number = Math.floorMod(reference.hashCode() * 31 + 7, FIRST.size() * LAST.size());
        String first = FIRST.get(number % FIRST.size());
        String last = LAST.get(number / FIRST.size());
        String email = "%s.%s.%s@post.example".formatted(first, last, reference.replaceAll("[^0-9A-Za-z]", ""));
        return new ReportedDetails(first + " " + last, email.toLowerCase(Locale.ROOT), "", code.orElse(""), "", "", "");
    }

    /** Runs in the business's scope, once. */
    void setUp(UUID business) {
        code(business, "Saltgrass Campsite", "SALTGRASS10");
        MarramPoint.WORLD.sources().forEach(source -> code(business, source.name(), source.code()));
    }

    private void code(UUID business, String source, String code) {
        jdbc.sql("""
                        insert into source_clue
                        select ?, 'code', ?, ?, id, now(), 'Maren Holt' from source where name = ?
                        """).params(business, code, code, source).update();
    }

    /** Leads that are some days old have been worked on. Runs in the business's scope. */
    void work() {
        jdbc.sql("""
                        update lead l set stage = w.stage, quoted_minor = case w.stage when 'quoted' then 24000 else 0 end,
                            lost_reason = case w.stage when 'lost' then w.reason else '' end
                        from (select outcome_id, case when chance < 34 then 'won' when chance < 78 then 'lost'
                                when chance < 92 then 'quoted' else 'new' end as stage,
                                (array['no answer', 'wanted another day', 'too dear'])[1 + chance % 3] as reason
                            from (select outcome_id, ('x' || substr(md5(o.reference), 1, 7))::bit(28)::int % 100 as chance
                                from lead join outcome o on o.id = outcome_id) c) w
                        where w.outcome_id = l.outcome_id and l.stage = 'new' and l.arrived_at < now() - interval '6 days'
                        """).update();
    }

    /** What an ad account counted in the last four weeks: robots and double taps too, and some more. */
    void count(UUID business) {
        jdbc.sql("""
                        with made as (
                            insert into cross_check
                            select :business, gen_random_uuid(), id, 'visit', 'The ad account', 'UTC', 15, now(), 'Maren Holt', null
                            from source where name = 'Search ads' and not exists (select from cross_check)
                            returning id, source_id)
                        insert into their_count
                        select :business, m.id, v.day, round(sum(v.visits) * 1.06)
                        from made m join link l on l.source_id = m.source_id join visit_sum v on v.link_id = l.id
                        where v.day >= current_date - 28 and v.day < current_date group by m.id, v.day
                        """).param("business", business).update();
    }
}
