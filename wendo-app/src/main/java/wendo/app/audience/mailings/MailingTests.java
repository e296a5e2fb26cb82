package wendo.app.audience.mailings;

import java.util.Optional;
import org.springframework.stereotype.Component;
import org.springframework.transaction.annotation.Transactional;
import wendo.app.issue.links.LinkListed;
import wendo.app.issue.links.LinkSaving;
import wendo.app.place.proofs.Proofs;
import wendo.app.platform.business.Business;
import wendo.app.platform.sending.MessageType;
import wendo.app.platform.sending.Outbox;
import wendo.app.platform.site.Installation;
import wendo.app.platform.site.Texts;
import wendo.core.media.EmailAddress;
import wendo.core.media.PhoneNumber;

/** A mailing tried on oneself: the same words, with an address that keeps one's own taps out of the figures. */
@Component
class MailingTests {
    private final LinkSaving links;
    private final Proofs proofs;
    private final Outbox outbox;
    private final String origin;

    MailingTests(LinkSaving links, Proofs proofs, Outbox outbox, Installation installation) {
        this.links = links;
        this.proofs = proofs;
        this.outbox = outbox;
        this.origin = installation.linkOrigin();
    }

    /** Answers what is wrong with where it should go. */
    @Transactional
    Optional<String> send(MailingForm form, String to, String by, Business business) {
        Optional<String> contact = form.road() == MessageType.EMAIL
                ? EmailAddress.find(to).map(EmailAddress::value)
                : PhoneNumber.find(to, business.locale().getCountry()).map(PhoneNumber::value);
        if (contact.isEmpty()) {
            return Optional.of(
                    Texts.of("audience.mailings.test-address", form.road().key()));
        }
        LinkListed link = links.find(form.link()).orElseThrow();
        MailingText.Finished finished = new MailingText(form, link.url()).of(by, "");
        String body = finished.body() + "\n\n"
                + Texts.of("audience.mailings.test-note", origin + proofs.begin(link.id(), by));
        outbox.tryOut(form.road(), contact.get(), Texts.of("audience.mailings.test-subject", finished.subject()), body);
        return Optional.empty();
    }
}
