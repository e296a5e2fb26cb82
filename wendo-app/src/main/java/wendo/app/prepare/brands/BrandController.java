package wendo.app.prepare.brands;

import java.io.IOException;
import java.util.HashMap;
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
import org.springframework.web.bind.annotation.RequestParam;
import org.springframework.web.multipart.MultipartFile;
import org.springframework.web.server.ResponseStatusException;
import org.springframework.web.servlet.ModelAndView;
import org.springframework.web.servlet.mvc.support.RedirectAttributes;
import wendo.app.platform.accounts.CurrentPerson;
import wendo.app.platform.accounts.Needs;
import wendo.app.platform.accounts.Permission;
import wendo.app.platform.appearance.Logos;
import wendo.app.platform.business.EditedVersion;
import wendo.app.platform.business.UniqueKey;
import wendo.app.platform.site.EditConflict;
import wendo.app.platform.site.FormRules;
import wendo.app.platform.site.InvalidForm;
import wendo.app.platform.site.Texts;
import wendo.app.platform.site.TypedFields;
import wendo.app.platform.site.ViewRecord;

/** The names that the business trades under. */
@Needs(Permission.SET_UP)
@Controller
@RequestMapping("/setup/brands")
class BrandController {
    private static final String LIST = "redirect:/setup/brands";

    private final Brands brands;

    BrandController(Brands brands) {
        this.brands = brands;
    }

    record BrandsPage(List<BrandListed> brands, BrandForm form, Map<String, String> faults) {}

    record BrandPage(BrandListed brand, BrandForm form, int version, Map<String, String> faults) {}

    @GetMapping
    ModelAndView list() {
        return list(new BrandForm("", "", true), Map.of());
    }

    private ModelAndView list(BrandForm form, Map<String, String> faults) {
        return ViewRecord.of("prepare/brands/list", new BrandsPage(brands.list(), form, faults));
    }

    @PostMapping
    ModelAndView add(TypedFields typed, CurrentPerson person) {
        BrandForm form = BrandForm.of(typed);
        Map<String, String> faults = faults(form);
        if (faults.isEmpty() && UniqueKey.refuses(() -> brands.add(form, person.name()))) {
            faults.put("name", Texts.of("prepare.brands.name-taken"));
        }
        return faults.isEmpty() ? new ModelAndView(LIST) : InvalidForm.of(list(form, faults));
    }

    private static Map<String, String> faults(BrandForm form) {
        Map<String, String> faults = new HashMap<>(FormRules.faults(form));
        form.notASite().ifPresent(site -> faults.putIfAbsent("sites", Texts.of("prepare.brands.not-a-site", site)));
        return faults;
    }

    @GetMapping("/{id}")
    ModelAndView page(@PathVariable UUID id) {
        return page(id, stored(id), Map.of());
    }

    private ModelAndView page(UUID id, BrandForm form, Map<String, String> faults) {
        return ViewRecord.of("prepare/brands/page", new BrandPage(find(id), form, brands.version(id), faults));
    }

    private BrandListed find(UUID id) {
        return brands.find(id).orElseThrow(() -> new ResponseStatusException(HttpStatus.NOT_FOUND));
    }

    private BrandForm stored(UUID id) {
        return brands.form(id).orElseThrow(() -> new ResponseStatusException(HttpStatus.NOT_FOUND));
    }

    @PostMapping("/{id}")
    ModelAndView change(@PathVariable UUID id, TypedFields typed) {
        find(id);
        BrandForm form = BrandForm.of(typed);
        Map<String, String> faults = faults(form);
        EditedVersion edited = EditedVersion.of(typed.text("version"));
        try {
            if (faults.isEmpty() && UniqueKey.refuses(() -> brands.change(id, edited, form))) {
                faults.put("name", Texts.of("prepare.brands.name-taken"));
            }
        } catch (OptimisticLockingFailureException e) {
            return EditConflict.of(page(id, form, EditConflict.marks(form, stored(id))), "/setup/brands/" + id);
        }
        return faults.isEmpty() ? new ModelAndView(LIST) : InvalidForm.of(page(id, form, faults));
    }

    @PostMapping("/{id}/logo")
    String keepLogo(@PathVariable UUID id, @RequestParam MultipartFile logo, RedirectAttributes notes)
            throws IOException {
        find(id);
        Optional<byte[]> png = Logos.squared(logo.getBytes());
        if (png.isEmpty()) {
            notes.addFlashAttribute("logoFault", Texts.of("platform.appearance.no-picture"));
        } else {
            brands.show(id, png);
        }
        return "redirect:/setup/brands/" + id;
    }

    @PostMapping("/{id}/logo/remove")
    String removeLogo(@PathVariable UUID id) {
        find(id);
        brands.show(id, Optional.empty());
        return "redirect:/setup/brands/" + id;
    }

    @PostMapping("/{id}/remove")
    String remove(@PathVariable UUID id) {
        find(id);
        brands.remove(id);
        return LIST;
    }
}
