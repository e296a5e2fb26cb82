package wendo.app.demo;

import java.sql.Timestamp;
import java.time.Clock;
import java.time.Instant;
import java.time.LocalDate;
import java.util.HashMap;
import java.util.List;
import java.util.Map;
import java.util.Objects;
import java.util.Optional;
import java.util.OptionalInt;
import java.util.OptionalLong;
import java.util.UUID;
import java.util.concurrent.TimeUnit;
import java.util.function.Function;
import org.springframework.jdbc.core.simple.JdbcClient;
import org.springframework.stereotype.Component;
import wendo.app.business.Business;
import wendo.app.business.BusinessScope;
import wendo.app.campaigns.CampaignListed;
import wendo.app.campaigns.Campaigns;
import wendo.app.credit.Attribution;
import wendo.app.links.LinkHosts;
import wendo.app.links.Links;
import wendo.app.outcomes.Outcomes;
import wendo.app.outcomes.Reporter;
import wendo.app.sources.SourceListed;
import wendo.app.sources.Sources;
import wendo.app.spend.Spends;
import wendo.app.targets.Target;
import wendo.app.targets.Targets;
import wendo.app.visits.LoggedVisit;
import wendo.app.visits.VisitStore;
import wendo.core.links.Device;
import wendo.core.measure.LumpSpend;
import wendo.core.measure.Period;
import wendo.core.outcomes.OutcomeReport;
import wendo.core.outcomes.OutcomeStatus;
import wendo.core.outcomes.Told;
import wendo.simulation.Browsers;
import wendo.simulation.MarramPoint;
import wendo.simulation.Season;
import wendo.simulation.SeasonSimulation;
import wendo.simulation.TrueSource;

/** Fills the demo business with its season, and on later starts with what has happened since. */
@Component
class DemoSeed {
    /** Enough visits for the planner to see what they are like. */
    private static final int FEW = 1_000;

    private final JdbcClient jdbc;
    private final Links links;
    private final LinkHosts hosts;
    private final Campaigns campaigns;
    private final Sources sources;
    private final Spends spends;
    private final Outcomes outcomes;
    private final VisitStore visits;
    private final BusinessScope scope;
    private final DemoDesk desk;
    private final DemoPages pages;
    private final DemoProofs proofs;
    private final Attribution attribution;
    private final Targets targets;
    private final Clock clock;

    private record Filled(LocalDate firstDay, Instant until) {}

    private record Placed(UUID link, UUID source, UUID destination) {}

    DemoSeed(
            JdbcClient jdbc,
            Links links,
            LinkHosts hosts,
            Campaigns campaigns,
            Sources sources,
            Spends spends,
            Outcomes outcomes,
            VisitStore visits,
            BusinessScope scope,
            DemoDesk desk,
            DemoPages pages,
            DemoProofs proofs,
            Attribution attribution,
            Targets targets,
            Clock clock) {
        this.jdbc = jdbc;
        this.links = links;
        this.hosts = hosts;
        this.campaigns = campaigns;
        this.sources = sources;
        this.spends = spends;
        this.outcomes = outcomes;
        this.visits = visits;
        this.scope = scope;
        this.desk = desk;
        this.pages = pages;
        this.proofs = proofs;
        this.attribution = attribution;
        this.targets = targets;
        this.clock = clock;
    }

    /** Call it outside of a transaction, for a business whose links' hosts exist. */
    void fill(Business business, String siteOrigin) {
        Instant now = clock.instant();
        Filled before = scope.within(business.id(), this::find)
                .orElseGet(() -> scope.within(business.id(), () -> begin(business, siteOrigin)));
        Season season = SeasonSimulation.play(
                MarramPoint.WORLD, SeasonSimulation.SEED, before.firstDay(), business.zone(), now);
        Map<String, Placed> placed = scope.within(business.id(), this::placedLinks);
        List<Season.Came> fresh = season.visits().stream()
                .filter(visit -> visit.click().arrivedAt().isAfter(before.until()))
                .toList();
        Map<String, String> proofs = scope.within(business.id(), () -> prove(fresh, placed));
        List<LoggedVisit> logged = fresh.stream()
                .map(visit -> logged(
                        visit,
                        Objects.requireNonNull(placed.get(visit.slug())),
                        business,
                        visit.isTest() ? proofs.getOrDefault(visit.slug(), "") : ""))
                .toList();
        int few = Math.min(FEW, logged.size());
        visits.store(logged.subList(0, few));
        scope.within(business.id(), this::analyzeVisits);
        visits.store(logged.subList(few, logged.size()));
        scope.within(business.id(), () -> {
            List<Season.Did> done = season.outcomes();
            record(done, before.until(), DemoSeed::reported, Season.Did::reportedAt, Reporter.SITE_TAG);
            record(
                    done.stream().filter(did -> takenBackBy(did, now)).toList(),
                    before.until(),
                    DemoSeed::takenBack,
                    did -> did.takenBack().orElseThrow().at(),
                    Reporter.SERVER);
            return jdbc.sql("update demo_season set filled_until = ?")
                    .param(Timestamp.from(now))
                    .update();
        });
    }

    /** So many rows at once are news to the database's planner. */
    private boolean analyzeVisits() {
        jdbc.sql("select analyze_visits(), analyze_visit_sums()").query(row -> {});
        return true;
    }

    private Map<String, String> prove(List<Season.Came> fresh, Map<String, Placed> placed) {
        Map<String, UUID> links = new HashMap<>();
        placed.forEach((slug, link) -> links.put(slug, link.link()));
        return proofs.open(fresh.stream().filter(Season.Came::isTest).toList(), links);
    }

    private void record(
            List<Season.Did> done,
            Instant after,
            Function<Season.Did, OutcomeReport> report,
            Function<Season.Did, Instant> heardAt,
            Reporter reporter) {
        outcomes.recordAll(
                done.stream()
                        .filter(did -> heardAt.apply(did).isAfter(after))
                        .map(report)
                        .toList(),
                reporter);
    }

    private static OutcomeReport reported(Season.Did did) {
        return new OutcomeReport(
                did.kind(),
                did.reference(),
                OptionalLong.of(did.valueMinor()),
                did.click(),
                Optional.of(did.at()),
                Optional.empty(),
                OptionalLong.empty(),
                DemoDesk.told(did.kind(), did.reference(), did.code()));
    }

    private static boolean takenBackBy(Season.Did did, Instant now) {
        return did.takenBack().filter(refund -> !refund.at().isAfter(now)).isPresent();
    }

    private static OutcomeReport takenBack(Season.Did did) {
        return new OutcomeReport(
                did.kind(),
                did.reference(),
                OptionalLong.empty(),
                Optional.empty(),
                Optional.empty(),
                Optional.of(OutcomeStatus.REFUNDED),
                OptionalLong.of(did.takenBack().orElseThrow().minor()),
                Told.none());
    }

    /** What the people of the business did meanwhile. */
    void work(Business business) {
        scope.within(business.id(), () -> {
            jdbc.sql("select analyze_credit_tables()").query(row -> {});
            desk.work();
            desk.count(business.id().value());
            attribution.anew("The season's journeys are learned from");
            return true;
        });
    }

    /** Screens are full from the first look on: waits, a minute at most, until what was filled in is credited. */
    void awaitCredit() throws InterruptedException {
        for (int tries = 0; tries < 600 && isCreditDue(); tries++) {
            TimeUnit.MILLISECONDS.sleep(100);
        }
    }

    /** Whether events wait for their listeners; what is handled is deleted. */
    private boolean isCreditDue() {
        return jdbc.sql("select exists (select from event_publication)")
                .query(Boolean.class)
                .single();
    }

    private Optional<Filled> find() {
        return jdbc.sql("select first_day, filled_until from demo_season")
                .query((row, number) -> new Filled(
                        row.getObject(1, LocalDate.class), row.getTimestamp(2).toInstant()))
                .optional();
    }

    private Filled begin(Business business, String siteOrigin) {
        LocalDate firstDay =
                business.today(clock).minusWeeks(SeasonSimulation.WEEKS).plusDays(1);
        Filled filled = new Filled(firstDay, Instant.EPOCH);
        jdbc.sql("insert into demo_season values (?, ?, ?)")
                .params(business.id().value(), firstDay, Timestamp.from(filled.until()))
                .update();
        for (TrueSource truth : MarramPoint.WORLD.sources()) {
            SourceListed source = sources.findOrCreate(truth.name(), truth.channel());
            truth.links().forEach(link -> issue(truth, link, siteOrigin));
            truth.costs().forEach(cost -> spends.enter(source.id(), lump(firstDay, cost), cost.note(), "Maren Holt"));
        }
        targets.set(
                Optional.empty(), new Target(MarramPoint.CEILINGS_MINOR, OptionalInt.of(MarramPoint.MARGIN_PERCENT)));
        schedule(firstDay);
        desk.setUp(business.id().value());
        pages.setUp(business, firstDay);
        jdbc.sql("update link set created_at = ?, created_by = 'Maren Holt'")
                .param(Timestamp.from(firstDay.minusDays(3)
                        .atTime(10, 0)
                        .atZone(business.zone())
                        .toInstant()))
                .update();
        jdbc.sql("""
                        update link_destination d set changed_at = l.created_at, changed_by = l.created_by
                        from link l where l.id = d.link_id
                        """).update();
        return filled;
    }

    private void issue(TrueSource truth, TrueSource.Placed link, String siteOrigin) {
        Links.Issued issued = links.issue(
                siteOrigin + link.page(),
                link.campaign(),
                List.of(new Links.Wish(truth.name(), truth.channel(), link.slug())),
                "Maren Holt");
        if (issued instanceof Links.Issued.Refused refused) {
            throw new IllegalStateException(
                    "The demo's link %s was refused: %s".formatted(link.slug(), refused.faults()));
        }
    }

    private static LumpSpend lump(LocalDate firstDay, TrueSource.Cost cost) {
        LocalDate first = firstDay.plusWeeks(cost.firstWeek());
        return new LumpSpend(cost.amountMinor(), new Period(first, first.plusWeeks(cost.weeks())));
    }

    private void schedule(LocalDate firstDay) {
        for (CampaignListed campaign : campaigns.list()) {
            switch (campaign.name()) {
                case MarramPoint.OPENING -> campaigns.schedule(campaign, firstDay, firstDay.plusWeeks(9));
                case MarramPoint.SUMMER -> campaigns.schedule(campaign, firstDay.plusWeeks(5), firstDay.plusWeeks(18));
                case MarramPoint.AUTUMN -> campaigns.schedule(campaign, firstDay.plusWeeks(16), firstDay.plusWeeks(26));
                default -> {}
            }
        }
    }

    private Map<String, Placed> placedLinks() {
        Map<String, Placed> placed = new HashMap<>();
        jdbc.sql("select slug, id, source_id, destination_id from link where host_id = ?")
                .param(hosts.defaultHost().id())
                .query(row -> {
                    placed.put(
                            row.getString(1),
                            new Placed(
                                    row.getObject(2, UUID.class),
                                    row.getObject(3, UUID.class),
                                    row.getObject(4, UUID.class)));
                });
        return placed;
    }

    private static LoggedVisit logged(Season.Came visit, Placed link, Business business, String proof) {
        return new LoggedVisit(
                visit.click(),
                business.id(),
                link.link(),
                link.source(),
                link.destination(),
                visit.visitor(),
                "",
                Browsers.country(visit.visitor()),
                Device.of(visit.userAgent()).key(),
                proof,
                visit.userAgent(),
                "",
                visit.referrer(),
                "en",
                "");
    }
}
