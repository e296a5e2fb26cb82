package wendo.app.platform.wording;

import java.util.ArrayList;
import java.util.Arrays;
import java.util.EnumMap;
import java.util.HashMap;
import java.util.List;
import java.util.Map;
import org.springframework.dao.OptimisticLockingFailureException;
import org.springframework.stereotype.Controller;
import org.springframework.web.bind.annotation.GetMapping;
import org.springframework.web.bind.annotation.PostMapping;
import org.springframework.web.bind.annotation.RequestMapping;
import org.springframework.web.servlet.ModelAndView;
import wendo.app.platform.accounts.Needs;
import wendo.app.platform.accounts.Permission;
import wendo.app.platform.business.EditedVersion;
import wendo.app.platform.business.UniqueKey;
import wendo.app.platform.site.EditConflict;
import wendo.app.platform.site.InvalidForm;
import wendo.app.platform.site.Limits;
import wendo.app.platform.site.PublicText;
import wendo.app.platform.site.TypedFields;
import wendo.app.platform.site.ViewRecord;

/** Puts texts of pages for everybody into the business's own words. */
@Needs(Permission.SET_UP)
@Controller
@RequestMapping("/setup/wording")
class WordingController {
    private static final String PAGE = "/setup/wording";

    private final Wordings wordings;

    WordingController(Wordings wordings) {
        this.wordings = wordings;
    }

    record WordingPage(
            Map<PublicText.Place, List<PublicText>> places,
            Map<String, String> said,
            int version,
            Map<String, String> faults) {}

    @GetMapping
    ModelAndView page() {
        Wordings.Shown shown = wordings.shown();
        return show(byKey(shown.said()), shown.version(), Map.of());
    }

    private static Map<String, String> byKey(Map<PublicText, String> said) {
        Map<String, String> byKey = new HashMap<>();
        for (PublicText text : PublicText.values()) {
            byKey.put(text.key(), said.getOrDefault(text, ""));
        }
        return byKey;
    }

    private static ModelAndView show(Map<String, String> said, int version, Map<String, String> faults) {
        Map<PublicText.Place, List<PublicText>> places = new EnumMap<>(PublicText.Place.class);
        Arrays.stream(PublicText.values())
                .forEach(text -> places.computeIfAbsent(text.place(), any -> new ArrayList<>())
                        .add(text));
        return ViewRecord.of("platform/wording/page", new WordingPage(places, said, version, faults));
    }

    @PostMapping
    ModelAndView say(TypedFields typed) {
        Map<PublicText, String> said = new EnumMap<>(PublicText.class);
        Map<String, String> faults = new HashMap<>();
        for (PublicText text : PublicText.values()) {
            String own = typed.text(text.key());
            InvalidForm.tooLong(faults, text.key(), own, Limits.TEXT);
            if (!own.isEmpty()) {
                said.put(text, own);
            }
        }
        EditedVersion edited = EditedVersion.of(typed.text("version"));
        if (!faults.isEmpty()) {
            return InvalidForm.of(show(byKey(said), wordings.shown().version(), faults));
        }
        try {
            if (UniqueKey.refuses(() -> wordings.say(edited, said))) { // pressed twice at once
                wordings.say(EditedVersion.any(), said);
            }
        } catch (OptimisticLockingFailureException e) {
            Wordings.Shown theirs = wordings.shown();
            return EditConflict.of(
                    show(byKey(said), theirs.version(), EditConflict.marks(byKey(said), byKey(theirs.said()))), PAGE);
        }
        return new ModelAndView("redirect:" + PAGE);
    }
}
