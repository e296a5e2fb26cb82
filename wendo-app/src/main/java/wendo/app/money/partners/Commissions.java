package wendo.app.money.partners;

import java.time.LocalDate;
import java.time.ZoneId;
import java.util.ArrayList;
import java.util.Collection;
import java.util.HashMap;
import java.util.HashSet;
import java.util.List;
import java.util.Map;
import java.util.Set;
import java.util.UUID;
import java.util.stream.Collectors;
import org.springframework.context.event.EventListener;
import org.springframework.scheduling.annotation.Async;
import org.springframework.stereotype.Service;
import org.springframework.transaction.annotation.Transactional;
import org.springframework.transaction.event.TransactionalEventListener;
import wendo.app.credit.OutcomesCredited;
import wendo.app.outcome.outcomes.OutcomeTakenBack;
import wendo.app.platform.business.BusinessScope;
import wendo.app.platform.business.Businesses;
import wendo.app.platform.business.ZoneChanged;
import wendo.core.partners.CommissionLedger;

/** What each outcome earns a partner, worked out within seconds and again whenever something changes it. */
@Service
public class Commissions {
    private final PartnerRepository partners;
    private final TermsRepository terms;
    private final OwedQueries owed;
    private final PartnerOutcomes whose;
    private final CommissionRows rows;
    private final Businesses businesses;
    private final BusinessScope scope;

    Commissions(
            PartnerRepository partners,
            TermsRepository terms,
            OwedQueries owed,
            PartnerOutcomes whose,
            CommissionRows rows,
            Businesses businesses,
            BusinessScope scope) {
        this.partners = partners;
        this.terms = terms;
        this.owed = owed;
        this.whose = whose;
        this.rows = rows;
        this.businesses = businesses;
        this.scope = scope;
    }

    @Async
    @TransactionalEventListener
    void on(OutcomesCredited event) {
        scope.within(event.business(), () -> {
            look(event.outcomes());
            return event;
        });
    }

    /** Outcomes have moved with their days, and some into other months. */
    @Async
    @TransactionalEventListener
    void on(ZoneChanged event) {
        scope.within(event.business(), () -> {
            workOutAll(partners.findAll().stream().map(Partner::id).toList());
            return event;
        });
    }

    /** Its lines on statements are made up for; those on none go with it. */
    @EventListener
    @Transactional
    void on(OutcomeTakenBack event) {
        lock();
        List<UUID> gone = List.of(event.outcome());
        Set<PartnerOutcomes.PartnerMonth> before = whose.monthsOf(gone);
        whose.forget(event.outcome());
        workOut(before);
    }

    /** Finds anew whose these outcomes are, and works out anew all months that this changes. */
    @Transactional
    public void look(List<UUID> outcomes) {
        if (partners.count() == 0) {
            return;
        }
        lock(); // two events may tell of one outcome
        Set<PartnerOutcomes.PartnerMonth> affected = new HashSet<>(whose.monthsOf(outcomes));
        whose.findWhose(outcomes);
        whose.review(outcomes);
        affected.addAll(whose.monthsOf(outcomes));
        workOut(affected);
    }

    private void workOut(Set<PartnerOutcomes.PartnerMonth> affected) {
        workOut(byPartner(affected));
    }

    /** All of a partner, after its terms or codes changed. */
    @Transactional
    public void workOutAll(UUID partner) {
        workOutAll(List.of(partner));
    }

    /** All of these partners; whose their outcomes are is found for all of them at once. */
    @Transactional
    public void workOutAll(Collection<UUID> some) {
        lock();
        List<UUID> outcomes = whose.outcomesOf(some);
        whose.findWhose(outcomes);
        whose.review(outcomes);
        Map<UUID, Set<LocalDate>> wanted = byPartner(whose.monthsOf(outcomes));
        some.forEach(partner -> wanted.put(partner, Set.of()));
        workOut(wanted);
    }

    private static Map<UUID, Set<LocalDate>> byPartner(Set<PartnerOutcomes.PartnerMonth> months) {
        return months.stream()
                .collect(Collectors.groupingBy(
                        PartnerOutcomes.PartnerMonth::partner,
                        HashMap::new,
                        Collectors.mapping(PartnerOutcomes.PartnerMonth::month, Collectors.toSet())));
    }

    /** Whoever works out or settles what partners earned locks them in the database's order of them. */
    private void workOut(Map<UUID, Set<LocalDate>> months) {
        if (months.isEmpty()) {
            return;
        }
        partners.lock(months.keySet());
        months.forEach(this::workOut);
    }

    /** Taken before any partner's row, so that two who change what partners earn wait for each other and no longer. */
    void lock() {
        whose.lock();
    }

    /** @param months their first days; all if there are none */
    private void workOut(UUID partner, Set<LocalDate> months) {
        List<AgreedTerms> agreed = agreed(partner);
        ZoneId zone = businesses.current().zone();
        List<OwedQueries.Owed> outcomes =
                owed.of(new OwedQueries.Wanted(partner, months, needsFirsts(agreed), false), zone);
        Map<UUID, CommissionRows.About> about = new HashMap<>();
        outcomes.forEach(one -> about.put(
                one.owed().first().outcome(),
                new CommissionRows.About(one.owed().first().kind().key(), one.reference(), one.month(), one.way())));
        List<CommissionLedger.Entry> wanted = lines(outcomes, agreed);
        Map<UUID, Long> settled = rows.settled(partner, months);
        if (!about.keySet().containsAll(settled.keySet())) {
            about.putAll(rows.aboutSettled(partner, months).entrySet().stream()
                    .filter(one -> !about.containsKey(one.getKey()))
                    .collect(Collectors.toMap(Map.Entry::getKey, Map.Entry::getValue)));
        }
        rows.replace(
                partner,
                months,
                CommissionLedger.open(wanted, settled, rows.firstOpen(partner)),
                outcome -> about.getOrDefault(outcome, CommissionRows.About.GONE));
    }

    private static boolean needsFirsts(List<AgreedTerms> agreed) {
        return agreed.stream().anyMatch(one -> one.terms().firstOnly());
    }

    List<AgreedTerms> agreed(UUID partner) {
        return terms.findByPartnerIdOrderByFirstDayDescWay(partner).stream()
                .map(StoredTerms::agreed)
                .toList();
    }

    /** Month by month, what comes by links apart from what comes with codes. */
    static List<CommissionLedger.Entry> lines(List<OwedQueries.Owed> outcomes, List<AgreedTerms> agreed) {
        List<CommissionLedger.Entry> lines = new ArrayList<>();
        outcomes.stream()
                .collect(Collectors.groupingBy(one -> Map.entry(one.month(), one.way())))
                .forEach((monthAndWay, some) -> lines.addAll(CommissionLedger.of(
                        some.stream().map(OwedQueries.Owed::owed).toList(),
                        AgreedTerms.of(monthAndWay.getValue(), agreed))));
        return lines;
    }
}
