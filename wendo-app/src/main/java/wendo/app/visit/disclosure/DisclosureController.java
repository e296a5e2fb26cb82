package wendo.app.visit.disclosure;

import java.util.HashMap;
import java.util.LinkedHashMap;
import java.util.List;
import java.util.Locale;
import java.util.Map;
import java.util.Optional;
import org.springframework.dao.OptimisticLockingFailureException;
import org.springframework.stereotype.Controller;
import org.springframework.web.bind.annotation.GetMapping;
import org.springframework.web.bind.annotation.PostMapping;
import org.springframework.web.bind.annotation.RequestMapping;
import org.springframework.web.servlet.ModelAndView;
import org.springframework.web.servlet.mvc.support.RedirectAttributes;
import wendo.app.platform.accounts.Needs;
import wendo.app.platform.accounts.Permission;
import wendo.app.platform.business.EditedVersion;
import wendo.app.platform.business.UniqueKey;
import wendo.app.platform.site.EditConflict;
import wendo.app.platform.site.InvalidForm;
import wendo.app.platform.site.Limits;
import wendo.app.platform.site.Texts;
import wendo.app.platform.site.TypedFields;
import wendo.app.platform.site.ViewRecord;

/** Where and how visitors are told that links earn, and the own pages that say nothing. */
@Needs(Permission.SET_UP)
@Controller
@RequestMapping("/setup/disclosure")
class DisclosureController {
    private static final String PAGE = "/setup/disclosure";
    private static final String PLACE = "place";

    private final Disclosures disclosures;
    private final DisclosureCheck check;

    DisclosureController(Disclosures disclosures, DisclosureCheck check) {
        this.disclosures = disclosures;
        this.check = check;
    }

    /** A language with what is said in it. */
    record Wording(String language, String name, String usual) {}

    record DisclosurePage(
            DisclosurePlace[] places,
            List<Wording> wordings,
            Map<String, String> typed,
            int version,
            Map<String, String> faults,
            long silent,
            List<CheckedPage> pages,
            DisclosureRun run,
            int mostPages) {}

    @GetMapping
    ModelAndView page() {
        Disclosures.Setting setting = disclosures.setting();
        return show(typed(setting), setting.version(), Map.of());
    }

    @GetMapping("/pages")
    ModelAndView pages() {
        return ViewRecord.of("visit/disclosure/page :: pages", view(Map.of(), 0, Map.of()));
    }

    private ModelAndView show(Map<String, String> typed, int version, Map<String, String> faults) {
        return ViewRecord.of("visit/disclosure/page", view(typed, version, faults));
    }

    private DisclosurePage view(Map<String, String> typed, int version, Map<String, String> faults) {
        List<CheckedPage> pages = check.pages();
        return new DisclosurePage(
                DisclosurePlace.values(),
                Texts.PUBLIC.stream().map(this::wording).toList(),
                typed,
                version,
                faults,
                pages.stream().filter(page -> page.said().equals("nobody")).count(),
                pages,
                check.run(),
                OwnPages.MOST);
    }

    private Wording wording(Locale language) {
        return new Wording(
                language.getLanguage(),
                language.getDisplayLanguage(Texts.language()),
                new Disclosures.Setting(DisclosurePlace.OFF, Map.of(), 0).text(language));
    }

    private static Map<String, String> typed(Disclosures.Setting setting) {
        Map<String, String> typed = new HashMap<>(setting.texts());
        typed.put(PLACE, setting.place().key());
        return typed;
    }

    @PostMapping
    ModelAndView say(TypedFields typed) {
        Map<String, String> faults = new HashMap<>();
        Map<String, String> texts = new LinkedHashMap<>();
        for (Locale language : Texts.PUBLIC) {
            String own = typed.text(language.getLanguage());
            InvalidForm.tooLong(faults, language.getLanguage(), own, Limits.TEXT);
            if (!own.isEmpty()) {
                texts.put(language.getLanguage(), own);
            }
        }
        Optional<DisclosurePlace> place = DisclosurePlace.find(typed.text(PLACE));
        if (place.isEmpty()) {
            faults.put(PLACE, Texts.of("visit.disclosure.choose-a-place"));
        }
        if (!faults.isEmpty()) {
            return InvalidForm.of(
                    show(typed.firstValues(), disclosures.setting().version(), faults));
        }
        return save(EditedVersion.of(typed.text("version")), place.get(), texts);
    }

    private ModelAndView save(EditedVersion edited, DisclosurePlace place, Map<String, String> texts) {
        try {
            if (UniqueKey.refuses(() -> disclosures.say(edited, place, texts))) { // pressed twice at once
                disclosures.say(EditedVersion.any(), place, texts);
            }
        } catch (OptimisticLockingFailureException e) {
            Disclosures.Setting theirs = disclosures.setting();
            Map<String, String> mine = typed(new Disclosures.Setting(place, texts, 0));
            return EditConflict.of(show(mine, theirs.version(), EditConflict.marks(mine, typed(theirs))), PAGE);
        }
        return new ModelAndView("redirect:" + PAGE);
    }

    @PostMapping("/check")
    String look(RedirectAttributes notes) {
        if (!check.ask()) {
            notes.addFlashAttribute("rests", Texts.of("visit.disclosure.rests", DisclosureCheck.REST.toMinutes()));
        }
        return "redirect:" + PAGE + "#pages";
    }
}
