package wendo.app.audience.audiences;

import static org.assertj.core.api.Assertions.assertThat;

import java.time.Instant;
import java.time.LocalDate;
import java.time.ZoneId;
import java.util.ArrayList;
import java.util.LinkedHashMap;
import java.util.List;
import java.util.Map;
import java.util.Optional;
import java.util.Random;
import java.util.Set;
import java.util.TreeSet;
import java.util.UUID;
import java.util.stream.Collectors;
import org.junit.jupiter.api.Test;
import org.springframework.beans.factory.annotation.Autowired;
import wendo.app.WendoTest;
import wendo.core.audience.AudienceRule;
import wendo.core.audience.Combined;
import wendo.core.audience.Condition;
import wendo.core.audience.Criterion;
import wendo.core.audience.Match;
import wendo.core.audience.When;

/** Rules against a separate computation, over random rules and random people. */
class AudienceRulesTest extends WendoTest {
    private static final int RULES = 200;
    private static final ZoneId ZONE = ZoneId.of("Europe/London");

    @Autowired
    private PeopleIndex people;

    @Autowired
    private AudienceQueries queries;

    private Map<UUID, UUID> links(Tenant tenant) {
        http().issue(tenant.apiKey(), "https://heron.example/", "Spring", "Postcards", "Texts");
        http().issue(tenant.apiKey(), "https://heron.example/", "Autumn", "Postcards", "Sign");
        return in(
                tenant,
                () -> jdbc
                        .sql("select id, source_id from link order by id")
                        .query((row, number) -> Map.entry(row.getObject(1, UUID.class), row.getObject(2, UUID.class)))
                        .list()
                        .stream()
                        .collect(Collectors.toMap(
                                Map.Entry::getKey, Map.Entry::getValue, (a, b) -> a, LinkedHashMap::new)));
    }

    @Test
    void as_many_people_as_another_way_of_counting_finds_for_two_hundred_random_rules() {
        Tenant tenant = tenant("Heron Hikes");
        Map<UUID, UUID> links = links(tenant);
        Instant now = Instant.now();
        Random random = new Random(20);
        AudienceData data = new AudienceData(jdbc, random, now, links);
        in(tenant, () -> {
            data.fill();
            people.noteForgotten();
            return people.refresh(Integer.MAX_VALUE);
        });
        int empty = in(tenant, () -> {
            AudienceOracle oracle = new AudienceOracle(jdbc, ZONE, now);
            assertThat(contacts(new Combined(Match.ALL, List.of()), now))
                    .isEqualTo(oracle.everybody().size());
            int none = 0;
            for (int seed = 0; seed < RULES; seed++) {
                AudienceRule rule = group(new Random(seed), links, data, 0);
                Set<String> expected = new TreeSet<>(oracle.of(rule));
                assertThat(contacts(rule, now)).as("seed %d: %s", seed, rule).isEqualTo(expected.size());
                none += expected.isEmpty() ? 1 : 0;
            }
            return none;
        });
        assertThat(empty).as("rules that hold for nobody prove little").isLessThan(RULES / 2);
    }

    private long contacts(AudienceRule rule, Instant now) {
        return queries.size(RuleSql.of(rule, ZONE, now)).people();
    }

    private static Combined group(Random random, Map<UUID, UUID> links, AudienceData data, int level) {
        List<AudienceRule> parts = new ArrayList<>();
        for (int i = 1 + random.nextInt(3); i > 0; i--) {
            parts.add(
                    level < 2 && random.nextInt(4) == 0
                            ? group(random, links, data, level + 1)
                            : new Condition(
                                    random.nextInt(3) > 0,
                                    criterion(random, List.copyOf(links.keySet()), links, data)));
        }
        return new Combined(Match.values()[random.nextInt(3)], parts);
    }

    private static Criterion criterion(Random random, List<UUID> all, Map<UUID, UUID> links, AudienceData data) {
        UUID link = all.get(random.nextInt(all.size()));
        When when = when(random);
        int few = 1 + random.nextInt(2);
        Optional<UUID> perhaps = random.nextBoolean() ? Optional.of(link) : Optional.empty();
        return switch (random.nextInt(14)) {
            case 0 -> new Criterion.Came(Criterion.Way.ANY, List.of(), when, few);
            case 1 -> new Criterion.Came(Criterion.Way.LINK, List.of(link.toString()), when, few);
            case 2 ->
                new Criterion.Came(
                        Criterion.Way.SOURCE,
                        List.of(
                                String.valueOf(links.get(link)),
                                UUID.randomUUID().toString()),
                        when,
                        few);
            case 3 ->
                new Criterion.Came(Criterion.Way.CHANNEL, List.of(random.nextBoolean() ? "other" : "print"), when, few);
            case 4 ->
                new Criterion.Did(
                        List.of("any", "lead", "booking", "purchase").get(random.nextInt(4)),
                        when,
                        "",
                        0,
                        few,
                        Optional.empty());
            case 5 -> new Criterion.Did("any", when, "VOUCHER", 5000, 1, Optional.of(1 + random.nextInt(2)));
            case 6 -> new Criterion.Spent(1 + random.nextInt(30_000), when);
            case 7 -> new Criterion.LeadAt(List.of("new", "quoted").get(random.nextInt(2)), random.nextInt(2) * 7);
            case 8 -> new Criterion.Labelled("Group");
            case 9 ->
                new Criterion.Subscribed(
                        perhaps, random.nextBoolean() ? Optional.of(data.newsletters.get(few - 1)) : Optional.empty());
            case 10 ->
                new Criterion.Known(Criterion.Trait.COUNTRY, List.of("GB", "IE").subList(0, few));
            case 11 -> new Criterion.Sent(perhaps);
            case 12 -> new Criterion.Tapped(perhaps, when);
            default -> new Criterion.LeftForm(data.form, when);
        };
    }

    private static When when(Random random) {
        LocalDate day = LocalDate.now(ZONE).minusDays(random.nextInt(100));
        return switch (random.nextInt(4)) {
            case 0 -> When.last(1 + random.nextInt(90));
            case 1 -> When.between(Optional.of(day), Optional.of(day.plusDays(random.nextInt(60))));
            case 2 -> When.between(Optional.empty(), Optional.of(day));
            default -> When.ever();
        };
    }
}
