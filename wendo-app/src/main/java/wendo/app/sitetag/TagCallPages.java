package wendo.app.sitetag;

import org.springframework.stereotype.Controller;
import org.springframework.web.bind.annotation.GetMapping;
import org.springframework.web.servlet.ModelAndView;
import wendo.app.accounts.CurrentPerson;
import wendo.app.accounts.Needs;
import wendo.app.accounts.Permission;
import wendo.app.business.Business;
import wendo.app.links.LinkHosts;

/** How the site tag is put on a site, and what it sends as it arrives. */
@Needs(Permission.SET_UP)
@Controller
class TagCallPages {
    private final TagCallLog log;
    private final LinkHosts hosts;
    private final OwnSites sites;

    TagCallPages(TagCallLog log, LinkHosts hosts, OwnSites sites) {
        this.log = log;
        this.hosts = hosts;
        this.sites = sites;
    }

    @GetMapping("/setup/site-tag")
    ModelAndView page(Business business, CurrentPerson person) {
        return calls("sitetag/page")
                .addObject("sites", sites.list())
                .addObject("ceiling", sites.ceiling())
                .addObject("believed", sites.mostBelievedMinor())
                .addObject("secret", person.may(Permission.OWN) ? sites.secret() : "")
                .addObject(
                        "tag",
                        "<script src=\"%s/t/wendo.js\" data-site=\"%s\" async></script>"
                                .formatted(hosts.defaultHost().origin(), business.siteKey()))
                .addObject(
                        "report",
                        "<data data-wendo=\"booking\" data-reference=\"B-1042\" data-value=\"95.00\" data-currency=\"%s\"></data>"
                                .formatted(business.currency().getCode()));
    }

    @GetMapping("/setup/site-tag/calls")
    ModelAndView calls() {
        return calls("sitetag/page :: calls");
    }

    private ModelAndView calls(String view) {
        return new ModelAndView(view).addObject("calls", log.latest());
    }
}
