package wendo.app.prepare.sources;

import jakarta.persistence.EntityManager;
import java.time.Clock;
import java.util.Comparator;
import java.util.HashMap;
import java.util.List;
import java.util.Map;
import java.util.Objects;
import java.util.Optional;
import java.util.UUID;
import org.springframework.stereotype.Service;
import org.springframework.transaction.annotation.Transactional;
import wendo.app.platform.business.EditedVersion;
import wendo.app.platform.site.Limits;
import wendo.app.platform.site.Texts;
import wendo.core.links.Channel;
import wendo.core.links.Tag;

/** The sources of the current business. Two spellings of one name are one source: its tag decides. */
@Service
public class Sources {
    static final int MAX_NAME = Limits.NAME;

    private final SourceRepository repository;
    private final EntityManager entities;
    private final Clock clock;

    Sources(SourceRepository repository, EntityManager entities, Clock clock) {
        this.repository = repository;
        this.entities = entities;
        this.clock = clock;
    }

    /** Those in use, by channel in the order of {@link Channel}, then by name. */
    @Transactional(readOnly = true)
    public List<SourceListed> list() {
        return repository.findAllByOrderByChannelAscNameAsc().stream()
                .filter(source -> !source.isArchived())
                .map(Source::listed)
                .sorted(Comparator.comparing(SourceListed::channel).thenComparing(SourceListed::name))
                .toList();
    }

    /** All that a text may mean, archived ones too, by identifier and by tag. A merged one leads to the kept one. */
    @Transactional(readOnly = true)
    public Map<String, SourceListed> byIdentifierAndTag() {
        List<Source> all = repository.findAllByOrderByChannelAscNameAsc();
        Map<UUID, Source> byId = new HashMap<>();
        all.forEach(source -> byId.put(source.listed().id(), source));
        Map<String, SourceListed> known = new HashMap<>();
        for (Source source : all) {
            SourceListed meant = kept(source, byId).listed();
            known.put(source.listed().id().toString(), meant);
            known.put(source.listed().tag().value(), meant);
        }
        return known;
    }

    private static Source kept(Source source, Map<UUID, Source> byId) {
        Source kept = source;
        while (kept.mergedInto().isPresent()) {
            kept = Objects.requireNonNull(byId.get(kept.mergedInto().get()));
        }
        return kept;
    }

    @Transactional(readOnly = true)
    public Optional<SourceListed> find(UUID id) {
        return repository.findById(id).map(Source::listed);
    }

    @Transactional(readOnly = true)
    int version(UUID id) {
        return repository.findById(id).map(Source::version).orElse(0);
    }

    /** What was said of a source. */
    @Transactional(readOnly = true)
    Optional<SourceForm> form(UUID id) {
        return repository.findById(id).map(Source::form);
    }

    /** Why this cannot be the name of a new source, if it cannot. */
    public static Optional<String> refusal(String name) {
        if (!Tag.isPossible(name)) {
            return Optional.of(Texts.of("prepare.sources.name-the-new-source-with"));
        }
        return name.strip().length() > MAX_NAME
                ? Optional.of(Texts.of(
                        "prepare.sources.a-name-may-have-characters",
                        MAX_NAME,
                        name.strip().length()))
                : Optional.empty();
    }

    /** Takes those of these that are archived back into use, since they have a new link. */
    @Transactional
    public void useAgain(List<UUID> used) {
        for (UUID id : used) {
            repository
                    .findById(id)
                    .filter(source -> source.mergedInto().isEmpty())
                    .ifPresent(Source::restore);
        }
    }

    /** The existing source of this spelling, back in use if it was archived, or a new one. */
    @Transactional
    public SourceListed findOrCreate(String name, Channel channel) {
        Optional<Source> known = repository.findByTag(Tag.of(name).value());
        while (known.flatMap(Source::mergedInto).isPresent()) {
            known = repository.findById(known.flatMap(Source::mergedInto).orElseThrow());
        }
        known.ifPresent(Source::restore);
        return known.map(Source::listed).orElseGet(() -> {
            Source source = new Source(name.strip(), channel, clock.instant());
            entities.persist(source);
            entities.flush();
            return source.listed();
        });
    }

    @Transactional
    void describe(UUID id, EditedVersion edited, SourceForm.Checked form) {
        Source source = repository.findById(id).orElseThrow();
        source.mustStillBe(edited);
        source.describe(form);
    }

    @Transactional
    void archive(UUID id, boolean away) {
        Source source = repository.findById(id).orElseThrow();
        if (away) {
            source.archive(clock.instant());
        } else if (source.mergedInto().isEmpty()) {
            source.restore();
        }
    }
}
