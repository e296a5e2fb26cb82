package wendo.app.visit.visits;

import java.time.ZoneOffset;
import java.util.List;
import java.util.Map;
import java.util.Optional;
import java.util.Set;
import java.util.UUID;
import java.util.stream.Collectors;
import org.springframework.context.ApplicationEventPublisher;
import org.springframework.jdbc.core.JdbcTemplate;
import org.springframework.stereotype.Component;
import org.springframework.transaction.PlatformTransactionManager;
import org.springframework.transaction.TransactionDefinition;
import org.springframework.transaction.support.TransactionTemplate;
import wendo.app.platform.business.BusinessId;
import wendo.app.platform.business.BusinessScope;
import wendo.core.visits.VisitKind;

/** Sorts visits and stores them, each once. */
@Component
public class VisitStore {
    /** Somebody who taps twice is tagged twice. */
    private static final Set<VisitKind> TAGGED = Set.of(VisitKind.PERSON, VisitKind.REPEAT);

    /** From so many on it matters how the database plans. */
    private static final int MANY = 1_000;

    /** Who hears of stored visits asks for each of them. */
    private static final int TOLD_AT_ONCE = 2_000;

    private final BusinessScope scope;
    private final TransactionTemplate together;
    private final JdbcTemplate jdbc;
    private final ApplicationEventPublisher events;
    private final VisitSorter sorter;
    private final VisitSums sums;
    private final VisitAliases aliases;
    private final ArrivingVisits arriving;

    /** Visits that one transaction stores. */
    private record Portion(List<SortedVisit> visits, byte[] rows) {
        static Portion of(List<SortedVisit> visits) {
            return new Portion(visits, SortedVisit.rows(visits));
        }
    }

    VisitStore(
            BusinessScope scope,
            PlatformTransactionManager transactions,
            JdbcTemplate jdbc,
            ApplicationEventPublisher events,
            VisitSorter sorter,
            VisitSums sums,
            VisitAliases aliases,
            ArrivingVisits arriving) {
        this.scope = scope;
        this.together = new TransactionTemplate(transactions);
        this.together.setPropagationBehavior(TransactionDefinition.PROPAGATION_REQUIRES_NEW);
        this.jdbc = jdbc;
        this.events = events;
        this.sorter = sorter;
        this.sums = sums;
        this.aliases = aliases;
        this.arriving = arriving;
    }

    public void store(List<LoggedVisit> visits) {
        prepare(visits).run();
    }

    /**
     * Sorts visits of any businesses and writes them as the database takes them, and answers what stores them then: all in
     * one transaction, but those of a business whose tags are to be told of in one of its own, since whoever hears of them
     * works for that business.
     */
    public Runnable prepare(List<LoggedVisit> visits) {
        List<SortedVisit> all = sorter.sort(visits);
        Set<BusinessId> tagged = visits.stream()
                .filter(visit -> !visit.tags().isEmpty())
                .map(LoggedVisit::business)
                .collect(Collectors.toSet());
        Portion plain = Portion.of(
                all.stream().filter(visit -> !tagged.contains(visit.business())).toList());
        Map<BusinessId, Portion> alone = all.stream()
                .filter(visit -> tagged.contains(visit.business()))
                .collect(Collectors.groupingBy(
                        SortedVisit::business, Collectors.collectingAndThen(Collectors.toList(), Portion::of)));
        return () -> {
            if (!plain.visits().isEmpty()) {
                together.executeWithoutResult(status -> insert(plain));
            }
            alone.forEach((business, own) -> scope.within(business, () -> insertAndTell(own)));
            tell(all);
        };
    }

    private void tell(List<SortedVisit> visits) {
        for (int from = 0; from < visits.size(); from += TOLD_AT_ONCE) {
            events.publishEvent(new VisitsStored(
                    visits.subList(from, Math.min(visits.size(), from + TOLD_AT_ONCE)).stream()
                            .map(one -> new VisitsStored.Visit(
                                    one.business(),
                                    one.click(),
                                    one.visit().visitor(),
                                    one.proof().isPresent()))
                            .toList()));
        }
    }

    private void insert(Portion portion) {
        ensureMonths(portion.visits());
        int stored = arriving.store(portion.rows());
        if (stored > 0) {
            sums.add();
        }
        if (stored >= MANY) {
            arriving.lookAtNewMonths();
        }
        aliases.keep(portion.visits().stream().map(SortedVisit::visit).toList());
    }

    private boolean insertAndTell(Portion portion) {
        insert(portion);
        Map<UUID, VisitKind> stored = arriving.kinds();
        arriving.layDown();
        tellOfTags(portion.visits().stream().map(SortedVisit::visit).toList(), stored);
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

    /** Asked each time, for a month that fell empty is dropped, and a late visit can want it back. */
    private void ensureMonths(List<SortedVisit> visits) {
        String[] months = visits.stream()
                .map(visit -> visit.at()
                        .atZone(ZoneOffset.UTC)
                        .toLocalDate()
                        .withDayOfMonth(1)
                        .toString())
                .distinct()
                .toArray(String[]::new);
        jdbc.query("""
                select ensure_visit_month(month) from unnest(cast(? as date[])) as month
                where to_regclass('visit_' || to_char(month, 'YYYYMM')) is null
                """, row -> {}, (Object) months);
    }
}
