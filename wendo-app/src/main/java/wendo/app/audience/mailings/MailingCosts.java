package wendo.app.audience.mailings;

import java.time.LocalDate;
import java.util.OptionalLong;
import java.util.UUID;
import org.springframework.stereotype.Component;
import org.springframework.transaction.annotation.Transactional;
import wendo.app.issue.links.LinkListed;
import wendo.app.issue.links.LinkSaving;
import wendo.app.money.spend.Spends;
import wendo.app.platform.site.Texts;
import wendo.core.measure.LumpSpend;
import wendo.core.measure.Period;

/** What sending a mailing costs, and what of it is entered as spend. */
@Component
class MailingCosts {
    private final MailingRepository repository;
    private final MailingSample samples;
    private final LinkSaving links;
    private final Spends spends;

    MailingCosts(MailingRepository repository, MailingSample samples, LinkSaving links, Spends spends) {
        this.repository = repository;
        this.samples = samples;
        this.links = links;
        this.spends = spends;
    }

    /** Of the texts that have left; empty for mails and where no price was told. */
    OptionalLong of(MailingForm form, long sent) {
        return form.costMinor(MailingText.segments(form, samples.of(form)) * sent);
    }

    /** Enters a cost as spend of the mailing's link; of two who do it at once the later finds it done. */
    @Transactional
    void enter(UUID id, long minor, LocalDate day, String by) {
        Mailing mailing = repository.lock(id).orElseThrow();
        if (minor > 0 && mailing.state().isOver() && mailing.spend().isEmpty()) {
            LinkListed link = links.find(mailing.form().link()).orElseThrow();
            LumpSpend cost = new LumpSpend(minor, new Period(day, day.plusDays(1)));
            mailing.cost(spends.enter(
                    new Spends.LinkCost(link.belongs().source(), link.id(), cost),
                    Texts.of("audience.mailings.spend-note", mailing.form().name()),
                    by));
        }
    }
}
