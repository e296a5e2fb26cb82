package wendo.app.visit.sitetag;

import java.util.Locale;
import java.util.Map;
import java.util.OptionalLong;
import org.springframework.dao.OptimisticLockingFailureException;
import org.springframework.stereotype.Controller;
import org.springframework.web.bind.annotation.PostMapping;
import org.springframework.web.bind.annotation.RequestMapping;
import org.springframework.web.bind.annotation.RequestParam;
import org.springframework.web.servlet.ModelAndView;
import wendo.app.platform.accounts.CurrentPerson;
import wendo.app.platform.accounts.Needs;
import wendo.app.platform.accounts.Permission;
import wendo.app.platform.business.Business;
import wendo.app.platform.business.Businesses;
import wendo.app.platform.business.EditedVersion;
import wendo.app.platform.business.UniqueKey;
import wendo.app.platform.site.Amount;
import wendo.app.platform.site.EditConflict;
import wendo.app.platform.site.Figures;
import wendo.app.platform.site.InvalidForm;
import wendo.app.platform.site.Texts;
import wendo.app.platform.site.TypedFields;
import wendo.core.links.AddressRefused;
import wendo.core.links.WebAddress;

/** Which sites are the business's own, and up to which value their reports count at once. */
@Needs(Permission.SET_UP)
@Controller
@RequestMapping("/setup/site-tag")
class OwnSiteController {
    private static final String BACK = "redirect:/setup/site-tag#sites";

    private final SiteTagView view;
    private final OwnSites sites;
    private final Businesses businesses;

    OwnSiteController(SiteTagView view, OwnSites sites, Businesses businesses) {
        this.view = view;
        this.sites = sites;
        this.businesses = businesses;
    }

    @PostMapping("/sites")
    ModelAndView add(TypedFields typed, Business business, CurrentPerson person) {
        try {
            String host = WebAddress.of(typed.raw("site")).host().toLowerCase(Locale.ROOT);
            UniqueKey.refuses(() -> sites.add(host, person.name())); // pressed twice at once: it is there
        } catch (AddressRefused e) {
            Map<String, String> faults = Map.of("site", Texts.said(e));
            return InvalidForm.of(view.show(typed.firstValues(), faults, business, person));
        }
        return new ModelAndView(BACK);
    }

    @PostMapping("/sites/remove")
    String remove(@RequestParam(defaultValue = "") String site) {
        sites.remove(site);
        return BACK;
    }

    @PostMapping("/ceiling")
    ModelAndView ceiling(TypedFields typed, Business business, CurrentPerson person) {
        String text = typed.text("ceiling");
        try {
            long minor = text.isEmpty()
                    ? 0
                    : Amount.of(text, business.currency(), business.locale()).minor();
            businesses.changeMostBelieved(
                    EditedVersion.of(typed.raw("version")), minor > 0 ? OptionalLong.of(minor) : OptionalLong.empty());
        } catch (OptimisticLockingFailureException e) {
            Map<String, String> stored = Map.of("ceiling", written(businesses.mostBelievedMinor(), business));
            Map<String, String> marks = EditConflict.marks(typed, stored);
            return EditConflict.of(view.show(typed.firstValues(), marks, business, person), "/setup/site-tag");
        } catch (IllegalArgumentException e) {
            Map<String, String> faults = Map.of("ceiling", Texts.said(e));
            return InvalidForm.of(view.show(typed.firstValues(), faults, business, person));
        }
        return new ModelAndView(BACK);
    }

    private static String written(OptionalLong minor, Business business) {
        return minor.isPresent()
                ? new Figures(business.currency(), business.zone(), business.locale()).money(minor.getAsLong())
                : "";
    }
}
