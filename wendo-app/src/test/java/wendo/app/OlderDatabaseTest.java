package wendo.app;

import static org.assertj.core.api.Assertions.assertThat;

import java.sql.Connection;
import java.sql.SQLException;
import java.sql.Statement;
import java.util.List;
import org.junit.jupiter.api.Test;
import org.springframework.jdbc.core.simple.JdbcClient;
import org.springframework.jdbc.datasource.SingleConnectionDataSource;

/** Sums that came later are filled in from what an older database holds. */
class OlderDatabaseTest {
    private static final String BUSINESS = "00000000-0000-4000-8000-000000000001";

    /** Three links seen on half of 120 days, 3,000 arrivals of 200 people in 100 days, by four pages. */
    private static final String SEASON = """
            set session_replication_role = replica;
            select setseed(0.5);
            insert into business (id, name, currency, zone, locale, site_key, allows_local_destinations, created_at)
            values ('%1$s', 'Brant Boats', 'EUR', 'Europe/Warsaw', 'en-GB', 'k', false, now());
            insert into source (id, business_id, name, tag, channel, medium, contact, note, created_at)
            values ('%1$s', '%1$s', 'Other websites', 'other-websites', 'OTHER', 'other', '', '', now());
            insert into link (id, business_id, host_id, slug, skeleton, name, note, source_id, campaign_id,
                destination_id, tagged_address, tags, labels, outside_address, is_paid, disclosure, created_at, created_by)
            select md5('link ' || n)::uuid, '%1$s', '%1$s', 'l' || n, 'l' || n, 'Board', '', '%1$s', '%1$s', '%1$s', '',
                '', '{}', '', false, '', now(), ''
            from generate_series(1, 3) n;
            insert into visit_sum (business_id, link_id, day, kind, counted, visits)
            select '%1$s', md5('link ' || n)::uuid, date '2026-01-20' + d, kind, counted, 1 + floor(random() * 9)
            from generate_series(1, 3) n, generate_series(0, 119) d, unnest(array['person', 'robot']) kind,
                unnest(array[true, false]) counted
            where random() < 0.5;
            insert into site_arrival
            select '%1$s', gen_random_uuid(), timestamptz '2026-01-20 00:00Z' + random() * interval '100 days',
                md5('visitor ' || floor(random() * 200))::uuid, (array['person', 'repeat'])[ceil(random() * 2)], '',
                case when page = 4 then 'direct' else 'referral' end,
                case when page < 4 then '%1$s'::uuid end, 'h' || page, 'https://h' || page || '.example/', '', 'phone'
            from (select ceil(random() * 4)::int as page from generate_series(1, 3000)) p;
            """.formatted(BUSINESS);

    private static final String PERIODS =
            "unnest(array[date '2026-01-20', '2026-02-01', '2026-03-15']) a cross join unnest(array[1, 14, 31, 76]) days";

    @Test
    void months_of_visits_and_pages_of_arrivals_are_as_the_rows_they_came_from() throws SQLException {
        String old = TestDatabase.at("62");
        try (Connection connection = TestDatabase.connect(old, "postgres");
                Statement statement = connection.createStatement()) {
            statement.execute(SEASON);
        }
        TestDatabase.migrate(old);
        try (Connection connection = TestDatabase.connect(old, "postgres")) {
            JdbcClient jdbc = JdbcClient.create(new SingleConnectionDataSource(connection, true));
            assertSame(jdbc, """
                    select a, days, link_id, kind, counted, sum(visits) from PERIODS,
                        lateral visits_of_days(a, a + days) group by 1, 2, 3, 4, 5
                    """, """
                    select a, days, link_id, kind, counted, sum(visits) from PERIODS
                    join visit_sum on day >= a and day < a + days group by 1, 2, 3, 4, 5
                    """);
            assertSame(jdbc, """
                    select p.referrer, s.day, s.is_person, s.arrivals, s.latest
                    from arrival_page_sum s join arrival_page p on p.id = s.page_id
                    """, """
                    select referrer, (arrived_at at time zone 'Europe/Warsaw')::date, kind = 'person', count(*), max(arrived_at)
                    from site_arrival group by 1, 2, 3
                    """);
            assertSame(jdbc, """
                    select a, days, p.referrer, sum(s.people) from PERIODS join arrival_person_sum s
                        on s.scope = 'page' and s.day >= a and s.day < a + days and s.day_before < a
                    join arrival_page p on p.id = s.scope_id group by 1, 2, 3
                    """, """
                    select a, days, referrer, count(distinct visitor) from PERIODS join site_arrival
                        on (arrived_at at time zone 'Europe/Warsaw')::date >= a
                            and (arrived_at at time zone 'Europe/Warsaw')::date < a + days
                            and kind = 'person' and origin <> 'direct' group by 1, 2, 3
                    """);
        }
    }

    private static void assertSame(JdbcClient jdbc, String summed, String counted) {
        List<String> expected = rows(jdbc, counted);
        assertThat(expected).hasSizeGreaterThan(20);
        assertThat(rows(jdbc, summed)).containsExactlyElementsOf(expected);
    }

    private static List<String> rows(JdbcClient jdbc, String query) {
        return jdbc.sql("select q::text from (%s) q order by 1".formatted(query.replace("PERIODS", PERIODS)))
                .query(String.class)
                .list();
    }
}
