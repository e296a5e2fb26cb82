package wendo.app.visit.arrivals;

import static org.assertj.core.api.Assertions.assertThat;

import java.time.LocalDate;
import java.time.ZoneId;
import java.util.ArrayList;
import java.util.List;
import java.util.SplittableRandom;
import java.util.UUID;
import org.junit.jupiter.api.BeforeEach;
import org.junit.jupiter.api.Test;
import org.springframework.beans.factory.annotation.Autowired;
import wendo.app.WendoTest;
import wendo.core.links.Channel;
import wendo.core.measure.Period;

/** Sums of arrivals, held against plain counts of the arrivals themselves. */
class ArrivalSumsTest extends WendoTest {
    private static final LocalDate FIRST = LocalDate.of(2026, 3, 20);
    private static final int DAYS = 14; // a change of the clocks lies among them
    private static final int SEED = 2026;

    @Autowired
    private ArrivalSums sums;

    @Autowired
    private ArrivalQueries queries;

    @Autowired
    private wendo.app.prepare.sources.Sources sources;

    private Tenant tenant;
    private UUID others = new UUID(0, 0);
    private UUID search = new UUID(0, 0);

    /** Visitors come again, at any hour, by two sources and directly, not told in the order that they came in. */
    @BeforeEach
    void many_arrive() {
        tenant = tenant("Whimbrel Walks");
        SplittableRandom random = new SplittableRandom(SEED);
        in(tenant, () -> {
            others = sources.findOrCreate("Other websites", Channel.OTHER).id();
            search = sources.findOrCreate("Organic search", Channel.OTHER).id();
            for (int i = 0; i < 250; i++) {
                arrive(random, random.nextInt(DAYS * 24 * 60));
            }
            return true;
        });
    }

    private void arrive(SplittableRandom random, int minute) {
        String origin = List.of("search", "referral", "direct", "tagged").get(random.nextInt(4));
        String host = origin.equals("referral") ? "site-%d.example".formatted(random.nextInt(3)) : "";
        UUID id = UUID.randomUUID();
        jdbc.sql("""
                        insert into site_arrival
                        select current_business(), :id, cast(:first as timestamptz) + make_interval(mins => :minute), :visitor,
                            :kind, '', :origin, :source, :host, :referrer, 'https://whimbrel.example/', 'phone'
                        """)
                .param("id", id)
                .param("first", FIRST + " 00:00+00")
                .param("minute", minute)
                .param("visitor", new UUID(7, random.nextInt(40)))
                .param("kind", random.nextInt(6) == 0 ? "robot" : "person")
                .param("origin", origin)
                .param("source", origin.equals("direct") ? null : origin.equals("search") ? search : others)
                .param("host", host)
                .param("referrer", host.isEmpty() ? "" : "https://%s/%d".formatted(host, random.nextInt(2)))
                .update();
        sums.add(id);
    }

    /** The evening before in London was the first day in Tokyo, by whose days all was counted until now. */
    @Test
    void the_first_arrivals_stay_when_another_time_zone_moves_them_to_the_day_before() {
        SplittableRandom random = new SplittableRandom(SEED);
        in(tenant, () -> {
            for (int minute = 0; minute < 20; minute++) {
                arrive(random, minute - 4 * 60);
            }
            return jdbc.sql("delete from arrival_page_sum where day < ?")
                    .param(FIRST)
                    .update();
        });
        in(tenant, () -> {
            sums.rebuild(ZoneId.of("Asia/Tokyo"));
            return true;
        });
        assertThat(count(tenant, "select count(*) from site_arrival")).isEqualTo(270);
    }

    /** In every period, of one day to all of them. */
    private void are_right() {
        for (int from = 0; from < DAYS + 2; from += 3) {
            for (int to = from + 1; to <= DAYS + 2; to++) {
                String first = FIRST.plusDays(from).toString();
                String end = FIRST.plusDays(to).toString();
                assertThat(of_sums(first, end)).as("%s to %s", first, end).isEqualTo(of_arrivals(first, end));
                assertThat(listed(first, end)).as("%s to %s", first, end).isEqualTo(listed_plainly(first, end));
            }
        }
    }

    private List<String> of_sums(String first, String end) {
        return in(
                tenant,
                () -> jdbc.sql("""
                        select source_id || ' ' || sum(arrivals) || ' ' || (
                            select sum(people) from arrival_person_sum p where p.scope = 'source' and p.scope_id = a.source_id
                                and p.day >= :first and p.day < :end and p.day_before < :first)
                        from arrival_sum a where day >= :first and day < :end group by source_id
                        union all
                        select 'all ' || sum(people) from arrival_person_sum
                        where scope = 'business' and day >= :first and day < :end and day_before < :first
                        order by 1
                        """)
                        .param("first", LocalDate.parse(first))
                        .param("end", LocalDate.parse(end))
                        .query((row, number) -> String.valueOf(row.getString(1)))
                        .list());
    }

    private List<String> of_arrivals(String first, String end) {
        String counted = """
                from arrival_source where kind = 'person' and origin <> 'direct'
                    and arrived_at >= cast(:first as timestamp) at time zone 'Europe/London'
                    and arrived_at < cast(:end as timestamp) at time zone 'Europe/London'
                """;
        return in(
                tenant,
                () -> jdbc.sql("""
                        select stands_for || ' ' || count(*) || ' ' || count(distinct visitor) %1$s group by stands_for
                        union all
                        select 'all ' || nullif(count(distinct visitor), 0) %1$s order by 1
                        """.formatted(counted))
                        .param("first", first)
                        .param("end", end)
                        .query((row, number) -> String.valueOf(row.getString(1)))
                        .list());
    }

    /** What the page of arrivals says. */
    private List<String> listed(String first, String end) {
        ArrivalQueries.Arrived arrived = in(
                tenant,
                () -> queries.arrived(Period.ofDays(
                        LocalDate.parse(first), LocalDate.parse(end).minusDays(1))));
        List<String> lines = new ArrayList<>();
        lines.add("%d people, %d left out".formatted(arrived.people(), arrived.leftOut()));
        arrived.origins()
                .forEach(one -> lines.add("%s %d %d".formatted(one.origin().key(), one.people(), one.arrivals())));
        arrived.pages()
                .forEach(one -> lines.add("%s %s %d %s"
                        .formatted(one.referrer(), one.sourceId().orElseThrow(), one.people(), one.latest())));
        return lines.stream().sorted().toList();
    }

    private List<String> listed_plainly(String first, String end) {
        return in(
                tenant,
                () -> jdbc
                        .sql("""
                        with came as (
                            select * from arrival_source where arrived_at >= cast(:first as timestamp) at time zone 'Europe/London'
                                and arrived_at < cast(:end as timestamp) at time zone 'Europe/London')
                        select count(distinct visitor) filter (where kind = 'person') || ' people, '
                            || count(*) filter (where kind <> 'person') || ' left out' from came
                        union all
                        select origin || ' ' || count(distinct visitor) || ' ' || count(*) from came where kind = 'person'
                        group by origin
                        union all
                        select referrer || ' ' || stands_for || ' ' || count(distinct visitor) || ' '
                            || to_char(max(arrived_at) at time zone 'UTC', 'YYYY-MM-DD"T"HH24:MI:SS"Z"')
                        from came where kind = 'person' and origin <> 'direct' group by referrer, stands_for
                        """)
                        .param("first", first)
                        .param("end", end)
                        .query((row, number) -> String.valueOf(row.getString(1)))
                        .list()
                        .stream()
                        .sorted()
                        .toList());
    }

    @Test
    void sums_are_those_of_the_arrivals_in_any_period_and_the_same_when_made_anew() {
        are_right();
        List<String> before = of_sums("2000-01-01", "2100-01-01");
        in(tenant, () -> {
            sums.rebuild();
            return true;
        });
        are_right();
        assertThat(of_sums("2000-01-01", "2100-01-01")).isEqualTo(before);
    }

    @Test
    void a_website_of_its_own_and_a_merged_source_are_followed() {
        UUID tides = in(
                tenant,
                () -> sources.findOrCreate("The tide table", Channel.PARTNER).id());
        var person = http().signIn(tenant.email());
        person.form(
                "/links/none",
                "/setup/codes",
                "kind",
                "referrer",
                "text",
                "site-1.example",
                "source",
                tides.toString());
        assertThat(of_sums("2000-01-01", "2100-01-01").toString()).contains(tides.toString());
        are_right();
        person.form(
                "/setup/sources", "/setup/sources/" + tides + "/merge", "into", search.toString(), "confirmed", "true");
        are_right();
    }

    /** What is kept as sums only, stays. */
    @Test
    void forgotten_arrivals_are_still_counted() {
        long before = count(tenant, "select sum(arrivals) from arrival_sum");
        List<String> listed = listed("2026-03-20", "2026-03-25");
        List<String> across = of_sums("2026-03-22", "2026-04-03");
        in(tenant, () -> {
            jdbc.sql("delete from site_arrival where arrived_at < timestamptz '2026-03-25 00:00+00'")
                    .update();
            sums.rebuild();
            return true;
        });
        assertThat(count(tenant, "select sum(arrivals) from arrival_sum")).isEqualTo(before);
        assertThat(of_sums("2026-03-20", "2026-03-25")).hasSize(3);
        assertThat(listed("2026-03-20", "2026-03-25")).isEqualTo(listed);
        assertThat(of_sums("2026-03-22", "2026-04-03"))
                .as("who came before and after counts once")
                .isEqualTo(across);
    }
}
