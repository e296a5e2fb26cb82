package wendo.app.audience.audiences;

import java.time.Clock;
import java.time.Instant;
import java.util.HashSet;
import java.util.List;
import java.util.Map;
import java.util.Optional;
import java.util.Set;
import java.util.UUID;
import java.util.stream.Collectors;
import java.util.stream.Stream;
import org.springframework.context.ApplicationEventPublisher;
import org.springframework.stereotype.Service;
import org.springframework.transaction.annotation.Transactional;
import tools.jackson.core.type.TypeReference;
import tools.jackson.databind.json.JsonMapper;
import wendo.app.platform.business.Business;
import wendo.app.platform.business.Businesses;
import wendo.app.platform.business.EditedVersion;
import wendo.core.audience.AudienceRule;
import wendo.core.audience.Combined;
import wendo.core.audience.Condition;
import wendo.core.audience.Criterion;
import wendo.core.audience.Match;

/** The audiences of a business. */
@Service
class Audiences {
    private static final TypeReference<Map<String, List<String>>> FIELDS = new TypeReference<>() {};

    private final AudienceRepository repository;
    private final AudienceMembers members;
    private final Businesses businesses;
    private final JsonMapper json;
    private final ApplicationEventPublisher events;
    private final Clock clock;

    Audiences(
            AudienceRepository repository,
            AudienceMembers members,
            Businesses businesses,
            JsonMapper json,
            ApplicationEventPublisher events,
            Clock clock) {
        this.repository = repository;
        this.members = members;
        this.businesses = businesses;
        this.json = json;
        this.events = events;
        this.clock = clock;
    }

    /** @param lookedAt when it was last seen who came and left */
    record Listed(
            UUID id,
            int version,
            String name,
            RuleDraft rules,
            boolean isLive,
            boolean isArchived,
            Optional<Instant> lookedAt,
            Instant madeAt,
            String madeBy) {}

    /** What somebody says of an audience. */
    record Said(String name, RuleDraft rules, boolean isLive) {}

    /** Refused by a unique key if another one has this name. */
    @Transactional
    UUID add(Said said, String by) {
        Audience audience = new Audience(by, clock.instant());
        audience.become(said.name(), json.writeValueAsString(said.rules().fields()), said.isLive());
        repository.save(audience);
        repository.flush();
        follow(audience.id(), said.rules());
        return audience.id();
    }

    /** A frozen one keeps its people until its rules are saved anew. */
    @Transactional
    void change(UUID id, EditedVersion edited, Said said) {
        Audience audience = repository.findById(id).orElseThrow();
        audience.mustStillBe(edited);
        audience.become(said.name(), json.writeValueAsString(said.rules().fields()), said.isLive());
        repository.save(audience);
        repository.flush();
        follow(id, said.rules());
    }

    @Transactional
    void archive(UUID id) {
        repository.findById(id).ifPresent(one -> one.archive(clock.instant()));
        events.publishEvent(new AudienceArchived(id));
    }

    @Transactional
    void restore(UUID id) {
        repository.findById(id).ifPresent(Audience::restore);
    }

    @Transactional(readOnly = true)
    Optional<Listed> find(UUID id) {
        return repository.findById(id).map(this::listed);
    }

    @Transactional(readOnly = true)
    List<Listed> standing() {
        return repository.standing().stream().map(this::listed).toList();
    }

    @Transactional(readOnly = true)
    List<Listed> archived() {
        return repository.findByArchivedAtIsNotNullOrderByNameAscIdAsc().stream()
                .map(this::listed)
                .toList();
    }

    /** Sees who came to the live ones, and who left. */
    @Transactional
    void followLive() {
        repository.standing().stream()
                .filter(Audience::isLive)
                .map(this::listed)
                .forEach(one -> follow(one.id(), one.rules()));
    }

    private void follow(UUID id, RuleDraft rules) {
        Instant now = clock.instant();
        members.follow(id, where(rules), now);
        repository.looked(id, now);
    }

    /** Those of whom the rules are true now. */
    @Transactional(readOnly = true)
    public RuleSql.Where where(RuleDraft rules) {
        Business business = businesses.current();
        return RuleSql.of(RuleReader.read(rules, business).rule(), business.zone(), clock.instant());
    }

    /** Those who belong to it: of a frozen one whoever did when it was frozen. */
    @Transactional(readOnly = true)
    RuleSql.Where people(Listed audience) {
        return audience.isLive()
                ? where(audience.rules())
                : RuleSql.of(
                        new Combined(Match.ALL, List.of(new Condition(true, new Criterion.In(audience.id())))),
                        businesses.current().zone(),
                        clock.instant());
    }

    /** Whether these rules would ask an audience for itself, by others or at once. */
    @Transactional(readOnly = true)
    boolean asksItself(UUID audience, RuleDraft rules) {
        Business business = businesses.current();
        Map<UUID, Set<UUID>> asked = repository.standing().stream()
                .collect(Collectors.toMap(
                        Audience::id,
                        one -> asked(RuleReader.read(draft(one), business).rule())));
        Set<UUID> reached = new HashSet<>(asked(RuleReader.read(rules, business).rule()));
        for (Set<UUID> more = reached; !more.isEmpty() && !reached.contains(audience); ) {
            more = more.stream()
                    .flatMap(one -> asked.getOrDefault(one, Set.of()).stream())
                    .filter(one -> !reached.contains(one))
                    .collect(Collectors.toSet());
            reached.addAll(more);
        }
        return reached.contains(audience);
    }

    private static Set<UUID> asked(AudienceRule rule) {
        return conditions(rule)
                .map(Condition::criterion)
                .filter(Criterion.In.class::isInstance)
                .map(one -> ((Criterion.In) one).audience())
                .collect(Collectors.toSet());
    }

    private static Stream<Condition> conditions(AudienceRule rule) {
        return rule instanceof Combined combined
                ? combined.parts().stream().flatMap(Audiences::conditions)
                : Stream.of((Condition) rule);
    }

    private Listed listed(Audience one) {
        return new Listed(
                one.id(),
                one.version(),
                one.name(),
                draft(one),
                one.isLive(),
                one.isArchived(),
                one.lookedAt(),
                one.madeAt(),
                one.madeBy());
    }

    private RuleDraft draft(Audience one) {
        return RuleDraft.of(json.readValue(one.rules(), FIELDS));
    }
}
