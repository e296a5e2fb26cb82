package wendo.app.money.partners;

import java.time.Clock;
import java.time.LocalDate;
import java.util.LinkedHashMap;
import java.util.List;
import java.util.Map;
import java.util.Optional;
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
import org.springframework.web.servlet.support.ServletUriComponentsBuilder;
import wendo.app.platform.accounts.Confirmed;
import wendo.app.platform.accounts.Needs;
import wendo.app.platform.accounts.PageContext;
import wendo.app.platform.accounts.Permission;
import wendo.app.platform.business.Business;
import wendo.app.platform.business.EditedVersion;
import wendo.app.platform.business.UniqueKey;
import wendo.app.platform.site.Amount;
import wendo.app.platform.site.EditConflict;
import wendo.app.platform.site.Figures;
import wendo.app.platform.site.InvalidForm;
import wendo.app.platform.site.Texts;
import wendo.app.platform.site.TypedFields;
import wendo.app.platform.site.ViewRecord;
import wendo.core.outcomes.OutcomeKind;
import wendo.core.partners.Iban;

/** What was agreed with a partner, who it is and how it is paid. */
@Needs(Permission.SET_UP)
@Controller
@RequestMapping("/partners/{id}")
class TermsController {
    private static final int TRIAL_DAYS = 90;

    private final Partners partners;
    private final PartnerQueries queries;
    private final Clock clock;

    TermsController(Partners partners, PartnerQueries queries, Clock clock) {
        this.partners = partners;
        this.queries = queries;
        this.clock = clock;
    }

    /** A version in words. */
    record Version(UUID id, String way, List<String> words, String days, String by, boolean isOpen) {}

    record TermsPage(
            PartnerQueries.Row row,
            List<Version> versions,
            TermsForm form,
            OutcomeKind[] kinds,
            Optional<Partners.Trial> trial) {}

    record DetailsPage(
            PartnerQueries.Row row,
            int version,
            Map<String, String> typed,
            Map<String, String> faults,
            List<String> languages,
            String origin) {}

    @GetMapping("/terms")
    ModelAndView terms(@PathVariable UUID id, PageContext context) {
        LocalDate today = context.business().today(clock);
        TermsForm form = partners.terms(id).stream()
                .findFirst()
                .map(last -> TermsForm.of(today, last.agreed(), context.business()))
                .orElseGet(() -> TermsForm.of(today));
        return terms(id, form, Optional.empty(), context);
    }

    /** Tried out first, if that button was pressed. */
    @PostMapping("/terms")
    ModelAndView agree(@PathVariable UUID id, TypedFields typed, PageContext context) {
        find(id, context);
        TermsForm.Judged judged = TermsForm.check(typed, context.business(), partners.firstOpen(id));
        if (judged.agreed().isEmpty()) {
            return InvalidForm.of(terms(id, judged.form(), Optional.empty(), context));
        }
        if (typed.isSent("try")) {
            return terms(id, judged.form(), Optional.of(partners.tryOut(id, judged.agreed(), TRIAL_DAYS)), context);
        }
        if (UniqueKey.refuses(
                () -> partners.agree(id, judged.agreed(), context.person().name()))) {
            Map<String, String> faults = Map.of("firstDay", Texts.of("money.partners.terms-of-day-exist"));
            return InvalidForm.of(terms(id, new TermsForm(typed, faults), Optional.empty(), context));
        }
        return new ModelAndView("redirect:/partners/%s/terms".formatted(id));
    }

    @PostMapping("/terms/{version}/remove")
    String withdraw(@PathVariable UUID id, @PathVariable UUID version, PageContext context) {
        find(id, context);
        partners.withdraw(id, version);
        return "redirect:/partners/%s/terms".formatted(id);
    }

    @GetMapping("/details")
    ModelAndView details(@PathVariable UUID id, PageContext context) {
        return details(id, stored(known(id), context), Map.of(), context);
    }

    @PostMapping("/details")
    ModelAndView meet(@PathVariable UUID id, TypedFields typed, PageContext context) {
        Partners.Known before = known(id);
        PartnerForm.Judged<PartnerForm.Contact> judged = PartnerForm.contact(typed, context.business());
        if (!judged.faults().isEmpty()) {
            return InvalidForm.of(details(id, merged(before, typed, context), judged.faults(), context));
        }
        try {
            partners.meet(id, EditedVersion.of(typed.raw("version")), judged.checked());
        } catch (OptimisticLockingFailureException e) {
            return conflict(id, typed, context);
        }
        return new ModelAndView("redirect:/partners/%s/details".formatted(id));
    }

    /** Where money goes is the owners' matter, and they show first that it is they. */
    @Confirmed
    @Needs(Permission.OWN)
    @PostMapping("/payout")
    ModelAndView payBy(@PathVariable UUID id, TypedFields typed, PageContext context) {
        Partners.Known before = known(id);
        PartnerForm.Judged<PayoutDetails> judged = PartnerForm.payout(typed, context.business());
        if (!judged.faults().isEmpty()) {
            return InvalidForm.of(details(id, merged(before, typed, context), judged.faults(), context));
        }
        try {
            partners.payBy(id, EditedVersion.of(typed.raw("version")), judged.checked());
        } catch (OptimisticLockingFailureException e) {
            return conflict(id, typed, context);
        }
        return new ModelAndView("redirect:/partners/%s/details".formatted(id));
    }

    @PostMapping("/page")
    String openPage(@PathVariable UUID id, TypedFields typed, PageContext context) {
        find(id, context);
        if (typed.is("page", "close")) {
            partners.closePage(id);
        } else {
            partners.openPage(id, new PageLook(typed.is("values", "yes"), typed.is("byCode", "yes")));
        }
        return "redirect:/partners/%s/details".formatted(id);
    }

    private ModelAndView conflict(UUID id, TypedFields typed, PageContext context) {
        Partners.Known theirs = known(id);
        Map<String, String> stored = stored(theirs, context);
        stored.keySet().retainAll(typed.firstValues().keySet());
        return EditConflict.of(
                details(id, merged(theirs, typed, context), EditConflict.marks(typed, stored), context),
                "/partners/%s/details".formatted(id));
    }

    /** What one form of the page typed, and what is stored in the fields of the other. */
    private static Map<String, String> merged(Partners.Known known, TypedFields typed, PageContext context) {
        Map<String, String> merged = new LinkedHashMap<>(stored(known, context));
        merged.putAll(typed.firstValues());
        return merged;
    }

    private static Map<String, String> stored(Partners.Known known, PageContext context) {
        Business business = context.business();
        PayoutDetails payout = known.payout();
        Map<String, String> stored = new LinkedHashMap<>();
        stored.put("contact", known.contact().name());
        stored.put("email", known.contact().email());
        stored.put("phone", known.contact().phone());
        stored.put("language", known.contact().language());
        stored.put("note", known.contact().note());
        stored.put("values", known.look().withValues() ? "yes" : "");
        stored.put("byCode", known.look().byCode() ? "yes" : "");
        stored.put("token", known.pageToken().orElse(""));
        if (context.person().may(Permission.OWN)) {
            stored.put("payout", payout.way().key());
            stored.put("accountName", payout.accountName());
            stored.put("iban", Iban.find(payout.iban()).map(Iban::grouped).orElse(""));
            stored.put("bic", payout.bic());
            stored.put("payoutOther", payout.other());
            stored.put(
                    "minimum",
                    payout.minimumMinor() == 0
                            ? ""
                            : Amount.typed(payout.minimumMinor(), business.currency(), business.locale()));
            stored.put("taxNumber", payout.tax().number());
            stored.put("taxNote", payout.tax().note());
            stored.put("selfBilling", payout.tax().selfBilling() ? "yes" : "");
            stored.put(
                    "taxPercent",
                    payout.tax().percent().signum() == 0
                            ? ""
                            : payout.tax().percent().stripTrailingZeros().toPlainString());
        }
        return stored;
    }

    private ModelAndView terms(UUID id, TermsForm form, Optional<Partners.Trial> trial, PageContext context) {
        Business business = context.business();
        Figures figures = new Figures(business.currency(), business.zone(), business.locale());
        return ViewRecord.of(
                "money/partners/terms",
                new TermsPage(
                        find(id, context),
                        partners.terms(id).stream()
                                .map(one -> new Version(
                                        one.id(),
                                        one.agreed().way().label(),
                                        TermsWords.of(one.agreed().terms(), figures),
                                        TermsWords.days(one.agreed(), figures),
                                        one.by(),
                                        one.isOpen()))
                                .toList(),
                        form,
                        new OutcomeKind[] {OutcomeKind.LEAD, OutcomeKind.BOOKING, OutcomeKind.PURCHASE},
                        trial));
    }

    private ModelAndView details(UUID id, Map<String, String> typed, Map<String, String> faults, PageContext context) {
        return ViewRecord.of(
                "money/partners/details",
                new DetailsPage(
                        find(id, context),
                        known(id).version(),
                        typed,
                        faults,
                        Texts.PUBLIC.stream().map(java.util.Locale::getLanguage).toList(),
                        ServletUriComponentsBuilder.fromCurrentContextPath().toUriString()));
    }

    private Partners.Known known(UUID id) {
        return partners.find(id).orElseThrow(TermsController::absent);
    }

    private PartnerQueries.Row find(UUID id, PageContext context) {
        return queries.find(id, context.period(), context.business().today(clock))
                .orElseThrow(TermsController::absent);
    }

    private static ResponseStatusException absent() {
        return new ResponseStatusException(HttpStatus.NOT_FOUND);
    }
}
