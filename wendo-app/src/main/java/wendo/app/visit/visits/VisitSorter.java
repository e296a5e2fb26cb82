package wendo.app.visit.visits;

import java.time.Instant;
import java.util.ArrayList;
import java.util.Comparator;
import java.util.HashMap;
import java.util.HashSet;
import java.util.List;
import java.util.Map;
import java.util.Optional;
import java.util.Set;
import java.util.UUID;
import org.springframework.stereotype.Component;
import wendo.app.platform.business.BusinessId;
import wendo.app.platform.business.BusinessScope;
import wendo.core.visits.Arrival;
import wendo.core.visits.Sorted;
import wendo.core.visits.Sorting;
import wendo.core.visits.VisitKind;

/** Sorts visits as far as they themselves tell, in the order of their arrival. */
@Component
class VisitSorter {
    private static final Comparator<LoggedVisit> ARRIVED = Comparator.comparing(
                    (LoggedVisit visit) -> visit.click().arrivedAt())
            .thenComparing(visit -> visit.click().uuid());

    private final BusinessScope scope;
    private final ProofBook proofs;
    private final Agents agents;

    VisitSorter(BusinessScope scope, ProofBook proofs, Agents agents) {
        this.scope = scope;
        this.proofs = proofs;
        this.agents = agents;
    }

    /** Whose taps are repeats of each other. */
    private record Tapping(BusinessId business, UUID link, UUID visitor) {}

    /** Each once: a line that a failing disk took after all stands in the log twice. */
    List<SortedVisit> sort(List<LoggedVisit> visits) {
        Set<UUID> seen = new HashSet<>();
        Map<Tapping, Instant> taps = new HashMap<>();
        List<SortedVisit> sorted = new ArrayList<>(visits.size());
        visits.stream()
                .filter(visit -> seen.add(visit.click().uuid()))
                .sorted(ARRIVED)
                .forEach(visit -> sorted.add(sort(visit, taps)));
        return sorted;
    }

    private SortedVisit sort(LoggedVisit visit, Map<Tapping, Instant> taps) {
        Agents.Agent agent = agents.of(visit.userAgent());
        Instant at = visit.click().arrivedAt();
        Optional<UUID> proof = visit.proof().isEmpty()
                ? Optional.empty()
                : scope.within(visit.business(), () -> proofs.find(visit.proof(), at));
        if (proof.isPresent()) {
            Sorted proved = new Sorted(VisitKind.PROOF, "somebody of the business proved the link");
            return new SortedVisit(visit, proved, agent, proof);
        }
        Tapping tapping = new Tapping(visit.business(), visit.link(), visit.visitor());
        Sorted sorted = Sorting.sort(arrival(visit), agent.sorted(), Optional.ofNullable(taps.get(tapping)));
        if (sorted.kind() == VisitKind.PERSON || sorted.kind() == VisitKind.REPEAT) {
            taps.put(tapping, at);
        }
        return new SortedVisit(visit, sorted, agent, proof);
    }

    private static Arrival arrival(LoggedVisit visit) {
        return new Arrival(
                visit.visitor().toString(),
                visit.link().toString(),
                visit.click().arrivedAt(),
                visit.userAgent(),
                visit.purpose());
    }
}
