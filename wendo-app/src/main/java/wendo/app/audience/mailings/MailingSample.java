package wendo.app.audience.mailings;

import java.util.Optional;
import org.springframework.stereotype.Component;
import wendo.app.issue.links.LinkListed;
import wendo.app.issue.links.LinkSaving;
import wendo.app.platform.site.Texts;

/** What one person would get of a mailing. */
@Component
class MailingSample {
    private static final String CODE = "x7k2p9";

    private final LinkSaving links;

    MailingSample(LinkSaving links) {
        this.links = links;
    }

    MailingText.Finished of(MailingForm form) {
        Optional<String> address = links.find(form.link()).map(LinkListed::url);
        return new MailingText(form, address.orElse(Texts.of("audience.mailings.the-link")))
                .of(Texts.of("audience.mailings.sample-name"), address.isPresent() ? CODE : "");
    }
}
