package wendo.app.visit.visits;

import java.time.LocalDate;
import java.time.ZoneOffset;
import java.util.HashSet;
import java.util.List;
import java.util.Map;
import java.util.Optional;
import java.util.Set;
import java.util.UUID;
import java.util.concurrent.ConcurrentHashMap;
import java.util.stream.Collectors;
import org.slf4j.Logger;
import org.slf4j.LoggerFactory;
import org.springframework.context.ApplicationEventPublisher;
import org.springframework.jdbc.core.JdbcTemplate;
import org.springframework.stereotype.Component;
import org.springframework.transaction.support.TransactionSynchronization;
import org.springframework.transaction.support.TransactionSynchronizationManager;
import wendo.app.platform.business.BusinessId;
import wendo.app.platform.business.BusinessScope;
import wendo.app.platform.business.Businesses;
import wendo.core.visits.Arrival;
import wendo.core.visits.Sorted;
import wendo.core.visits.Sorting;
import wendo.core.visits.VisitKind;

/** Sorts visits and stores them, each once. */
@Component
public class VisitStore {
    /** Somebody who taps twice is tagged twice. */
    private static final Set<VisitKind> TAGGED = Set.of(VisitKind.PERSON, VisitKind.REPEAT);

    /** Who hears of stored visits asks for each of them. */
    private static final int TOLD_AT_ONCE = 2_000;

    private static final Logger LOG = LoggerFactory.getLogger(VisitStore.class);

    private final BusinessScope scope;
    private final Businesses businesses;
    private final JdbcTemplate jdbc;
    private final ApplicationEventPublisher events;
    private final ProofBook proofs;
    private final Agents agents;
    private final VisitSums sums;
    private final VisitAliases aliases;
    private final ArrivingVisits arriving;
    private final Set<LocalDate> months = ConcurrentHashMap.newKeySet();

    VisitStore(
            BusinessScope scope,
            Businesses businesses,
            JdbcTemplate jdbc,
            ApplicationEventPublisher events,
            ProofBook proofs,
            Agents agents,
            VisitSums sums,
            VisitAliases aliases,
            ArrivingVisits arriving) {
        this.scope = scope;
        this.businesses = businesses;
        this.jdbc = jdbc;
        this.events = events;
        this.proofs = proofs;
        this.agents = agents;
        this.sums = sums;
        this.aliases = aliases;
        this.arriving = arriving;
    }

    /** Stores visits of any businesses, each business's in a transaction of its own. */
    public void store(List<LoggedVisit> visits) {
        Map<BusinessId, List<LoggedVisit>> byBusiness =
                visits.stream().collect(Collectors.groupingBy(LoggedVisit::business));
        byBusiness.forEach((business, own) -> {
            if (!scope.within(business, () -> businesses.isThere() && insert(business, own))) {
                LOG.warn("{} visits came for a business that was deleted, and are left out", own.size());
                return;
            }
            for (int from = 0; from < own.size(); from += TOLD_AT_ONCE) {
                events.publishEvent(new VisitsStored(
                        business,
                        own.subList(from, Math.min(own.size(), from + TOLD_AT_ONCE)).stream()
                                .map(visit -> visit.click().uuid())
                                .toList()));
            }
        });
    }

    private boolean insert(BusinessId business, List<LoggedVisit> visits) {
        sums.lock();
        ensureMonths(visits);
        Map<UUID, VisitKind> stored =
                arriving.store(business.value(), visits.stream().map(this::sort).toList());
        aliases.keep(visits);
        tellOfTags(visits, stored);
        sums.add(stored.size());
        return true;
    }

    private void tellOfTags(List<LoggedVisit> visits, Map<UUID, VisitKind> stored) {
        List<TagsDecided.Visit> tagged = visits.stream()
                .filter(visit -> !visit.tags().isEmpty())
                .filter(visit -> Optional.ofNullable(stored.get(visit.click().uuid()))
                        .filter(TAGGED::contains)
                        .isPresent())
                .map(visit -> new TagsDecided.Visit(visit.click(), visit.link(), visit.tags()))
                .toList();
        if (!tagged.isEmpty()) {
            events.publishEvent(new TagsDecided(tagged));
        }
    }

    /** As far as the visit alone tells; whether it is a repeat, the database knows. */
    private ArrivingVisits.Arriving sort(LoggedVisit visit) {
        Agents.Agent agent = agents.of(visit.userAgent());
        Optional<UUID> proof = visit.proof().isEmpty()
                ? Optional.empty()
                : proofs.find(visit.proof(), visit.click().arrivedAt());
        Sorted sorted = proof.isPresent()
                ? new Sorted(VisitKind.PROOF, "somebody of the business proved the link")
                : Sorting.sort(arrival(visit), agent.sorted(), Optional.empty());
        return new ArrivingVisits.Arriving(visit, sorted, agent, proof);
    }

    private static Arrival arrival(LoggedVisit visit) {
        return new Arrival(
                visit.visitor().toString(),
                visit.link().toString(),
                visit.click().arrivedAt(),
                visit.userAgent(),
                visit.purpose());
    }

    private void ensureMonths(List<LoggedVisit> visits) {
        Set<LocalDate> wanted = new HashSet<>();
        for (LoggedVisit visit : visits) {
            wanted.add(visit.click()
                    .arrivedAt()
                    .atZone(ZoneOffset.UTC)
                    .toLocalDate()
                    .withDayOfMonth(1));
        }
        wanted.removeAll(months);
        for (LocalDate month : wanted) {
            jdbc.query("select ensure_visit_month(?)", row -> {}, month);
        }
        TransactionSynchronizationManager.registerSynchronization(new TransactionSynchronization() {
            @Override
            public void afterCommit() {
                months.addAll(wanted); // only after the commit: a rollback takes the partition with it
            }
        });
    }
}
