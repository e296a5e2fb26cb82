package wendo.app.compare.crosscheck;

import java.time.Clock;
import java.time.LocalDate;
import java.time.ZoneId;
import java.util.ArrayList;
import java.util.List;
import java.util.Optional;
import java.util.SortedMap;
import java.util.UUID;
import org.springframework.jdbc.core.simple.JdbcClient;
import org.springframework.stereotype.Service;
import org.springframework.transaction.annotation.Transactional;
import wendo.app.platform.business.BusinessScope;
import wendo.core.measure.CrossCheck;
import wendo.core.measure.CrossCheck.Cause;
import wendo.core.measure.CrossCheck.Reason;

/** What other systems counted, kept and held against our counts. */
@Service
public class CrossChecks {
    private final CrossCheckQueries queries;
    private final CheckRepository repository;
    private final JdbcClient jdbc;
    private final Clock clock;

    CrossChecks(CrossCheckQueries queries, CheckRepository repository, JdbcClient jdbc, Clock clock) {
        this.queries = queries;
        this.repository = repository;
        this.jdbc = jdbc;
        this.clock = clock;
    }

    /**
     * A count that is further from ours than it may be.
     *
     * @param counted what was counted, in the plural
     */
    public record Disagreement(
            UUID id,
            String source,
            String counted,
            String system,
            LocalDate firstDay,
            LocalDate lastDay,
            CrossCheck counts,
            int tolerancePercent) {}

    /** Newest first. */
    @Transactional(readOnly = true)
    public List<Disagreement> disagreements(ZoneId zone) {
        return queries.standings(zone).stream()
                .map(one -> new Disagreement(
                        one.check().id(),
                        one.check().sourceName(),
                        one.check().counted().plural(),
                        one.check().system(),
                        one.firstDay(),
                        one.lastDay(),
                        new CrossCheck(one.ours(), one.theirs(), List.of()),
                        one.check().tolerancePercent()))
                .filter(one -> one.counts().isBeyond(one.tolerancePercent()))
                .toList();
    }

    /** Both counts, with what explains their difference as far as we know it. */
    @Transactional(readOnly = true)
    CrossCheck counts(Check check, List<CrossCheckQueries.Day> days, ZoneId zone) {
        return new CrossCheck(
                days.stream().mapToLong(CrossCheckQueries.Day::ours).sum(),
                days.stream().mapToLong(CrossCheckQueries.Day::theirs).sum(),
                check.counted() == Counted.VISIT
                        ? causes(queries.causesOfVisits(check, zone, days))
                        : causes(queries.causesOfOutcomes(check, zone, days)));
    }

    private static List<Cause> causes(CrossCheckQueries.VisitCauses known) {
        List<Cause> causes = new ArrayList<>(List.of(
                new Cause(Reason.ROBOTS, known.robots()),
                new Cause(Reason.PREVIEWS, known.previews()),
                new Cause(Reason.REPEATS, known.repeats()),
                new Cause(Reason.PROOFS, known.proofs()),
                new Cause(Reason.TIME_ZONE, known.zone())));
        known.lost().ifPresent(lost -> causes.add(new Cause(Reason.LOST, -lost)));
        return causes;
    }

    private static List<Cause> causes(CrossCheckQueries.OutcomeCauses known) {
        return List.of(
                new Cause(Reason.PROOFS, known.proofs()),
                new Cause(Reason.TAKEN_BACK, known.takenBack()),
                new Cause(Reason.UNKNOWN_SOURCE, known.unknownSource()),
                new Cause(Reason.TIME_ZONE, known.zone()));
    }

    @Transactional
    void add(Check check, SortedMap<LocalDate, Long> theirs, String by) {
        repository.save(new StoredCheck(check, clock.instant(), by));
        tell(check.id(), theirs);
    }

    /** More days, or other numbers for days that were told of before. */
    @Transactional
    void tell(UUID check, SortedMap<LocalDate, Long> theirs) {
        jdbc.sql("""
                        insert into their_count
                        select :business, :id, day, number from unnest(:days, :numbers) as told (day, number)
                        on conflict (business_id, check_id, day) do update set number = excluded.number
                        """)
                .param("business", BusinessScope.current().value())
                .param("id", check)
                .param(
                        "days",
                        theirs.keySet().stream().map(java.sql.Date::valueOf).toArray(java.sql.Date[]::new))
                .param("numbers", theirs.values().toArray(Long[]::new))
                .update();
    }

    @Transactional
    boolean remove(UUID id) {
        Optional<StoredCheck> check = repository.findById(id);
        check.ifPresent(one -> one.remove(clock.instant()));
        return check.isPresent();
    }

    @Transactional
    boolean putBack(UUID id) {
        Optional<StoredCheck> check = repository.findById(id);
        check.ifPresent(StoredCheck::putBack);
        return check.isPresent();
    }
}
