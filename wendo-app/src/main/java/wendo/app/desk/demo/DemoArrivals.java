package wendo.app.desk.demo;

import java.time.LocalDate;
import java.util.UUID;
import org.springframework.jdbc.core.simple.JdbcClient;
import org.springframework.stereotype.Component;
import wendo.app.platform.business.Business;
import wendo.app.prepare.sources.Sources;
import wendo.app.visit.arrivals.ArrivalSums;
import wendo.core.links.Channel;
import wendo.core.visits.Origin;

/** What the site tag told of the demo business's own pages: arrivals without a link, and links that led away. */
@Component
class DemoArrivals {
    private static final int WEEKS = 26;
    private static final int ARRIVALS = 640;
    private static final int CLICKS = 260;

    private final Sources sources;
    private final ArrivalSums arrivals;
    private final JdbcClient jdbc;

    DemoArrivals(Sources sources, ArrivalSums arrivals, JdbcClient jdbc) {
        this.sources = sources;
        this.arrivals = arrivals;
        this.jdbc = jdbc;
    }

    /** Runs in the business's scope, once. The same each time, up to the day that the season ends on. */
    void setUp(Business business, LocalDate firstDay) {
        UUID search =
                sources.findOrCreate(Origin.SEARCH.source(), Channel.OTHER).id();
        UUID social =
                sources.findOrCreate(Origin.SOCIAL.source(), Channel.SOCIAL).id();
        UUID others =
                sources.findOrCreate(Origin.REFERRAL.source(), Channel.OTHER).id();
        arrive(business, firstDay, new UUID[] {search, social, others});
        arrivals.rebuild();
        follow(business, firstDay);
        UUID network = UUID.randomUUID();
        jdbc.sql("""
                        insert into partner_network (business_id, id, name, source_id, pattern, parameter, alphabet,
                            max_length, kind, token, placeholders, changed_at, changed_by)
                        values (?, ?, 'Sail insurance', ?, 'localhost:8092/offer', 's1', 'digits', 10, 'purchase', ?,
                            array['[s1]', '[sale]', '[amount]', '', '[state]'], now(), 'Maren Holt')
                        """)
                .params(
                        business.id().value(),
                        network,
                        sources.findOrCreate("Sail insurance", Channel.PARTNER).id(),
                        network.toString().replace("-", ""))
                .update();
    }

    /** {@code chance} is a number from 0 to 99 that depends on the row and its use alone. */
    private static String chance(String use) {
        return "(('x' || substr(md5('%s' || n), 1, 7))::bit(28)::int %% 100)".formatted(use);
    }

    private static String visitor(String use) {
        return "md5('%s' || n)::uuid".formatted(use);
    }

    /** An hour of the day and a day of the season that is over. */
    private static String when() {
        return """
                least(now() - interval '1 minute', (cast(:first as date) + (n * 7 * :weeks / :all))::timestamp at time zone :zone
                    + make_interval(hours => 7 + %s %% 15, mins => %s %% 60))
                """.formatted(chance("hour"), chance("minute"));
    }

    private void arrive(Business business, LocalDate firstDay, UUID[] standing) {
        jdbc.sql("""
                        insert into site_arrival
                        select :business, gen_random_uuid(), at, visitor, case when odd < 6 then 'robot' else 'person' end,
                            case when odd < 6 then 'its user agent is in the list of crawlers' else 'an ordinary browser' end,
                            origin, case origin when 'search' then :search when 'social' then :social
                                when 'referral' then :others end,
                            coalesce(substring(referrer from '//([^/]+)'), ''), referrer,
                            'https://marrampoint.example' || page, case when odd %% 5 < 3 then 'phone' else 'computer' end
                        from (
                            select a.*, case when way < 38 then 'search' when way < 55 then 'social' when way < 78 then 'referral'
                                    else 'direct' end as origin,
                                case when way < 38 then 'https://search.example/' when way < 55 then 'https://social.example/'
                                    when way < 68 then 'https://estuarynotes.example/walks/dunlin-bay'
                                    when way < 74 then 'https://tides.example/marram-point'
                                    when way < 78 then 'https://saltgrass.example/things-to-do' else '' end as referrer
                            from (select n, %s as at, %s as visitor, %s as way, %s as odd,
                                    (array['/', '/courses', '/vouchers', '/enquiry'])[1 + %s %% 4] as page
                                from generate_series(1, :all) n) a) told
                        """.formatted(when(), visitor("who"), chance("way"), chance("odd"), chance("page")))
                .param("business", business.id().value())
                .param("first", firstDay)
                .param("weeks", WEEKS)
                .param("all", ARRIVALS)
                .param("zone", business.zone().getId())
                .param("search", standing[0])
                .param("social", standing[1])
                .param("others", standing[2])
                .update();
    }

    private void follow(Business business, LocalDate firstDay) {
        jdbc.sql("""
                        insert into outbound_click
                        select :business, gen_random_uuid(), at, visitor, 'person', page, 'https://' || target, target
                        from (select n, %s as at, %s as visitor,
                                (array['marrampoint.example', 'marrampoint.example/courses', 'marrampoint.example/find-us'])
                                    [1 + %s %% 3] as page,
                                (array['book.example/marram-point/taster', 'book.example/marram-point/weekend',
                                    'maps.example/place/marram-point', 'saltgrass.example/pitches', 'tides.example/marram-point'])
                                    [1 + %s %% 5] as target
                            from generate_series(1, :all) n) told
                        """.formatted(when(), visitor("out"), chance("from"), chance("to")))
                .param("business", business.id().value())
                .param("first", firstDay)
                .param("weeks", WEEKS)
                .param("all", CLICKS)
                .param("zone", business.zone().getId())
                .update();
        jdbc.sql("""
                        insert into outbound_pattern (business_id, id, name, pattern, likes, worth_minor, added_at, added_by) values
                            (:business, gen_random_uuid(), 'Booking desk', 'book.example/marram-point', 'book.example/marram-point', 350, now(), 'Maren Holt'),
                            (:business, gen_random_uuid(), 'Saltgrass Campsite', 'saltgrass.example', 'saltgrass.example', 80, now(), 'Maren Holt'),
                            (:business, gen_random_uuid(), 'The way here', 'maps.example', 'maps.example', 20, now(), 'Maren Holt')
                        """).param("business", business.id().value()).update();
    }
}
