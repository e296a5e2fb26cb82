package wendo.app.platform.appearance;

import java.io.IOException;
import java.util.Map;
import org.springframework.dao.OptimisticLockingFailureException;
import org.springframework.stereotype.Controller;
import org.springframework.web.bind.annotation.GetMapping;
import org.springframework.web.bind.annotation.PostMapping;
import org.springframework.web.bind.annotation.RequestMapping;
import org.springframework.web.bind.annotation.RequestParam;
import org.springframework.web.multipart.MultipartFile;
import org.springframework.web.servlet.ModelAndView;
import org.springframework.web.servlet.mvc.support.RedirectAttributes;
import wendo.app.platform.accounts.Needs;
import wendo.app.platform.accounts.Permission;
import wendo.app.platform.business.EditedVersion;
import wendo.app.platform.business.UniqueKey;
import wendo.app.platform.site.EditConflict;
import wendo.app.platform.site.InvalidForm;
import wendo.app.platform.site.PublicFace;
import wendo.app.platform.site.Texts;
import wendo.app.platform.site.TypedFields;
import wendo.app.platform.site.ViewRecord;

/** Logo, colour, address and links of public pages. */
@Needs(Permission.SET_UP)
@Controller
@RequestMapping("/setup/appearance")
class AppearanceController {
    private static final String PAGE = "/setup/appearance";
    private static final String BACK = "redirect:" + PAGE;

    private final Appearances appearances;
    private final Logos logos;

    AppearanceController(Appearances appearances, Logos logos) {
        this.appearances = appearances;
        this.logos = logos;
    }

    record AppearancePage(AppearanceForm form, PublicFace face, int version, Map<String, String> faults) {}

    @GetMapping
    ModelAndView page() {
        Appearances.Shown shown = appearances.shown();
        return show(AppearanceForm.of(shown.appearance()), shown.version(), Map.of());
    }

    private ModelAndView show(AppearanceForm form, int version, Map<String, String> faults) {
        return ViewRecord.of("platform/appearance/page", new AppearancePage(form, appearances.face(), version, faults));
    }

    @Needs(Permission.OWN)
    @PostMapping
    ModelAndView change(TypedFields typed, RedirectAttributes notes) {
        AppearanceForm form = AppearanceForm.of(typed);
        Map<String, String> faults = form.faults();
        EditedVersion edited = EditedVersion.of(typed.text("version"));
        if (!faults.isEmpty()) {
            return InvalidForm.of(show(form, appearances.shown().version(), faults));
        }
        try {
            if (UniqueKey.refuses(() -> appearances.change(edited, form.appearance()))) { // pressed twice at once
                appearances.change(EditedVersion.any(), form.appearance());
            }
        } catch (OptimisticLockingFailureException e) {
            Appearances.Shown theirs = appearances.shown();
            return EditConflict.of(
                    show(form, theirs.version(), EditConflict.marks(form, AppearanceForm.of(theirs.appearance()))),
                    PAGE);
        }
        notes.addFlashAttribute("said", Texts.of("platform.appearance.saved"));
        return new ModelAndView(BACK);
    }

    @Needs(Permission.OWN)
    @PostMapping("/logo")
    String keepLogo(@RequestParam MultipartFile logo, RedirectAttributes notes) throws IOException {
        if (!logos.keep(logo.getBytes())) {
            notes.addFlashAttribute("logoFault", Texts.of("platform.appearance.no-picture"));
        }
        return BACK;
    }

    @Needs(Permission.OWN)
    @PostMapping("/logo/remove")
    String removeLogo() {
        logos.remove();
        return BACK;
    }
}
