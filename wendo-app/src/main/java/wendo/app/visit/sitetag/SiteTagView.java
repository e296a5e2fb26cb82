package wendo.app.visit.sitetag;

import java.util.List;
import java.util.Map;
import org.springframework.stereotype.Component;
import org.springframework.web.servlet.ModelAndView;
import wendo.app.issue.links.LinkHosts;
import wendo.app.platform.accounts.CurrentPerson;
import wendo.app.platform.accounts.Permission;
import wendo.app.platform.business.Business;
import wendo.app.platform.business.Businesses;
import wendo.app.platform.business.MostBelieved;
import wendo.app.platform.site.ViewRecord;

/** The page of the site tag, also as it answers what was refused. */
@Component
class SiteTagView {
    private final TagCallLog log;
    private final LinkHosts hosts;
    private final OwnSites sites;
    private final Businesses businesses;

    SiteTagView(TagCallLog log, LinkHosts hosts, OwnSites sites, Businesses businesses) {
        this.log = log;
        this.hosts = hosts;
        this.sites = sites;
        this.businesses = businesses;
    }

    /** What is read off the page, whatever was typed. */
    record SiteTagPage(
            List<TagCallLog.Call> calls,
            List<String> sites,
            MostBelieved ceiling,
            long believed,
            String secret,
            String tag,
            String report,
            Map<String, String> typed,
            Map<String, String> faults) {}

    ModelAndView show(Business business, CurrentPerson person) {
        return show(Map.of(), Map.of(), business, person);
    }

    ModelAndView show(Map<String, String> typed, Map<String, String> faults, Business business, CurrentPerson person) {
        return ViewRecord.of(
                "visit/sitetag/page",
                new SiteTagPage(
                        log.latest(),
                        sites.list(),
                        new MostBelieved(businesses.mostBelievedMinor()),
                        sites.mostBelievedMinor(),
                        person.may(Permission.OWN) ? businesses.siteSecret() : "",
                        "<script src=\"%s/t/wendo.js\" data-site=\"%s\" async></script>"
                                .formatted(hosts.defaultHost().origin(), business.siteKey()),
                        "<data data-wendo=\"booking\" data-reference=\"B-1042\" data-value=\"95.00\" data-currency=\"%s\"></data>"
                                .formatted(business.currency().getCode()),
                        typed,
                        faults));
    }
}
