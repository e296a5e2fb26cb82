package wendo.app.place.subscribers;

import java.util.UUID;
import org.springframework.stereotype.Component;
import wendo.app.platform.business.Businesses;
import wendo.app.platform.sending.Outbox;
import wendo.app.platform.site.Installation;
import wendo.app.platform.site.Texts;

/** The mail that asks whether it was they who subscribed, in the language of the page where they did. */
@Component
class ConfirmationMail {
    private final Outbox outbox;
    private final Businesses businesses;
    private final String origin;

    ConfirmationMail(Outbox outbox, Businesses businesses, Installation installation) {
        this.outbox = outbox;
        this.businesses = businesses;
        this.origin = installation.linkOrigin();
    }

    void send(NewsletterLists.Listed list, Joiner joiner, UUID request) {
        String business = businesses.current().name();
        outbox.confirm(
                joiner.email(),
                Texts.of("place.subscribers.mail.subject", list.name()),
                Texts.of(
                        "place.subscribers.mail.body",
                        joiner.words(),
                        business,
                        origin + "/t/join/" + request,
                        list.confirmWithin().toDays()));
    }
}
