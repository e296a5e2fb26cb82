package wendo.app.outcome.outcomes;

import java.util.ArrayList;
import java.util.List;
import java.util.Map;
import java.util.Optional;
import java.util.UUID;
import java.util.function.UnaryOperator;
import org.springframework.context.ApplicationEventPublisher;
import org.springframework.context.event.EventListener;
import org.springframework.stereotype.Service;
import org.springframework.transaction.annotation.Transactional;
import wendo.app.platform.business.BusinessScope;
import wendo.app.platform.business.EditedVersion;
import wendo.app.platform.consent.Consents;
import wendo.app.platform.consent.ToldConsent;
import wendo.app.prepare.sources.SourceListed;
import wendo.app.visit.arrivals.ArrivalsAdopted;
import wendo.core.outcomes.OutcomeKind;
import wendo.core.outcomes.OutcomeReport;
import wendo.core.outcomes.Standing;
import wendo.core.visits.ClickId;

/** Records outcomes of the current business, each once by its kind and reference; later news changes it. */
@Service
public class Outcomes {
    private final OutcomeStore store;
    private final Consents consents;
    private final ApplicationEventPublisher events;

    Outcomes(OutcomeStore store, Consents consents, ApplicationEventPublisher events) {
        this.store = store;
        this.consents = consents;
        this.events = events;
    }

    @Transactional
    public Recorded record(OutcomeReport report, Reporter reporter) {
        return recordAll(List.of(report), reporter).get(0);
    }

    /** What somebody of the business puts right by hand. */
    @Transactional
    public Recorded correct(OutcomeReport report, EditedVersion edited, String person) {
        store.mustStillBe(report, edited);
        return saveAll(List.of(report), Reporter.PERSON, Optional.empty(), person)
                .get(0);
    }

    /**
     * What somebody of the business enters: an outcome that no other road reports.
     *
     * @param source where they know it came from
     * @return the outcome, which may be known already
     */
    @Transactional
    public UUID enter(OutcomeReport report, Optional<SourceListed> source, ToldConsent consent, String person) {
        Recorded recorded = saveAll(List.of(report), Reporter.PERSON, Optional.empty(), person)
                .get(0);
        if (recorded instanceof Recorded.Refused refused) {
            throw new IllegalArgumentException(refused.message());
        }
        UUID outcome = find(report.kind(), report.reference()).orElseThrow();
        source.ifPresent(known -> store.set(outcome, Optional.of(known.id()), known.name(), person));
        agreed(consent, List.of(report.told().email(), report.told().phone()), outcome, person);
        return outcome;
    }

    /** What the person behind an outcome agreed to when somebody asked them. */
    @Transactional
    public void agreed(ToldConsent consent, List<String> contacts, UUID outcome, String person) {
        consent.given(contacts, outcome, person).ifPresent(consents::give);
    }

    @Transactional(readOnly = true)
    public Optional<UUID> find(OutcomeKind kind, String reference) {
        return store.known(kind.key(), List.of(OutcomeReport.key(reference))).values().stream()
                .findFirst()
                .map(KnownOutcome::id);
    }

    /** Records many in one transaction, told of together. */
    @Transactional
    public List<Recorded> recordAll(List<OutcomeReport> reports, Reporter reporter) {
        return saveAll(reports, reporter, Optional.empty(), reporter.key());
    }

    /** What a partner's file or postback tells: without better evidence, the partner's source is what it came by. */
    @Transactional
    public List<Recorded> recordAll(List<OutcomeReport> reports, Reporter reporter, Optional<UUID> partner, String by) {
        return saveAll(reports, reporter, partner, by);
    }

    private List<Recorded> saveAll(List<OutcomeReport> reports, Reporter reporter, Optional<UUID> partner, String by) {
        List<Recorded> all = new ArrayList<>();
        List<UUID> fresh = new ArrayList<>();
        List<UUID> changed = new ArrayList<>();
        for (OutcomeReport report : reports) {
            Recorded recorded = store.save(report, reporter, partner, by);
            all.add(recorded);
            if (recorded instanceof Recorded.New one) {
                fresh.add(one.outcome());
            } else if (recorded instanceof Recorded.Changed one) {
                changed.add(one.outcome());
            }
        }
        if (!fresh.isEmpty()) {
            events.publishEvent(new OutcomesRecorded(BusinessScope.current(), fresh));
        }
        if (!changed.isEmpty()) {
            events.publishEvent(new OutcomesChanged(BusinessScope.current(), changed));
        }
        return List.copyOf(all);
    }

    /** Those that are known of these references, by what references are compared by. */
    @Transactional(readOnly = true)
    public Map<String, KnownOutcome> known(String kind, List<String> references) {
        return store.known(
                kind, references.stream().map(OutcomeReport::key).distinct().toList());
    }

    /**
     * Takes an outcome back as if it had never been reported; false, and nothing happens, if other news changed it since
     * or messages went out because of it.
     */
    @Transactional
    public boolean takeBack(UUID outcome) {
        return store.takeBack(outcome);
    }

    /** Keeps who reported it, as the site's own cookie tells. In the transaction that records it. */
    @Transactional
    public void by(UUID outcome, UUID visitor) {
        store.by(outcome, visitor);
    }

    /** By which form an outcome came. Answers whether it is a test's. In the transaction that records it. */
    @Transactional
    public boolean cameByForm(UUID outcome, UUID form) {
        return store.cameByForm(outcome, form);
    }

    /** The visit that an outcome waited for has arrived. True if it had none. */
    @Transactional
    public boolean joinVisit(UUID outcome, ClickId click) {
        boolean isJoined = store.joinVisit(outcome, click);
        if (isJoined) {
            events.publishEvent(new OutcomesChanged(BusinessScope.current(), List.of(outcome)));
        }
        return isJoined;
    }

    /**
     * What somebody of the business knows of where it came from goes before all evidence.
     *
     * @param source empty to take back what was set
     */
    @Transactional
    public void set(UUID outcome, Optional<UUID> source, String name, String person) {
        if (store.set(outcome, source, name, person)) {
            events.publishEvent(new OutcomesChanged(BusinessScope.current(), List.of(outcome)));
        }
    }

    /**
     * A partner said that this was theirs.
     *
     * @param isAgreed whether somebody of the business agrees, or takes that back
     * @return false if nothing changes, or if it is another partner's by its own claim
     */
    @Transactional
    public boolean claim(UUID outcome, UUID partner, boolean isAgreed, String person) {
        boolean isChanged = store.claim(outcome, partner, isAgreed, person);
        if (isChanged) {
            events.publishEvent(new OutcomesChanged(BusinessScope.current(), List.of(outcome)));
        }
        return isChanged;
    }

    /** What is known of how these visitors of the business's own site came has changed: their outcomes are credited anew. */
    @EventListener
    @Transactional
    public void on(ArrivalsAdopted adopted) {
        List<UUID> theirs = store.ofVisitors(adopted.visitors());
        if (!theirs.isEmpty()) {
            events.publishEvent(new OutcomesChanged(BusinessScope.current(), theirs));
        }
    }

    /** Makes an outcome what it was before; false, and nothing happens, if others changed it since {@code changedBy} did. */
    @Transactional
    public boolean restore(UUID outcome, KnownOutcome before, String changedBy, String by) {
        return restore(outcome, now -> before, changedBy, by);
    }

    /** Restores an outcome's earlier status, where nothing else of it is known. */
    @Transactional
    public boolean restore(UUID outcome, Standing before, String changedBy, String by) {
        return restore(outcome, now -> now.with(before), changedBy, by);
    }

    private boolean restore(UUID outcome, UnaryOperator<KnownOutcome> before, String changedBy, String by) {
        boolean isRestored = store.restore(outcome, before, changedBy, by);
        if (isRestored) {
            events.publishEvent(new OutcomesChanged(BusinessScope.current(), List.of(outcome)));
        }
        return isRestored;
    }
}
