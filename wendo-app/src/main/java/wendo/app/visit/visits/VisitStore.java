package wendo.app.visit.visits;

import java.sql.Timestamp;
import java.time.Instant;
import java.time.LocalDate;
import java.time.ZoneOffset;
import java.util.ArrayList;
import java.util.HashSet;
import java.util.Iterator;
import java.util.List;
import java.util.Map;
import java.util.Optional;
import java.util.Set;
import java.util.UUID;
import java.util.concurrent.ConcurrentHashMap;
import java.util.stream.Collectors;
import java.util.stream.IntStream;
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
    private static final String INSERT = """
            insert into visit (arrived_at, click_id, business_id, link_id, source_id, destination_id, visitor,
                recipient_id, country, device, proof_id, kind, reason, referrer, user_agent, language, system,
                browser)
            values (?, ?, ?, ?, coalesce((select merged_into from source where id = ?), ?), ?, ?,
                (select id from recipient where link_id = ? and code = ?), ?, ?, ?, ?, ?, ?, ?, ?, ?, ?)
            on conflict do nothing
            """;

    /** Where the kind stands among what is inserted. */
    private static final int KIND = 13;

    /** Somebody who taps twice is tagged twice. */
    private static final Set<String> TAGGED = Set.of(VisitKind.PERSON.key(), VisitKind.REPEAT.key());

    private static final Logger LOG = LoggerFactory.getLogger(VisitStore.class);

    private final BusinessScope scope;
    private final Businesses businesses;
    private final JdbcTemplate jdbc;
    private final ApplicationEventPublisher events;
    private final ProofBook proofs;
    private final Agents agents;
    private final VisitSums sums;
    private final VisitAliases aliases;
    private final LastTaps taps;
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
            LastTaps taps) {
        this.scope = scope;
        this.businesses = businesses;
        this.jdbc = jdbc;
        this.events = events;
        this.proofs = proofs;
        this.agents = agents;
        this.sums = sums;
        this.aliases = aliases;
        this.taps = taps;
    }

    /** Stores visits of any businesses, each business's in a transaction of its own. */
    public void store(List<LoggedVisit> visits) {
        Map<BusinessId, List<LoggedVisit>> byBusiness =
                visits.stream().collect(Collectors.groupingBy(LoggedVisit::business));
        byBusiness.forEach((business, own) -> {
            if (!scope.within(business, () -> businesses.isThere() && insert(own) >= 0)) {
                LOG.warn("{} visits came for a business that was deleted, and are left out", own.size());
                return;
            }
            events.publishEvent(new VisitsStored(
                    business, own.stream().map(visit -> visit.click().uuid()).toList()));
        });
    }

    private int insert(List<LoggedVisit> visits) {
        sums.lock();
        ensureMonths(visits);
        List<Object[]> rows = rows(visits);
        int[] stored = jdbc.batchUpdate(INSERT, rows);
        aliases.keep(visits);
        tellOfTags(visits, rows, stored);
        sums.add(IntStream.range(0, stored.length)
                .filter(i -> stored[i] == 1)
                .mapToObj(i -> visits.get(i).click())
                .toList());
        return stored.length;
    }

    private void tellOfTags(List<LoggedVisit> visits, List<Object[]> rows, int[] stored) {
        List<TagsDecided.Visit> tagged = IntStream.range(0, stored.length)
                .filter(i -> stored[i] == 1 && !visits.get(i).tags().isEmpty())
                .filter(i -> TAGGED.contains(String.valueOf(rows.get(i)[KIND])))
                .mapToObj(i -> new TagsDecided.Visit(
                        visits.get(i).click(),
                        visits.get(i).link(),
                        visits.get(i).tags()))
                .toList();
        if (!tagged.isEmpty()) {
            events.publishEvent(new TagsDecided(tagged));
        }
    }

    private List<Object[]> rows(List<LoggedVisit> visits) {
        List<Agents.Agent> read =
                visits.stream().map(visit -> agents.of(visit.userAgent())).toList();
        List<LastTaps.Tap> ofBrowsers = IntStream.range(0, visits.size())
                .filter(i -> read.get(i).sorted().isEmpty())
                .mapToObj(i -> tap(visits.get(i)))
                .toList();
        Iterator<Optional<Instant>> previous = taps.replace(ofBrowsers).iterator();
        List<Object[]> rows = new ArrayList<>();
        for (int i = 0; i < visits.size(); i++) {
            Agents.Agent agent = read.get(i);
            rows.add(row(visits.get(i), agent, agent.sorted().isEmpty() ? previous.next() : Optional.empty()));
        }
        return rows;
    }

    private static LastTaps.Tap tap(LoggedVisit visit) {
        return new LastTaps.Tap(
                visit.link(),
                visit.visitor(),
                visit.click().uuid(),
                visit.click().arrivedAt());
    }

    private Object[] row(LoggedVisit visit, Agents.Agent agent, Optional<Instant> previous) {
        Optional<UUID> proof = visit.proof().isEmpty()
                ? Optional.empty()
                : proofs.find(visit.proof(), visit.click().arrivedAt());
        Sorted sorted = proof.isPresent()
                ? new Sorted(VisitKind.PROOF, "somebody of the business proved the link")
                : Sorting.sort(arrival(visit), agent.sorted(), previous);
        return new Object[] {
            Timestamp.from(visit.click().arrivedAt()),
            visit.click().uuid(),
            visit.business().value(),
            visit.link(),
            visit.source(),
            visit.source(), // perhaps merged while the visit was on its way
            visit.destination(),
            visit.visitor(),
            visit.link(),
            visit.recipient(),
            visit.country(),
            visit.device(),
            proof.orElse(null),
            sorted.kind().key(),
            sorted.reason(),
            visit.referrer(),
            visit.userAgent(),
            visit.language(),
            agent.system(),
            agent.browser()
        };
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
