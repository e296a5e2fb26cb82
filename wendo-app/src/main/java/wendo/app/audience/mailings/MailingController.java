package wendo.app.audience.mailings;

import java.util.List;
import java.util.Map;
import java.util.Optional;
import java.util.OptionalLong;
import java.util.UUID;
import org.springframework.dao.OptimisticLockingFailureException;
import org.springframework.http.HttpStatus;
import org.springframework.stereotype.Controller;
import org.springframework.web.bind.annotation.GetMapping;
import org.springframework.web.bind.annotation.PathVariable;
import org.springframework.web.bind.annotation.PostMapping;
import org.springframework.web.bind.annotation.RequestMapping;
import org.springframework.web.server.ResponseStatusException;
import org.springframework.web.servlet.ModelAndView;
import wendo.app.audience.audiences.AudiencePeople;
import wendo.app.place.messages.Messages;
import wendo.app.platform.accounts.Needs;
import wendo.app.platform.accounts.PageContext;
import wendo.app.platform.accounts.Permission;
import wendo.app.platform.business.Businesses;
import wendo.app.platform.business.EditedVersion;
import wendo.app.platform.site.EditConflict;
import wendo.app.platform.site.InvalidForm;
import wendo.app.platform.site.Texts;
import wendo.app.platform.site.TypedFields;
import wendo.app.platform.site.ViewRecord;

/** Mailings while they are written, and the list of all. */
@Needs(Permission.SET_UP)
@Controller
@RequestMapping("/audiences")
class MailingController {
    private static final String LOOK = "op";

    private final Mailings mailings;
    private final AudiencePeople audiences;
    private final MailingSample samples;
    private final MailingLinks choices;
    private final Messages messages;
    private final Businesses businesses;

    MailingController(
            Mailings mailings,
            AudiencePeople audiences,
            MailingSample samples,
            MailingLinks choices,
            Messages messages,
            Businesses businesses) {
        this.mailings = mailings;
        this.audiences = audiences;
        this.samples = samples;
        this.choices = choices;
        this.messages = messages;
        this.businesses = businesses;
    }

    record Row(Mailings.Listed mailing, String audience, MailingMessages.Progress progress) {}

    record ListPage(List<Row> rows) {}

    /**
     * @param sample what one person would get
     * @param segments of a text message; 0 for an e-mail
     * @param costMinor of all of them, if the price of one is known
     * @param reachable people of the audience who agreed to be written to in this way; {@code heldOut} of them get nothing
     */
    record EditPage(
            String action,
            Optional<Mailings.Listed> mailing,
            AudiencePeople.Named audience,
            Map<String, String> typed,
            int version,
            List<MailingLinks.Choice> choices,
            MailingText.Finished sample,
            int segments,
            OptionalLong costMinor,
            long reachable,
            long heldOut,
            Map<String, String> faults) {}

    @GetMapping("/mailings")
    ModelAndView list() {
        return ViewRecord.of(
                "audience/mailings/list",
                new ListPage(mailings.newest().stream()
                        .map(one -> new Row(one, audience(one.audience()).name(), mailings.progress(one.id())))
                        .toList()));
    }

    @GetMapping("/{audience}/mailings/new")
    ModelAndView begin(@PathVariable UUID audience, PageContext context) {
        Map<String, String> typed = Map.of(
                "road",
                "email",
                "heldOut",
                "10",
                "perMinute",
                "300",
                "spares",
                "yes",
                "price",
                messages.usualPrice(context.business()),
                "body",
                Texts.of("audience.mailings.usual-body"));
        return edit(
                new Edited("/audiences/" + audience + "/mailings/new", audience, Optional.empty(), 0, typed), Map.of());
    }

    /** What the form shows. */
    private record Edited(
            String action, UUID audience, Optional<Mailings.Listed> mailing, int version, Map<String, String> typed) {
        /** What was shown first stays what is compared with: a look at it is no new beginning. */
        Edited at(int shown) {
            return new Edited(action, audience, mailing, shown, typed);
        }
    }

    private ModelAndView edit(Edited edited, Map<String, String> faults) {
        AudiencePeople.Named audience = audience(edited.audience());
        MailingForm form = MailingForm.read(TypedFields.of(edited.typed()), businesses.current())
                .form();
        MailingText.Finished sample = samples.of(form);
        long reachable = audiences.countReachable(edited.audience(), form.needs());
        long heldOut = reachable * form.heldOutPercent() / 100;
        int segments = MailingText.segments(form, sample);
        return ViewRecord.of(
                "audience/mailings/edit",
                new EditPage(
                        edited.action(),
                        edited.mailing(),
                        audience,
                        edited.typed(),
                        edited.version(),
                        choices.choices(form.link()),
                        sample,
                        segments,
                        form.costMinor(segments * (reachable - heldOut)),
                        reachable,
                        heldOut,
                        faults));
    }

    @PostMapping("/{audience}/mailings/new")
    ModelAndView add(@PathVariable UUID audience, TypedFields typed, PageContext context) {
        Edited edited = new Edited(
                "/audiences/" + audience + "/mailings/new", audience, Optional.empty(), 0, typed.firstValues());
        MailingForm.Read read = MailingForm.read(typed, context.business());
        if (typed.isSent(LOOK)) {
            return edit(edited, Map.of());
        }
        if (!read.faults().isEmpty()) {
            return InvalidForm.of(edit(edited, read.faults()));
        }
        audience(audience);
        return new ModelAndView("redirect:/audiences/mailings/"
                + mailings.add(audience, read.form(), context.person().name()));
    }

    @GetMapping("/mailings/{id}/edit")
    ModelAndView change(@PathVariable UUID id) {
        Mailings.Listed mailing = draft(id);
        return edit(edited(mailing, mailing.form().fields(businesses.current())), Map.of());
    }

    private static Edited edited(Mailings.Listed mailing, Map<String, String> typed) {
        return new Edited(
                "/audiences/mailings/" + mailing.id() + "/edit",
                mailing.audience(),
                Optional.of(mailing),
                mailing.version(),
                typed);
    }

    @PostMapping("/mailings/{id}/edit")
    ModelAndView save(@PathVariable UUID id, TypedFields typed) {
        Mailings.Listed mailing = draft(id);
        MailingForm.Read read = MailingForm.read(typed, businesses.current());
        EditedVersion version = EditedVersion.of(typed.text("version"));
        Edited edited = edited(mailing, typed.firstValues()).at(version.number().orElse(mailing.version()));
        if (typed.isSent(LOOK)) {
            return edit(edited, Map.of());
        }
        if (!read.faults().isEmpty()) {
            return InvalidForm.of(edit(edited, read.faults()));
        }
        try {
            if (!mailings.change(id, version, read.form())) {
                throw new ResponseStatusException(HttpStatus.CONFLICT, Texts.of("audience.mailings.no-draft"));
            }
        } catch (OptimisticLockingFailureException e) {
            Mailings.Listed theirs = find(id);
            return EditConflict.of(
                    edit(
                            edited(theirs, typed.firstValues()),
                            EditConflict.marks(typed, theirs.form().fields(businesses.current()))),
                    edited.action());
        }
        return new ModelAndView("redirect:/audiences/mailings/" + id);
    }

    private Mailings.Listed draft(UUID id) {
        Mailings.Listed mailing = find(id);
        if (!mailing.state().isDraft()) {
            throw new ResponseStatusException(HttpStatus.CONFLICT, Texts.of("audience.mailings.no-draft"));
        }
        return mailing;
    }

    private Mailings.Listed find(UUID id) {
        return mailings.find(id).orElseThrow(MailingController::missing);
    }

    private AudiencePeople.Named audience(UUID id) {
        return audiences.find(id).orElseThrow(MailingController::missing);
    }

    private static ResponseStatusException missing() {
        return new ResponseStatusException(HttpStatus.NOT_FOUND);
    }
}
