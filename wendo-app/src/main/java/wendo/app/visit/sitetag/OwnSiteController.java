package wendo.app.visit.sitetag;

import java.util.Locale;
import java.util.OptionalLong;
import org.springframework.stereotype.Controller;
import org.springframework.web.bind.annotation.PostMapping;
import org.springframework.web.bind.annotation.RequestMapping;
import org.springframework.web.bind.annotation.RequestParam;
import org.springframework.web.servlet.mvc.support.RedirectAttributes;
import wendo.app.platform.accounts.CurrentPerson;
import wendo.app.platform.accounts.Needs;
import wendo.app.platform.accounts.Permission;
import wendo.app.platform.business.Business;
import wendo.app.platform.business.Businesses;
import wendo.app.platform.site.Amount;
import wendo.core.links.AddressRefused;
import wendo.core.links.WebAddress;

/** Which sites are the business's own, and up to which value their reports count at once. */
@Needs(Permission.SET_UP)
@Controller
@RequestMapping("/setup/site-tag")
class OwnSiteController {
    private static final String BACK = "redirect:/setup/site-tag#sites";

    private final OwnSites sites;
    private final Businesses businesses;

    OwnSiteController(OwnSites sites, Businesses businesses) {
        this.sites = sites;
        this.businesses = businesses;
    }

    @PostMapping("/sites")
    String add(@RequestParam(defaultValue = "") String site, CurrentPerson person, RedirectAttributes notes) {
        try {
            sites.add(WebAddress.of(site).host().toLowerCase(Locale.ROOT), person.name());
        } catch (AddressRefused e) {
            notes.addFlashAttribute("siteFault", String.valueOf(e.getMessage()));
            notes.addFlashAttribute("typedSite", site);
        }
        return BACK;
    }

    @PostMapping("/sites/remove")
    String remove(@RequestParam(defaultValue = "") String site) {
        sites.remove(site);
        return BACK;
    }

    @PostMapping("/ceiling")
    String ceiling(@RequestParam(defaultValue = "") String ceiling, Business business, RedirectAttributes notes) {
        try {
            long minor = ceiling.isBlank()
                    ? 0
                    : Amount.of(ceiling, business.currency(), business.locale()).minor();
            businesses.changeMostBelieved(minor > 0 ? OptionalLong.of(minor) : OptionalLong.empty());
        } catch (IllegalArgumentException e) {
            notes.addFlashAttribute("ceilingFault", String.valueOf(e.getMessage()));
            notes.addFlashAttribute("typedCeiling", ceiling);
        }
        return BACK;
    }
}
