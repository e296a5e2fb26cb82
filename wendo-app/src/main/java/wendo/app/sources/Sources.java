package wendo.app.links;

import jakarta.persistence.EntityManager;
import java.time.Clock;
import java.util.Comparator;
import java.util.List;
import java.util.Optional;
import java.util.UUID;
import org.springframework.stereotype.Service;
import org.springframework.transaction.annotation.Transactional;
import wendo.app.business.BusinessScope;
import wendo.core.links.Channel;
import wendo.core.links.Tag;

/** The sources of the current business. Two spellings of one name are one source: its tag decides. */
@Service
public class Sources {
    static final int MAX_NAME = 120;

    private final SourceRepository repository;
    private final EntityManager entities;
    private final Clock clock;

    Sources(SourceRepository repository, EntityManager entities, Clock clock) {
        this.repository = repository;
        this.entities = entities;
        this.clock = clock;
    }

    /** All of them, by channel in the order of {@link Channel}, then by name. */
    @Transactional(readOnly = true)
    public List<SourceListed> list() {
        return repository.findAllByOrderByChannelAscNameAsc().stream()
                .map(Source::listed)
                .sorted(Comparator.comparing(SourceListed::channel).thenComparing(SourceListed::name))
                .toList();
    }

    @Transactional(readOnly = true)
    public Optional<SourceListed> find(UUID id) {
        return repository.findById(id).map(Source::listed);
    }

    /** The source that a free spelling means, if there is one. */
    @Transactional(readOnly = true)
    public Optional<SourceListed> find(String spelling) {
        return Tag.isPossible(spelling)
                ? repository.findByTag(Tag.of(spelling).value()).map(Source::listed)
                : Optional.empty();
    }

    /** Why this cannot be the name of a new source, if it cannot. */
    static Optional<String> refusal(String name) {
        if (!Tag.isPossible(name)) {
            return Optional.of("Name the new source, with a letter or a digit in it.");
        }
        return name.strip().length() > MAX_NAME
                ? Optional.of("A name may have %d characters; this one has %d."
                        .formatted(MAX_NAME, name.strip().length()))
                : Optional.empty();
    }

    /** The existing source of this spelling, or a new one. */
    @Transactional
    public SourceListed findOrCreate(String name, Channel channel) {
        return find(name).orElseGet(() -> {
            Source source = new Source(BusinessScope.current(), name.strip(), channel, clock.instant());
            entities.persist(source);
            entities.flush();
            return source.listed();
        });
    }
}
