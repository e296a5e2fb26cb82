package wendo.app.platform.privacy;

import java.util.Arrays;
import java.util.EnumMap;
import java.util.HashMap;
import java.util.List;
import java.util.Map;
import java.util.stream.Collectors;
import org.springframework.dao.OptimisticLockingFailureException;
import org.springframework.stereotype.Controller;
import org.springframework.web.bind.annotation.GetMapping;
import org.springframework.web.bind.annotation.PostMapping;
import org.springframework.web.bind.annotation.RequestMapping;
import org.springframework.web.servlet.ModelAndView;
import org.springframework.web.servlet.mvc.support.RedirectAttributes;
import wendo.app.platform.accounts.Confirmed;
import wendo.app.platform.accounts.Needs;
import wendo.app.platform.accounts.Permission;
import wendo.app.platform.business.Businesses;
import wendo.app.platform.business.EditedVersion;
import wendo.app.platform.business.UniqueKey;
import wendo.app.platform.site.EditConflict;
import wendo.app.platform.site.InvalidForm;
import wendo.app.platform.site.Texts;
import wendo.app.platform.site.TypedFields;
import wendo.app.platform.site.ViewRecord;

/** How long personal data is kept, and what would go because of it. */
@Needs(Permission.OWN)
@Controller
@RequestMapping("/setup/privacy/retention")
class RetentionController {
    private static final String PAGE = "/setup/privacy/retention";

    private final Retention retention;
    private final Businesses businesses;

    RetentionController(Retention retention, Businesses businesses) {
        this.retention = retention;
        this.businesses = businesses;
    }

    record RetentionPage(
            List<RetainedKind> kinds,
            Map<RetainedKind, Integer> months,
            List<Integer> choices,
            Map<RetainedKind, Integer> due,
            int visitMonths,
            int version,
            Map<String, String> faults) {}

    /** What is chosen but not saved yet is previewed. */
    @GetMapping
    ModelAndView page(TypedFields typed) {
        Retention.Shown shown = retention.shown();
        return show(months(typed, shown.months()), shown.version(), Map.of());
    }

    private static Map<RetainedKind, Integer> months(TypedFields typed, Map<RetainedKind, Integer> otherwise) {
        Map<RetainedKind, Integer> months = new EnumMap<>(otherwise);
        for (RetainedKind kind : RetainedKind.values()) {
            RetainedKind.MONTHS.stream()
                    .filter(choice -> typed.is(kind.key(), choice.toString()))
                    .forEach(choice -> months.put(kind, choice));
        }
        return months;
    }

    private ModelAndView show(Map<RetainedKind, Integer> months, int version, Map<String, String> faults) {
        return ViewRecord.of(
                "platform/privacy/retention",
                new RetentionPage(
                        Arrays.asList(RetainedKind.values()),
                        months,
                        RetainedKind.MONTHS.stream().sorted().toList(),
                        retention.due(months),
                        businesses.visitKeeping().months(),
                        version,
                        faults));
    }

    @Confirmed
    @PostMapping
    ModelAndView keep(TypedFields typed, RedirectAttributes notes) {
        Map<RetainedKind, Integer> stored = retention.months();
        Map<RetainedKind, Integer> months = months(typed, stored);
        EditedVersion edited = EditedVersion.of(typed.text("version"));
        Map<String, String> faults = faults(typed);
        if (!faults.isEmpty()) {
            return InvalidForm.of(show(months, retention.shown().version(), faults));
        }
        try {
            if (UniqueKey.refuses(() -> retention.keep(edited, months))) { // pressed twice at once
                retention.keep(EditedVersion.any(), months);
            }
        } catch (OptimisticLockingFailureException e) {
            Retention.Shown theirs = retention.shown();
            return EditConflict.of(
                    show(months, theirs.version(), EditConflict.marks(byKey(months), byKey(theirs.months()))), PAGE);
        }
        notes.addFlashAttribute("said", Texts.of("platform.privacy.retention.saved"));
        return new ModelAndView("redirect:" + PAGE);
    }

    private static Map<String, String> faults(TypedFields typed) {
        Map<String, String> faults = new HashMap<>();
        for (RetainedKind kind : RetainedKind.values()) {
            if (typed.isSent(kind.key())
                    && RetainedKind.MONTHS.stream().noneMatch(one -> typed.is(kind.key(), one.toString()))) {
                faults.put(kind.key(), Texts.of("platform.privacy.retention.choose"));
            }
        }
        return faults;
    }

    private static Map<String, String> byKey(Map<RetainedKind, Integer> months) {
        return months.entrySet().stream()
                .collect(Collectors.toMap(
                        one -> one.getKey().key(),
                        one -> Texts.of("platform.privacy.retention.months", one.getValue())));
    }
}
