package wendo.app.audience.audiences;

import java.util.List;
import org.springframework.context.event.EventListener;
import org.springframework.scheduling.annotation.Async;
import org.springframework.stereotype.Component;
import wendo.app.credit.OutcomesCredited;
import wendo.app.place.messages.RecipientsGiven;
import wendo.app.place.subscribers.SubscriberJoined;
import wendo.app.platform.business.BusinessScope;
import wendo.app.platform.consent.ConsentRecorded;
import wendo.app.platform.consent.ConsentWithdrawn;
import wendo.app.platform.sending.ContactUnreachable;
import wendo.app.visit.visits.VisitsStored;

/** Hears of whatever changes what is known of people. */
@Component
class AudienceListener {
    private final PeopleIndex people;
    private final BusinessScope scope;

    AudienceListener(PeopleIndex people, BusinessScope scope) {
        this.people = people;
        this.scope = scope;
    }

    @EventListener
    void on(OutcomesCredited event) {
        people.noteOutcomes(event.outcomes());
    }

    @EventListener
    void on(RecipientsGiven event) {
        people.note(event.contacts());
    }

    @EventListener
    void on(SubscriberJoined event) {
        people.note(List.of(event.email()));
    }

    @EventListener
    void on(ConsentRecorded event) {
        people.note(event.contacts());
    }

    @EventListener
    void on(ConsentWithdrawn event) {
        people.note(List.of(event.contact()));
    }

    @EventListener
    void on(ContactUnreachable event) {
        people.note(List.of(event.contact()));
    }

    /** Visits wait for nobody. */
    @Async
    @EventListener
    void on(VisitsStored event) {
        people.noteVisits(event.owners(), event.clicks());
    }
}
