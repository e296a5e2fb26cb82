package wendo.app.audience.addesks;

import com.github.kagkarlsson.scheduler.SchedulerClient;
import java.time.Clock;
import java.time.Instant;
import java.util.List;
import java.util.Optional;
import java.util.UUID;
import org.springframework.context.event.EventListener;
import org.springframework.stereotype.Service;
import org.springframework.transaction.annotation.Transactional;
import wendo.app.audience.audiences.AudienceArchived;

/** Ad desks, and the audiences that are kept on their lists. */
@Service
class Transfers {
    private final AdDeskRepository desks;
    private final TransferRepository repository;
    private final Transferred there;
    private final SchedulerClient jobs;
    private final Clock clock;

    Transfers(
            AdDeskRepository desks,
            TransferRepository repository,
            Transferred there,
            SchedulerClient jobs,
            Clock clock) {
        this.desks = desks;
        this.repository = repository;
        this.there = there;
        this.jobs = jobs;
        this.clock = clock;
    }

    record Desk(UUID id, String name, String address, long lists) {}

    /** @param size of the list at the desk, of which it knows {@code matched} */
    record Done(long added, long removed, long size, long matched) {}

    record Listed(UUID id, UUID audience, String desk, String list, Optional<Instant> runAt, Done last, String fault) {}

    /** What a run needs of it. */
    record Run(UUID id, UUID audience, String address, String key, String list, boolean isEnded) {}

    @Transactional(readOnly = true)
    List<Desk> desks() {
        return desks.findByRemovedAtIsNullOrderByNameAscIdAsc().stream()
                .map(one -> new Desk(
                        one.id(), one.name(), one.address(), repository.countByDeskIdAndEndedAtIsNull(one.id())))
                .toList();
    }

    /** Refused by a unique key if another one has this name. */
    @Transactional
    void addDesk(AdDeskForm form, String by) {
        desks.save(new AdDesk(form, by, clock.instant()));
    }

    /** Answers false while anybody is on one of its lists. */
    @Transactional
    boolean removeDesk(UUID id) {
        if (repository.countByDeskIdAndEndedAtIsNull(id) > 0 || there.isAnybodyAt(id)) {
            return false;
        }
        desks.findById(id).ifPresent(one -> one.remove(clock.instant()));
        return true;
    }

    /** Refused by a unique key if the desk's list of this name is kept already. */
    @Transactional
    void begin(UUID audience, UUID desk, String list, String by) {
        AdDesk there = desks.findById(desk).orElseThrow();
        Transfer transfer = repository.save(new Transfer(audience, there.id(), list, by, clock.instant()));
        TransferJobs.ask(jobs, transfer.id(), clock);
    }

    /** Now, instead of with the next night. */
    @Transactional
    void again(UUID id) {
        repository.findById(id).ifPresent(one -> TransferJobs.ask(jobs, one.id(), clock));
    }

    /** Everybody is taken from the desk's list. */
    @Transactional
    void end(UUID id) {
        repository.findById(id).ifPresent(one -> {
            one.end(clock.instant());
            TransferJobs.ask(jobs, id, clock);
        });
    }

    /** Whoever archives an audience wants nobody advertised to as one of it. */
    @EventListener
    void on(AudienceArchived event) {
        repository
                .findByAudienceIdAndEndedAtIsNullOrderByMadeAtAscIdAsc(event.audience())
                .forEach(one -> end(one.id()));
    }

    @Transactional(readOnly = true)
    List<Listed> of(UUID audience) {
        return repository.findByAudienceIdAndEndedAtIsNullOrderByMadeAtAscIdAsc(audience).stream()
                .map(one -> new Listed(
                        one.id(),
                        one.audience(),
                        desks.findById(one.desk()).map(AdDesk::name).orElse(""),
                        one.listName(),
                        one.runAt(),
                        one.last(),
                        one.fault()))
                .toList();
    }

    /** Those that stand, and those that have ended while somebody is on their list still. */
    @Transactional(readOnly = true)
    List<UUID> unfinished() {
        return there.unfinished();
    }

    @Transactional(readOnly = true)
    Optional<Run> run(UUID id) {
        return repository
                .findById(id)
                .flatMap(one -> desks.findById(one.desk())
                        .map(desk -> new Run(
                                id, one.audience(), desk.address(), desk.key(), one.listName(), one.isEnded())));
    }

    @Transactional
    void ran(UUID id, Done done) {
        repository.findById(id).ifPresent(one -> one.ran(done, clock.instant()));
    }

    @Transactional
    void failed(UUID id, String why) {
        repository.findById(id).ifPresent(one -> one.failed(why, clock.instant()));
    }
}
