package wendo.app.platform.sending;

import java.time.Clock;
import java.util.List;
import org.springframework.stereotype.Controller;
import org.springframework.web.bind.annotation.GetMapping;
import org.springframework.web.bind.annotation.PostMapping;
import org.springframework.web.bind.annotation.RequestMapping;
import org.springframework.web.bind.annotation.RequestParam;
import org.springframework.web.servlet.ModelAndView;
import org.springframework.web.servlet.mvc.support.RedirectAttributes;
import wendo.app.platform.accounts.Accounts;
import wendo.app.platform.accounts.Colleague;
import wendo.app.platform.accounts.CurrentPerson;
import wendo.app.platform.accounts.Needs;
import wendo.app.platform.accounts.Permission;
import wendo.app.platform.business.Business;
import wendo.app.platform.site.Installation;
import wendo.app.platform.site.Texts;
import wendo.app.platform.site.ViewRecord;

/** By what mail and texts go out, and whether they do. */
@Needs(Permission.SET_UP)
@Controller
@RequestMapping("/setup/sending")
class SendingController {
    private final Installation installation;
    private final Accounts accounts;
    private final Outbox outbox;
    private final SendingDomain domain;
    private final Clock clock;

    SendingController(Installation installation, Accounts accounts, Outbox outbox, SendingDomain domain, Clock clock) {
        this.domain = domain;
        this.installation = installation;
        this.accounts = accounts;
        this.outbox = outbox;
        this.clock = clock;
    }

    /**
     * @param waiting messages that were due a minute ago and did not go out
     * @param findings of the sending domain, if they were asked for
     */
    record SendingPage(
            String mailServer,
            String mailFrom,
            String gateway,
            long waiting,
            String domain,
            List<SendingDomain.Finding> findings) {}

    /** @param check asks the sending domain's records */
    @GetMapping
    ModelAndView page(@RequestParam(defaultValue = "") String check) {
        Installation.Mail mail = installation.mail();
        return ViewRecord.of(
                "platform/sending/page",
                new SendingPage(
                        mail.host().isEmpty() ? "" : mail.host() + ":" + mail.port(),
                        mail.from(),
                        installation.texts().address().replaceFirst("\\?.*$", ""),
                        outbox.overdue(clock.instant().minusSeconds(60)),
                        domain.domain(),
                        check.equals("domain") ? domain.check() : List.of()));
    }

    @PostMapping("/test")
    String test(CurrentPerson person, Business business, RedirectAttributes notes) {
        String email = accounts.colleagues().stream()
                .filter(one -> one.id().equals(person.id()))
                .map(Colleague::email)
                .findFirst()
                .orElseThrow();
        outbox.alert(
                email,
                Texts.of("platform.sending.test-subject"),
                Texts.of("platform.sending.test-body", business.name()),
                clock.instant());
        notes.addFlashAttribute("said", Texts.of("platform.sending.test-sent", email));
        return "redirect:/setup/sending";
    }
}
