package wendo.app.visit.disclosure;

import java.util.ArrayList;
import java.util.HashSet;
import java.util.List;
import org.springframework.stereotype.Service;
import org.springframework.transaction.annotation.Transactional;
import wendo.app.issue.links.LinkHosts;
import wendo.app.platform.business.Business;
import wendo.app.platform.business.Businesses;
import wendo.app.prepare.destinations.DestinationListed;
import wendo.app.prepare.destinations.Destinations;
import wendo.app.visit.outbound.OutboundPages;
import wendo.app.visit.sitetag.OwnSites;

/** What the check of the business's own pages begins with. */
@Service
class DisclosurePlans {
    private final Disclosures disclosures;
    private final Businesses businesses;
    private final OwnSites sites;
    private final OutboundPages outbound;
    private final Destinations destinations;
    private final LinkHosts hosts;

    DisclosurePlans(
            Disclosures disclosures,
            Businesses businesses,
            OwnSites sites,
            OutboundPages outbound,
            Destinations destinations,
            LinkHosts hosts) {
        this.disclosures = disclosures;
        this.businesses = businesses;
        this.sites = sites;
        this.outbound = outbound;
        this.destinations = destinations;
        this.hosts = hosts;
    }

    record Plan(OwnPages.Start start, ReadPage.Wanted wanted) {}

    /** Pages that people left by links, pages that links lead to, and the first page of each site. */
    @Transactional(readOnly = true)
    Plan plan() {
        Business business = businesses.current();
        List<String> own = sites.list();
        List<String> addresses = new ArrayList<>(outbound.recent(business));
        addresses.addAll(
                destinations.list().stream().map(DestinationListed::address).toList());
        own.forEach(site -> addresses.add("https://" + site + "/"));
        Disclosures.Setting setting = disclosures.setting();
        return new Plan(
                new OwnPages.Start(addresses, new HashSet<>(own), hosts.names(), business.allowsLocalDestinations()),
                new ReadPage.Wanted(disclosures.earning(), setting.all().values(), setting.place()));
    }
}
