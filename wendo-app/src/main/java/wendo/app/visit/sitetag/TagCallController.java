package wendo.app.visit.sitetag;

import java.util.List;
import java.util.OptionalLong;
import org.springframework.stereotype.Controller;
import org.springframework.web.bind.annotation.GetMapping;
import org.springframework.web.servlet.ModelAndView;
import wendo.app.issue.links.LinkHosts;
import wendo.app.platform.accounts.CurrentPerson;
import wendo.app.platform.accounts.Needs;
import wendo.app.platform.accounts.Permission;
import wendo.app.platform.business.Business;
import wendo.app.platform.business.Businesses;
import wendo.app.platform.site.ViewRecord;

/** How the site tag is put on a site, and what it sends as it arrives. */
@Needs(Permission.SET_UP)
@Controller
class TagCallController {
    private final TagCallLog log;
    private final LinkHosts hosts;
    private final OwnSites sites;
    private final Businesses businesses;

    TagCallController(TagCallLog log, LinkHosts hosts, OwnSites sites, Businesses businesses) {
        this.log = log;
        this.hosts = hosts;
        this.sites = sites;
        this.businesses = businesses;
    }

    record SiteTagPage(
            List<TagCallLog.Call> calls,
            List<String> sites,
            OptionalLong ceiling,
            long believed,
            String secret,
            String tag,
            String report) {}

    @GetMapping("/setup/site-tag")
    ModelAndView page(Business business, CurrentPerson person) {
        return ViewRecord.of(
                "visit/sitetag/page",
                new SiteTagPage(
                        log.latest(),
                        sites.list(),
                        businesses.mostBelievedMinor(),
                        sites.mostBelievedMinor(),
                        person.may(Permission.OWN) ? businesses.siteSecret() : "",
                        "<script src=\"%s/t/wendo.js\" data-site=\"%s\" async></script>"
                                .formatted(hosts.defaultHost().origin(), business.siteKey()),
                        "<data data-wendo=\"booking\" data-reference=\"B-1042\" data-value=\"95.00\" data-currency=\"%s\"></data>"
                                .formatted(business.currency().getCode())));
    }

    @GetMapping("/setup/site-tag/calls")
    ModelAndView calls() {
        return new ModelAndView("visit/sitetag/page :: calls", "calls", log.latest());
    }
}
