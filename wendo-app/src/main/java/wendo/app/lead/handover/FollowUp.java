package wendo.app.lead.handover;

import java.time.Clock;
import java.time.Duration;
import java.util.List;
import java.util.Map;
import java.util.Optional;
import org.springframework.stereotype.Component;
import wendo.app.lead.leads.Leads;
import wendo.app.platform.business.Businesses;
import wendo.app.platform.consent.ConsentPurpose;
import wendo.app.platform.consent.Consents;
import wendo.app.platform.sending.Draft;
import wendo.app.platform.sending.MessageType;
import wendo.app.platform.sending.Outbox;
import wendo.app.platform.site.Texts;
import wendo.core.handover.SendingHours;
import wendo.core.media.MergeText;

/**
 * Begins the plan of a lead: its tasks, and its messages as far as they may be sent. Anybody can fill in a form with
 * another's address, so what goes out by itself has limits. Runs in the transaction of its caller.
 */
@Component
class FollowUp {
    /** Whoever asks twice within this time is written to once; so is somebody whose address others type. */
    private static final Duration ONE_PLAN_WITHIN = Duration.ofDays(7);

    /** More leads than this within an hour are a flood: a person decides whether they are written to. */
    static final int PLANS_AN_HOUR = 200;

    private final Businesses businesses;
    private final Leads leads;
    private final Outbox outbox;
    private final Consents consents;
    private final Clock clock;

    FollowUp(Businesses businesses, Leads leads, Outbox outbox, Consents consents, Clock clock) {
        this.businesses = businesses;
        this.leads = leads;
        this.outbox = outbox;
        this.consents = consents;
        this.clock = clock;
    }

    void begin(Arrived lead, List<Plans.Step> steps, Map<String, String> fields) {
        SendingHours hours = businesses.sendingHours();
        boolean isFlood = outbox.plansBegunSince(clock.instant().minus(Duration.ofHours(1))) >= PLANS_AN_HOUR;
        int place = 0;
        for (Plans.Step step : steps) {
            Draft draft = new Draft(
                    lead.id(),
                    "plan",
                    place,
                    MessageType.of(step.kind().equals("task") ? "email" : step.kind()),
                    step.kind().equals("email") ? lead.email() : lead.phone(),
                    new MergeText(step.subject()).fill(fields),
                    new MergeText(step.body()).fill(fields),
                    step.clip(),
                    hours.due(lead.at(), step.delay()),
                    Plans.needs(step));
            if (step.kind().equals("task")) {
                leads.addTask(lead.id(), Optional.of(place), draft.body(), draft.dueAt());
            } else {
                send(draft, isFlood);
            }
            place++;
        }
    }

    private void send(Draft draft, boolean isFlood) {
        Optional<String> hindrance = isFlood
                ? Optional.of(Texts.of("lead.handover.more-than-leads-came-within", PLANS_AN_HOUR))
                : hindrance(draft);
        hindrance.ifPresentOrElse(
                why -> leads.note(
                        draft.lead(), "Wendo", Texts.of("lead.handover.step-of-the-follow-up", draft.place() + 1, why)),
                () -> outbox.put(draft));
    }

    private Optional<String> hindrance(Draft draft) {
        String to = draft.recipient();
        if (to.isEmpty()) {
            return Optional.of(Texts.of("lead.handover.there-is-no-address-for"));
        }
        if (outbox.isOptedOut(to)) {
            return Optional.of(Texts.of("lead.handover.they-want-no-more-messages"));
        }
        Optional<ConsentPurpose> missing = draft.needs().filter(purpose -> !consents.allows(to, purpose));
        if (missing.isPresent()) {
            return missing.map(purpose -> Texts.of("lead.handover.no-consent-to-is-on", purpose.inWords(), to));
        }
        return outbox.isWrittenTo(to, draft.lead(), clock.instant().minus(ONE_PLAN_WITHIN))
                ? Optional.of(Texts.of("lead.handover.began-lately", to))
                : Optional.empty();
    }
}
