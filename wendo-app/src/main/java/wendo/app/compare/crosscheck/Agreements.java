package wendo.app.compare.crosscheck;

import java.time.Clock;
import java.util.List;
import java.util.Optional;
import java.util.UUID;
import org.springframework.jdbc.core.simple.JdbcClient;
import org.springframework.stereotype.Service;
import org.springframework.transaction.annotation.Transactional;
import wendo.app.platform.business.BusinessId;
import wendo.app.platform.site.RandomToken;

/** What both sides of a cross-check see, write to each other, and agree on. */
@Service
class Agreements {
    /** So many notes of the other side are kept for one cross-check. */
    static final int MOST_OF_THEIRS = 200;

    private final CountAgreementRepository repository;
    private final CountNoteRepository notes;
    private final JdbcClient jdbc;
    private final Clock clock;

    Agreements(CountAgreementRepository repository, CountNoteRepository notes, JdbcClient jdbc, Clock clock) {
        this.repository = repository;
        this.notes = notes;
        this.jdbc = jdbc;
        this.clock = clock;
    }

    /** The address of the shared view if it is open, what was written, and what each side says. */
    record Shared(Optional<String> token, Settlement settlement, List<CountNote.Shown> notes) {}

    @Transactional(readOnly = true)
    Shared of(UUID check) {
        Optional<CountAgreement> found = repository.findById(check);
        return new Shared(
                found.flatMap(CountAgreement::token),
                found.map(CountAgreement::settlement).orElse(Settlement.OPEN),
                notes.findTop100ByCheckIdOrderByWrittenAtDescIdAsc(check).stream()
                        .map(CountNote::shown)
                        .toList());
    }

    /** A view that is open keeps its address; closed and opened again, it has another. */
    @Transactional
    void open(UUID check, boolean isOpen) {
        CountAgreement one = agreement(check);
        one.open(isOpen ? Optional.of(one.token().orElseGet(RandomToken::next)) : Optional.empty());
        repository.save(one);
    }

    private CountAgreement agreement(UUID check) {
        return repository.findById(check).orElseGet(() -> new CountAgreement(check));
    }

    @Transactional
    void sayOurs(UUID check, long number, String by) {
        CountAgreement one = agreement(check);
        one.sayOurs(number, by, clock.instant());
        repository.save(one);
    }

    @Transactional
    void sayTheirs(UUID check, long number, String by) {
        CountAgreement one = agreement(check);
        one.sayTheirs(number, by, clock.instant());
        repository.save(one);
    }

    /** False if the other side has written too much already. */
    @Transactional
    boolean write(UUID check, CountNote.Written written) {
        if (written.isFromThem() && notes.countByCheckIdAndFromThemTrue(check) >= MOST_OF_THEIRS) {
            return false;
        }
        notes.save(new CountNote(check, written, clock.instant()));
        return true;
    }

    /** The cross-check that this address shows. */
    @Transactional(readOnly = true)
    Optional<UUID> checkOf(String token) {
        return repository.findByToken(token).map(CountAgreement::id);
    }

    @Transactional(readOnly = true)
    Optional<BusinessId> businessOf(String token) {
        return jdbc.sql("select door_counts(?)")
                .param(token)
                .query(UUID.class)
                .optional()
                .map(BusinessId::new);
    }
}
