package wendo.app.money.targets;

import java.util.List;
import java.util.Map;
import java.util.Optional;
import java.util.UUID;
import java.util.stream.Collectors;
import org.springframework.stereotype.Service;
import org.springframework.transaction.annotation.Transactional;
import wendo.app.platform.business.EditedVersion;

/** What the current business aims for, and what it aims for with single sources. */
@Service
public class Targets {
    private final TargetRepository repository;

    Targets(TargetRepository repository) {
        this.repository = repository;
    }

    /**
     * All that were set.
     *
     * @param bySource only of sources that have their own
     */
    public record All(Target business, Map<UUID, Target> bySource) {
        public static final All NONE = new All(Target.NONE, Map.of());

        public All {
            bySource = Map.copyOf(bySource);
        }

        public Target of(UUID source) {
            return bySource.getOrDefault(source, Target.NONE);
        }
    }

    @Transactional(readOnly = true)
    public All all() {
        List<SetTarget> all = repository.findAll();
        return new All(
                all.stream()
                        .filter(set -> set.source().isEmpty())
                        .map(SetTarget::target)
                        .findFirst()
                        .orElse(Target.NONE),
                all.stream()
                        .filter(set -> set.source().isPresent())
                        .collect(Collectors.toMap(set -> set.source().orElseThrow(), SetTarget::target)));
    }

    @Transactional
    public void set(Optional<UUID> source, Target target) {
        set(source, target, EditedVersion.any());
    }

    /** For a source, or without one for the business. None takes away what was set. */
    @Transactional
    void set(Optional<UUID> source, Target target, EditedVersion edited) {
        Optional<SetTarget> known = find(source);
        known.ifPresent(set -> set.mustStillBe(edited));
        if (target.isNone()) {
            known.ifPresent(repository::delete);
        } else {
            SetTarget set = known.orElseGet(() -> new SetTarget(source));
            set.set(target);
            repository.save(set);
        }
    }

    /** The versions of what was set, by the identifier of the source; empty text for the business. */
    @Transactional(readOnly = true)
    Map<String, Integer> versions() {
        return repository.findAll().stream()
                .collect(
                        Collectors.toMap(set -> set.source().map(UUID::toString).orElse(""), SetTarget::version));
    }

    private Optional<SetTarget> find(Optional<UUID> source) {
        return source.isPresent() ? repository.findBySourceId(source.get()) : repository.findBySourceIdIsNull();
    }
}
