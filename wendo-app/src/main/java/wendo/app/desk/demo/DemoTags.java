package wendo.app.desk.demo;

import java.time.Duration;
import java.util.List;
import java.util.Map;
import java.util.Set;
import java.util.SplittableRandom;
import java.util.UUID;
import org.springframework.context.ApplicationEventPublisher;
import org.springframework.core.env.Environment;
import org.springframework.jdbc.core.simple.JdbcClient;
import org.springframework.stereotype.Component;
import wendo.app.audience.visitortags.TagAnswer;
import wendo.app.audience.visitortags.TagLedger;
import wendo.app.audience.visitortags.TagResult;
import wendo.app.platform.business.Business;
import wendo.app.platform.business.BusinessScope;
import wendo.app.visit.visits.TagsDecided;
import wendo.core.audience.TagPurpose;
import wendo.core.visits.ClickId;

/** Two brands, and two visitor tags that a third of those who were asked refused. */
@Component
class DemoTags {
    private static final int DAYS = 28;

    /** Of a hundred who are asked, so many say yes; of the others two of three say no. */
    private static final int AGREE = 66;

    private final TagLedger ledger;
    private final ApplicationEventPublisher events;
    private final BusinessScope scope;
    private final Environment environment;
    private final JdbcClient jdbc;

    DemoTags(
            TagLedger ledger,
            ApplicationEventPublisher events,
            BusinessScope scope,
            Environment environment,
            JdbcClient jdbc) {
        this.ledger = ledger;
        this.events = events;
        this.scope = scope;
        this.environment = environment;
        this.jdbc = jdbc;
    }

    /** Somebody who came by a link of the brand with tags. */
    private record Came(ClickId click, UUID link, UUID visitor) {}

    void show(Business business, DemoBrowser maren) {
        maren.send("/setup/brands", "/setup/brands", """
                name: Marram Point Sailing
                sites: marrampoint.example
                asks: destination
                """);
        maren.send("/setup/brands", "/setup/brands", """
                name: Wigeon Creek Kayaks
                sites: wigeoncreek.example
                asks: here
                """);
        String desk = "http://localhost:" + environment.getProperty("WENDO_AD_DESK_PORT", "8093");
        String reach = tag(maren, "Fulmar Ads", "image", desk + "/tag/{identifier}.gif", "advertising");
        String measure = tag(maren, "Petrel Reach", "script", desk + "/tag.js", "measurement");
        String brand = scope.within(business.id(), this::brand);
        for (String tag : List.of(reach, measure)) {
            maren.send(tag, tag + "/uses", "brand.%s: on".formatted(brand));
        }
        scope.within(business.id(), () -> answer(UUID.fromString(brand), List.of(id(reach), id(measure))));
    }

    private static String tag(DemoBrowser maren, String name, String kind, String address, String purpose) {
        return maren.send("/audiences/tags/new", "/audiences/tags", """
                name: %s
                kind: %s
                address: %s
                identifier: MP-2041
                purpose: %s
                on: yes
                """.formatted(name, kind, address, purpose));
    }

    private static UUID id(String page) {
        return UUID.fromString(page.replaceFirst("^.*/", ""));
    }

    /** The kayaks are what the search ads are about. */
    private String brand() {
        UUID brand = jdbc.sql("select id from brand where name like 'Wigeon%'")
                .query(UUID.class)
                .single();
        jdbc.sql("""
                        update link set brand_id = ?, version = version + 1
                        where source_id = (select id from source where name = 'Search ads')
                        """).param(brand).update();
        return brand.toString();
    }

    private int answer(UUID brand, List<UUID> tags) {
        SplittableRandom random = new SplittableRandom(28);
        List<Came> came = jdbc.sql("""
                        select v.click_id, v.link_id, v.visitor from visit v join link l on l.id = v.link_id
                        where l.brand_id = ? and v.kind = 'person' and v.arrived_at > now() - make_interval(days => ?)
                        order by v.click_id
                        """)
                .params(brand, DAYS)
                .query((row, number) -> new Came(
                        new ClickId(row.getObject(1, UUID.class)),
                        row.getObject(2, UUID.class),
                        row.getObject(3, UUID.class)))
                .list();
        String asked = TagLedger.write(Map.of(tags.get(0), TagResult.ASKED, tags.get(1), TagResult.ASKED));
        events.publishEvent(new TagsDecided(came.stream()
                .map(one -> new TagsDecided.Visit(one.click(), one.link(), asked))
                .toList()));
        String page = jdbc.sql("select origin || '/t/consent' from link_host where is_default")
                .query(String.class)
                .single();
        for (Came one : came) {
            int luck = random.nextInt(100);
            TagAnswer.Answer said =
                    luck < AGREE ? TagAnswer.Answer.YES : luck % 3 == 0 ? TagAnswer.Answer.NONE : TagAnswer.Answer.NO;
            ledger.answered(
                    answer(brand, one, said, tags, page),
                    one.click().arrivedAt().plus(Duration.ofSeconds(2)));
        }
        ledger.failed(tags.subList(1, 2));
        return came.size();
    }

    private static TagAnswer answer(UUID brand, Came one, TagAnswer.Answer said, List<UUID> tags, String page) {
        return new TagAnswer(
                one.click(),
                one.link(),
                brand,
                one.visitor(),
                Set.of(TagPurpose.ADVERTISING, TagPurpose.MEASUREMENT),
                said,
                "May Wigeon Creek Kayaks show you ads and measure them with Fulmar Ads, Petrel Reach? Fulmar Ads, Petrel"
                        + " Reach would learn that this browser followed this link. The page opens either way.",
                "en",
                page,
                tags);
    }
}
