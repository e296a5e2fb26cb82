package wendo.app.desk.demo;

import java.time.Instant;
import java.util.List;
import java.util.Map;
import java.util.Optional;
import java.util.Set;
import java.util.SplittableRandom;
import java.util.UUID;
import org.springframework.jdbc.core.simple.JdbcClient;
import org.springframework.stereotype.Component;
import wendo.app.place.subscribers.Joiner;
import wendo.app.place.subscribers.Joins;
import wendo.app.platform.business.Business;
import wendo.app.platform.business.BusinessScope;
import wendo.app.platform.consent.ConsentPlace;

/** Two lists, and readers who joined one of them after a visit. */
@Component
class DemoNewsletters {
    /** Of a thousand people who came by a source, so many join. */
    private static final Map<String, Integer> JOIN = Map.of(
            "Slot in Estuary Walkers' Letter",
            85,
            "Search ads",
            12,
            "Social ads",
            22,
            "Saltgrass Campsite",
            30,
            "Postcards to Dunlin Bay",
            25);

    private static final String TIDES = "Tides, weather and a free hour for readers, once a month";

    private final Joins joins;
    private final BusinessScope scope;
    private final JdbcClient jdbc;

    DemoNewsletters(Joins joins, BusinessScope scope, JdbcClient jdbc) {
        this.joins = joins;
        this.scope = scope;
        this.jdbc = jdbc;
    }

    /** Somebody who came and might join. */
    private record Came(UUID click, UUID link, Instant at, String source) {}

    static void lists(DemoBrowser maren) {
        maren.send("/subscribers/lists", "/subscribers/lists", """
                name: Tides and offers
                promise: %s
                confirms: yes
                confirmDays: 7
                hasForm: yes
                labels: Newsletter
                welcomes: yes
                subject: Welcome aboard
                body: Thank you for joining {list}. The next tide table comes on the first of the month.\\n\\nSee you on the water!
                """.formatted(TIDES));
        maren.send("/subscribers/lists", "/subscribers/lists", """
                name: Used kit
                promise: Used sails and wetsuits as they come in, a few times a year
                hasForm: yes
                """);
    }

    void join(Business business, DemoBrowser maren) {
        scope.within(business.id(), this::join);
        String link = scope.within(
                business.id(),
                () -> jdbc.sql("select id::text from link where slug = 'walkers'")
                        .query(String.class)
                        .single());
        String page = "/links/" + link + "/newsletter";
        maren.send(page, page + "/senders", """
                name: Estuary Walkers' Letter
                placeholder: {{reader.email}}
                """);
        sender(business, maren);
    }

    private int join() {
        UUID list = jdbc.sql("select id from newsletter_list where name = 'Tides and offers'")
                .query(UUID.class)
                .single();
        SplittableRandom random = new SplittableRandom(112);
        int joined = 0;
        for (Came one : came()) {
            if (random.nextInt(1000) < JOIN.getOrDefault(one.source(), 0)) {
                joined++;
                joins.joined(
                        new Joiner(
                                list,
                                "reader.%03d@tern.example".formatted(joined),
                                TIDES,
                                ConsentPlace.SIGN_UP,
                                list,
                                Optional.of(one.link()),
                                Optional.of(one.click()),
                                Set.of(),
                                "https://marrampoint.example/tides"),
                        one.at());
            }
        }
        return joined;
    }

    private List<Came> came() {
        return jdbc.sql("""
                        select v.click_id, v.link_id, v.arrived_at, s.name
                        from visit v join link l on l.id = v.link_id join source s on s.id = l.source_id
                        where v.kind = 'person' and s.name in (:names) order by v.arrived_at, v.click_id
                        """)
                .param("names", JOIN.keySet())
                .query((row, number) -> new Came(
                        row.getObject(1, UUID.class),
                        row.getObject(2, UUID.class),
                        row.getTimestamp(3).toInstant().plusSeconds(90),
                        row.getString(4)))
                .list();
    }

    private void sender(Business business, DemoBrowser maren) {
        String id = scope.within(
                business.id(),
                () -> jdbc.sql("select id::text from sender where name like 'Estuary%' ")
                        .query(String.class)
                        .single());
        String page = "/subscribers/senders/" + id;
        maren.send(page, page, """
                heading: E-mail
                field: email
                heading: Tags
                field: labels
                heading: Joined
                field: joined-at
                dates: day
                """);
    }
}
