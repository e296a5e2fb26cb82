package wendo.app.audience.audiences;

import static org.assertj.core.api.Assertions.assertThat;
import static wendo.app.bench.Bench.say;
import static wendo.app.bench.Bench.seconds;

import java.net.http.HttpResponse;
import java.time.Instant;
import java.time.ZoneId;
import java.util.Arrays;
import java.util.List;
import java.util.Optional;
import java.util.UUID;
import org.junit.jupiter.api.Tag;
import org.junit.jupiter.api.Test;
import org.springframework.beans.factory.annotation.Autowired;
import wendo.app.Http;
import wendo.app.WendoTest;
import wendo.app.platform.business.BusinessScope;
import wendo.app.platform.consent.ConsentPurpose;
import wendo.core.audience.AudienceRule;
import wendo.core.audience.Combined;
import wendo.core.audience.Condition;
import wendo.core.audience.Criterion;
import wendo.core.audience.Match;
import wendo.core.audience.When;

/** {@code ./wendo bench audiences}: a million people with five million visits, counted by five rules, and a list of them. */
@Tag("bench")
class AudiencesBench extends WendoTest {
    private static final int PEOPLE = Integer.parseInt(System.getenv().getOrDefault("WENDO_BENCH_PEOPLE", "1000000"));
    private static final int VISITS_EACH = 5;
    private static final int DAYS = 180;
    private static final int ROUNDS = 7;
    private static final ZoneId LONDON = ZoneId.of("Europe/London");

    @Autowired
    private PeopleIndex people;

    @Autowired
    private AudienceQueries queries;

    @Test
    void counted_by_five_rules_and_taken_along() {
        Tenant tenant = tenant("Goosander Gear");
        for (int source = 0; source < 40; source++) {
            http().issue(tenant.apiKey(), "https://goosander.example/", "Season", "Source " + source);
        }
        say("%,d people with %,d visits made in %.0f s", PEOPLE, PEOPLE * VISITS_EACH, seconds(() -> fill(tenant)));
        say("everybody looked at in %.0f s", seconds(() -> refresh(tenant)));
        assertThat(count(tenant, "select count(*) from audience_person")).isEqualTo(PEOPLE);
        List<UUID> sources = in(
                tenant,
                () -> jdbc.sql("select id from source order by id")
                        .query(UUID.class)
                        .list());
        AudienceRule five = new Combined(
                Match.ALL,
                List.of(
                        new Condition(true, new Criterion.Came(Criterion.Way.ANY, List.of(), When.last(90), 2)),
                        new Condition(false, new Criterion.Did("any", When.ever(), "", 0, 1, Optional.empty())),
                        new Condition(true, new Criterion.Known(Criterion.Trait.DEVICE, List.of("phone"))),
                        new Condition(true, new Criterion.Tapped(Optional.empty(), When.last(60))),
                        new Condition(
                                false,
                                new Criterion.Came(
                                        Criterion.Way.SOURCE,
                                        sources.subList(0, 4).stream()
                                                .map(UUID::toString)
                                                .toList(),
                                        When.last(30),
                                        1))));
        median(tenant, "five rules", five);
        median(
                tenant,
                "one rule: came in the last 30 days by four sources",
                new Combined(
                        Match.ALL,
                        List.of(new Condition(
                                true,
                                new Criterion.Came(
                                        Criterion.Way.SOURCE,
                                        sources.subList(0, 4).stream()
                                                .map(UUID::toString)
                                                .toList(),
                                        When.last(30),
                                        1)))));
        median(
                tenant,
                "came by any link, twice",
                new Combined(
                        Match.ALL,
                        List.of(new Condition(
                                true, new Criterion.Came(Criterion.Way.ANY, List.of(), When.ever(), 2)))));
        double plain = plain(tenant);
        say("one plain statement that counts the people of all visits twice or more: %.0f ms", plain);
        list(tenant);
    }

    private void refresh(Tenant tenant) {
        try {
            BusinessScope.as(tenant.id(), () -> {
                people.noteForgotten();
                return people.refreshAll(50_000);
            });
        } catch (Exception e) {
            throw new IllegalStateException(e);
        }
    }

    private void median(Tenant tenant, String what, AudienceRule rule) {
        double[] millis = new double[ROUNDS];
        long found = 0;
        for (int round = 0; round < ROUNDS; round++) {
            long start = System.nanoTime();
            found = in(tenant, () -> queries.size(RuleSql.of(rule, LONDON, Instant.now())))
                    .people();
            millis[round] = (System.nanoTime() - start) / 1e6;
        }
        Arrays.sort(millis);
        say(
                "%s: %,d people with their reach in %.0f ms (median), %.0f at most",
                what, found, millis[ROUNDS / 2], millis[ROUNDS - 1]);
    }

    private double plain(Tenant tenant) {
        double[] millis = new double[3];
        for (int round = 0; round < millis.length; round++) {
            millis[round] = 1000
                    * seconds(
                            () -> count(
                                    tenant,
                                    "select count(*) from (select person_id from audience_visit group by 1 having count(*) >= 2) v"));
        }
        Arrays.sort(millis);
        return millis[1];
    }

    private void list(Tenant tenant) {
        RuleSql.Where tenth = RuleSql.of(
                new Combined(
                        Match.ALL,
                        List.of(new Condition(true, new Criterion.Known(Criterion.Trait.COUNTRY, List.of("IE"))))),
                LONDON,
                Instant.now());
        long size = in(tenant, () -> queries.size(tenth)).byEmail();
        say(
                "a list of %,d people read in %.1f s",
                size,
                seconds(() -> in(tenant, () -> {
                    long[] read = {0};
                    queries.eachReachable(
                            tenth, ConsentPurpose.EMAIL_NEWS, all -> all.forEachRemaining(one -> read[0]++));
                    assertThat(read[0]).isEqualTo(size);
                    return read[0];
                })));
        Http owner = http().signIn(tenant.email());
        HttpResponse<String> saved = owner.form(
                "/audiences/new",
                "/audiences/new",
                "name",
                "Ireland",
                "match.r",
                "all",
                "kind.r-0",
                "known",
                "trait.r-0",
                "country",
                "which.r-0",
                "IE");
        String audience =
                saved.headers().firstValue("Location").orElseThrow().replaceFirst("^.*/audiences", "/audiences");
        for (String file : List.of("people.csv?purpose=email-news", "people.xlsx?purpose=email-news", "hashed.csv")) {
            byte[][] got = new byte[1][];
            double took = seconds(() -> got[0] = owner.bytes(owner.request(audience + "/" + file)));
            say("%s out in %.1f s, %,d bytes", file.replaceFirst("\\?.*", ""), took, got[0].length);
        }
    }

    private void fill(Tenant tenant) {
        in(tenant, () -> {
            for (int month = 0; month <= DAYS / 28; month++) {
                jdbc.sql("select ensure_visit_month(cast(now() - make_interval(days => ?) as date))")
                        .param(month * 28)
                        .query(row -> {});
            }
            jdbc.sql("""
                            insert into recipient_list (id, business_id, link_id, name, columns, name_column, phone_column,
                                email_column, text, made_at, created_at, created_by, consent_source)
                            select gen_random_uuid(), current_business(), id, 'List', '{}', 0, 1, 2, '', now(), now(), 'bench', '' from link
                            """).update();
            jdbc.sql("""
                            insert into recipient (id, business_id, list_id, link_id, line, cells, name, phone, email, code, fault)
                            select gen_random_uuid(), current_business(), l.id, l.link_id, n, '{}', 'Person ' || n, '',
                                'person' || n || '@post.example', 'c' || n, ''
                            from generate_series(1, :people) n
                            join (select id, link_id, row_number() over (order by id) as at from recipient_list) l on l.at = 1 + n % 40
                            """).param("people", PEOPLE).update();
            jdbc.sql("""
                            insert into consent_words (id, business_id, place, place_id, edition, words, since)
                            values (gen_random_uuid(), current_business(), 'list', gen_random_uuid(), 1, 'Agreed', now())
                            """).update();
            return jdbc.sql("""
                            insert into consent_record (id, business_id, words_id, contact, purpose, page, given_at)
                            select gen_random_uuid(), r.business_id, w.id, r.email, purpose, '', now()
                            from recipient r cross join consent_words w cross join unnest(array['email-news', 'advertising']) purpose
                            where purpose = 'email-news' or r.line % 3 = 0
                            """).update();
        });
        in(
                tenant,
                () -> jdbc.sql("""
                        insert into visit (arrived_at, click_id, business_id, link_id, source_id, destination_id, visitor, recipient_id,
                            kind, reason, referrer, user_agent, country, device, language)
                        select at, gen_random_uuid(), r.business_id, r.link_id, k.source_id, k.destination_id, r.id, r.id, 'person', '', '', '',
                            case when r.line % 10 = 0 then 'IE' else 'GB' end, case when r.line % 3 = 0 then 'computer' else 'phone' end, 'en'
                        from recipient r join link k on k.id = r.link_id cross join generate_series(1, :each) v
                        cross join lateral (select now() - make_interval(secs => random() * 86400 * :days + 0 * r.line + 0 * v) as at) t
                        """)
                        .param("each", VISITS_EACH)
                        .param("days", DAYS)
                        .update());
        in(tenant, () -> {
            jdbc.sql("""
                            insert into identity (id, business_id, kind, key, person)
                            select r.id, r.business_id, 'email', r.email, r.id from recipient r where r.line % 10 = 3
                            """).update();
            jdbc.sql("""
                            insert into outcome (id, business_id, kind, reference, reference_key, value_minor, occurred_at, recorded_at,
                                reported_by, is_proof, status, refunded_minor, email)
                            select i.id, i.business_id, 'booking', i.key, i.key, 5000, now() - make_interval(secs => random() * 86400 * 90), now(),
                                'server', false, 'confirmed', 0, i.key from identity i
                            """).update();
            jdbc.sql(
                            "insert into trail (outcome_id, business_id, identity_id) select id, business_id, id from identity")
                    .update();
            jdbc.sql("select analyze_credit_tables()").query(row -> {});
            return true;
        });
    }
}
