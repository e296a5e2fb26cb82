package wendo.app.audience.mailings;

import java.time.LocalDate;
import java.util.Comparator;
import java.util.List;
import java.util.Optional;
import java.util.OptionalLong;
import java.util.UUID;
import java.util.function.Consumer;
import java.util.stream.Stream;
import org.springframework.http.HttpStatus;
import org.springframework.stereotype.Controller;
import org.springframework.web.bind.annotation.GetMapping;
import org.springframework.web.bind.annotation.PathVariable;
import org.springframework.web.bind.annotation.PostMapping;
import org.springframework.web.bind.annotation.RequestMapping;
import org.springframework.web.server.ResponseStatusException;
import org.springframework.web.servlet.ModelAndView;
import org.springframework.web.servlet.mvc.support.RedirectAttributes;
import wendo.app.audience.audiences.AudiencePeople;
import wendo.app.issue.links.LinkListed;
import wendo.app.issue.links.LinkSaving;
import wendo.app.platform.accounts.Needs;
import wendo.app.platform.accounts.PageContext;
import wendo.app.platform.accounts.Permission;
import wendo.app.platform.business.Business;
import wendo.app.platform.site.Figures;
import wendo.app.platform.site.Texts;
import wendo.app.platform.site.TypedFields;
import wendo.app.platform.site.ViewRecord;
import wendo.core.outcomes.OutcomeKind;

/** A mailing from its test on oneself to what it brought. */
@Needs(Permission.SET_UP)
@Controller
@RequestMapping("/audiences")
class MailingRunController {
    private static final int USUAL_DAYS = 30;

    private final Mailings mailings;
    private final MailingTests tests;
    private final MailingSample samples;
    private final MailingCosts costs;
    private final AudiencePeople audiences;
    private final MatchBackQueries matchBack;
    private final MailingTakings takings;
    private final LinkSaving links;

    MailingRunController(
            Mailings mailings,
            MailingTests tests,
            MailingSample samples,
            MailingCosts costs,
            AudiencePeople audiences,
            MatchBackQueries matchBack,
            MailingTakings takings,
            LinkSaving links) {
        this.mailings = mailings;
        this.tests = tests;
        this.samples = samples;
        this.costs = costs;
        this.audiences = audiences;
        this.matchBack = matchBack;
        this.takings = takings;
        this.links = links;
    }

    record MailingPage(
            Mailings.Listed mailing,
            AudiencePeople.Named audience,
            Optional<LinkListed> link,
            MailingText.Finished sample,
            MailingMessages.Progress progress,
            List<MailingResult> results,
            String value,
            OptionalLong costMinor,
            int days) {}

    @GetMapping("/mailings/{id}")
    ModelAndView page(@PathVariable UUID id, TypedFields asked, PageContext context) {
        Mailings.Listed mailing = find(id);
        int days = asked.text("days").matches("[1-9]\\d{0,2}") ? Integer.parseInt(asked.text("days")) : USUAL_DAYS;
        Business business = context.business();
        Figures figures = new Figures(business.currency(), business.zone(), business.locale());
        List<MailingResult> results = mailing.list().stream()
                .flatMap(list -> Stream.of(OutcomeKind.values())
                        .flatMap(kind -> matchBack.list(list, kind, days).stream()
                                .map(found -> MailingResult.of(kind, found, figures))))
                .sorted(Comparator.comparingLong(
                                (MailingResult one) -> one.found().mailedActed())
                        .reversed())
                .toList();
        MailingMessages.Progress progress = mailings.progress(id);
        return ViewRecord.of(
                "audience/mailings/page",
                new MailingPage(
                        mailing,
                        audiences.find(mailing.audience()).orElseThrow(MailingRunController::missing),
                        links.find(mailing.form().link()),
                        samples.of(mailing.form()),
                        progress,
                        results,
                        mailing.list()
                                .map(list -> takings.of(list, days).said(figures))
                                .orElse(""),
                        costs.of(mailing.form(), progress.sent()),
                        days));
    }

    @PostMapping("/mailings/{id}/test")
    String test(@PathVariable UUID id, TypedFields typed, PageContext context, RedirectAttributes notes) {
        Mailings.Listed mailing = find(id);
        Optional<String> fault =
                tests.send(mailing.form(), typed.text("to"), context.person().name(), context.business());
        notes.addFlashAttribute(
                fault.isPresent() ? "testFault" : "testSent",
                fault.orElse(Texts.of("audience.mailings.test-sent", typed.text("to"))));
        return "redirect:/audiences/mailings/" + id + "#test";
    }

    @PostMapping("/mailings/{id}/start")
    String start(@PathVariable UUID id) {
        return step(id, mailings::start);
    }

    @PostMapping("/mailings/{id}/cost")
    String enterCost(@PathVariable UUID id, PageContext context) {
        Mailings.Listed mailing = find(id);
        LocalDate day = mailing.startedAt()
                .orElseThrow(MailingRunController::missing)
                .atZone(context.business().zone())
                .toLocalDate();
        costs.of(mailing.form(), mailings.progress(id).sent())
                .ifPresent(minor -> costs.enter(id, minor, day, context.person().name()));
        return "redirect:/audiences/mailings/" + id;
    }

    @PostMapping("/mailings/{id}/pause")
    String pause(@PathVariable UUID id) {
        return step(id, mailings::pause);
    }

    @PostMapping("/mailings/{id}/resume")
    String resume(@PathVariable UUID id) {
        return step(id, mailings::resume);
    }

    @PostMapping("/mailings/{id}/stop")
    String stop(@PathVariable UUID id) {
        return step(id, mailings::stop);
    }

    private String step(UUID id, Consumer<UUID> step) {
        find(id);
        step.accept(id);
        return "redirect:/audiences/mailings/" + id;
    }

    private Mailings.Listed find(UUID id) {
        return mailings.find(id).orElseThrow(MailingRunController::missing);
    }

    private static ResponseStatusException missing() {
        return new ResponseStatusException(HttpStatus.NOT_FOUND);
    }
}
