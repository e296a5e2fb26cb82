package wendo.app.visit.disclosure;

import java.time.Clock;
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

/** What the check of the business's own pages begins with, and what it found. */
@Service
class DisclosureCheck {
    private final Disclosures disclosures;
    private final Businesses businesses;
    private final OwnSites sites;
    private final OutboundPages outbound;
    private final Destinations destinations;
    private final LinkHosts hosts;
    private final CheckedPageRepository pages;
    private final DisclosureRunRepository runs;
    private final Clock clock;

    DisclosureCheck(
            Disclosures disclosures,
            Businesses businesses,
            OwnSites sites,
            OutboundPages outbound,
            Destinations destinations,
            LinkHosts hosts,
            CheckedPageRepository pages,
            DisclosureRunRepository runs,
            Clock clock) {
        this.disclosures = disclosures;
        this.businesses = businesses;
        this.sites = sites;
        this.outbound = outbound;
        this.destinations = destinations;
        this.hosts = hosts;
        this.pages = pages;
        this.runs = runs;
        this.clock = clock;
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

    /** Only pages with links that earn stay. */
    @Transactional
    void keep(OwnPages.Found found) {
        pages.forgetAll();
        found.pages().forEach((address, page) -> {
            if (page.earning() > 0) {
                pages.save(new CheckedPage(address, page, clock.instant()));
            }
        });
        DisclosureRun run = run();
        run.end(found.pages().size(), found.unreadable(), clock.instant());
        runs.save(run);
    }

    @Transactional
    void ask() {
        DisclosureRun run = run();
        run.ask();
        runs.save(run);
    }

    @Transactional(readOnly = true)
    DisclosureRun run() {
        return runs.findAll().stream().findFirst().orElseGet(DisclosureRun::new);
    }

    @Transactional(readOnly = true)
    List<CheckedPage> pages() {
        return pages.all();
    }
}
