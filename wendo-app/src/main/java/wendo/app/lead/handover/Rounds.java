package wendo.app.lead.handover;

import jakarta.persistence.EntityManager;
import jakarta.persistence.LockModeType;
import java.time.LocalDate;
import java.util.List;
import java.util.Optional;
import java.util.UUID;
import org.springframework.stereotype.Service;
import org.springframework.transaction.annotation.Transactional;
import wendo.app.platform.business.EditedVersion;
import wendo.core.handover.Turn;

/** Rounds: people who get leads in turn. */
@Service
class Rounds {
    private final RoundRepository repository;
    private final EntityManager entities;

    Rounds(RoundRepository repository, EntityManager entities) {
        this.repository = repository;
        this.entities = entities;
    }

    record Listed(UUID id, int version, String name, List<Turn> turns) {}

    @Transactional(readOnly = true)
    List<Listed> list() {
        return repository.findAllByOrderByName().stream().map(Round::listed).toList();
    }

    /** Whose turn it is, who has had it then; of two who ask at once the second waits. */
    @Transactional
    Optional<UUID> next(UUID round, LocalDate today) {
        return repository.lock(round).flatMap(one -> one.next(today));
    }

    /** A name that another round has is refused by its unique key. */
    @Transactional
    UUID add(String name) {
        Round round = new Round(name);
        repository.save(round);
        return round.id();
    }

    /** A lead that is handed out meanwhile is handed out before or after, and no turn is lost. */
    @Transactional
    void change(UUID id, EditedVersion edited, List<Turn> turns) {
        Round round = repository.lock(id).orElseThrow();
        round.mustStillBe(edited);
        entities.lock(round, LockModeType.PESSIMISTIC_FORCE_INCREMENT); // turns are rows of their own
        round.become(turns);
    }
}
