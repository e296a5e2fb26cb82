package wendo.app.desk.demo;

import java.sql.Timestamp;
import java.time.Clock;
import java.time.Instant;
import java.time.LocalDate;
import java.util.Arrays;
import java.util.HashMap;
import java.util.List;
import java.util.Map;
import java.util.Objects;
import java.util.Optional;
import java.util.OptionalLong;
import java.util.UUID;
import java.util.concurrent.TimeUnit;
import java.util.function.Function;
import java.util.stream.Stream;
import org.springframework.jdbc.core.simple.JdbcClient;
import org.springframework.stereotype.Component;
import wendo.app.credit.Attribution;
import wendo.app.issue.links.LinkHosts;
import wendo.app.outcome.outcomes.Outcomes;
import wendo.app.outcome.outcomes.Reporter;
import wendo.app.platform.business.Business;
import wendo.app.platform.business.BusinessScope;
import wendo.app.visit.visits.LoggedVisit;
import wendo.app.visit.visits.VisitStore;
import wendo.core.links.Device;
import wendo.core.outcomes.Occurrence;
import wendo.core.outcomes.OutcomeReport;
import wendo.core.outcomes.OutcomeStatus;
import wendo.core.outcomes.ReportedDetails;
import wendo.simulation.Browsers;
import wendo.simulation.MarramPoint;
import wendo.simulation.Season;
import wendo.simulation.SeasonSimulation;

/** Fills the demo business with its season, and on later starts with what has happened since. */
@Component
class DemoSeed {
    /** Enough visits for the planner to see what they are like. */
    private static final int FEW = 1_000;

    private final JdbcClient jdbc;
    private final DemoSetting setting;
    private final LinkHosts hosts;
    private final Outcomes outcomes;
    private final VisitStore visits;
    private final BusinessScope scope;
    private final DemoOffice desk;
    private final DemoArrivals pages;
    private final DemoProofs proofs;
    private final DemoScreens screens;
    private final DemoFollowUp followUp;
    private final Attribution attribution;
    private final Clock clock;
    private boolean isNew;

    private record Filled(LocalDate firstDay, Instant until) {}

    /** @param ways the pages that its visitors are led to in turn, if it is split */
    private record Placed(UUID link, UUID source, UUID destination, List<UUID> ways) {
        UUID destinationOf(UUID visitor) {
            return ways.isEmpty() ? destination : ways.get(Math.floorMod(visitor.hashCode(), ways.size()));
        }
    }

    DemoSeed(
            JdbcClient jdbc,
            DemoSetting setting,
            LinkHosts hosts,
            Outcomes outcomes,
            VisitStore visits,
            BusinessScope scope,
            DemoOffice desk,
            DemoArrivals pages,
            DemoProofs proofs,
            DemoScreens screens,
            DemoFollowUp followUp,
            Attribution attribution,
            Clock clock) {
        this.jdbc = jdbc;
        this.setting = setting;
        this.hosts = hosts;
        this.outcomes = outcomes;
        this.visits = visits;
        this.scope = scope;
        this.desk = desk;
        this.pages = pages;
        this.proofs = proofs;
        this.screens = screens;
        this.followUp = followUp;
        this.attribution = attribution;
        this.clock = clock;
    }

    /** Call it outside of a transaction, for a business whose links' hosts exist. */
    void fill(Business business, String siteOrigin, DemoStart.Login owner) {
        Instant now = clock.instant();
        Optional<Filled> known = scope.within(business.id(), this::find);
        Filled before = known.orElseGet(() -> scope.within(business.id(), () -> begin(business, siteOrigin)));
        if (known.isEmpty()) {
            screens.setUp(business, before.firstDay(), siteOrigin, owner);
        }
        Season season = SeasonSimulation.play(
                MarramPoint.WORLD,
                SeasonSimulation.SEED,
                new SeasonSimulation.Start(before.firstDay(), business.zone()),
                now);
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
            record(heardSince(done, before.until(), Season.Did::reportedAt), DemoSeed::reported, Reporter.SITE_TAG);
            List<Season.Did> reversed =
                    done.stream().filter(did -> takenBackBy(did, now)).toList();
            record(
                    heardSince(
                            reversed,
                            before.until(),
                            did -> did.takenBack().orElseThrow().at()),
                    DemoSeed::takenBack,
                    Reporter.SERVER);
            return jdbc.sql("update demo_season set filled_until = ?")
                    .param(Timestamp.from(now))
                    .update();
        });
        if (known.isEmpty()) {
            screens.mail(business, season, before.firstDay(), owner);
            isNew = true;
        }
    }

    /** After so many new rows the planner needs fresh statistics. */
    private boolean analyzeVisits() {
        jdbc.sql("select analyze_visits(), analyze_visit_sums()").query(row -> {});
        return true;
    }

    private Map<String, String> prove(List<Season.Came> fresh, Map<String, Placed> placed) {
        Map<String, UUID> links = new HashMap<>();
        placed.forEach((slug, link) -> links.put(slug, link.link()));
        return proofs.open(fresh.stream().filter(Season.Came::isTest).toList(), links);
    }

    private static List<Season.Did> heardSince(
            List<Season.Did> done, Instant after, Function<Season.Did, Instant> heardAt) {
        return done.stream().filter(did -> heardAt.apply(did).isAfter(after)).toList();
    }

    private void record(List<Season.Did> heard, Function<Season.Did, OutcomeReport> report, Reporter reporter) {
        outcomes.recordAll(heard.stream().map(report).toList(), reporter);
    }

    private static OutcomeReport reported(Season.Did did) {
        return new OutcomeReport(
                did.kind(),
                did.reference(),
                OptionalLong.of(did.valueMinor()),
                did.click(),
                Optional.of(Occurrence.at(did.at())),
                Optional.empty(),
                OptionalLong.empty(),
                OptionalLong.empty(),
                DemoOffice.told(did.kind(), did.reference(), did.code()));
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
                OptionalLong.empty(),
                ReportedDetails.none());
    }

    /** What the people of the business did meanwhile. */
    void work(Business business, DemoStart.Login owner) {
        boolean isFirst = isNew;
        scope.within(business.id(), () -> {
            jdbc.sql("select analyze_credit_tables()").query(row -> {});
            desk.work();
            if (isNew) {
                followUp.tell();
                isNew = false;
            }
            desk.count(business.id().value());
            attribution.anew("The season's journeys are learned from");
            return true;
        });
        if (isFirst) {
            screens.settle(business, owner);
        }
    }

    /** Screens are full from the first look on: waits, five minutes at most, until what was filled in is credited. */
    void awaitCredit() throws InterruptedException {
        for (int tries = 0; tries < 3_000 && isCreditDue(); tries++) {
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
        setting.setUp(firstDay, siteOrigin);
        desk.setUp(business.id().value());
        pages.setUp(business, firstDay);
        setting.date(firstDay, business.zone());
        return filled;
    }

    private Map<String, Placed> placedLinks() {
        Map<String, Placed> placed = new HashMap<>();
        jdbc.sql("""
                        select slug, id, source_id, destination_id, array(
                            select destination_id from link_branch where link_id = link.id and share > 0)
                        from link where host_id = ?
                        """).param(hosts.defaultHost().id()).query(row -> {
            placed.put(
                    row.getString(1),
                    new Placed(
                            row.getObject(2, UUID.class),
                            row.getObject(3, UUID.class),
                            row.getObject(4, UUID.class),
                            ways(row.getObject(4, UUID.class), (UUID[])
                                    row.getArray(5).getArray())));
        });
        return placed;
    }

    private static List<UUID> ways(UUID own, UUID[] others) {
        return others.length == 0
                ? List.of()
                : Stream.concat(Stream.of(own), Arrays.stream(others)).toList();
    }

    private static LoggedVisit logged(Season.Came visit, Placed link, Business business, String proof) {
        return new LoggedVisit(
                visit.click(),
                business.id(),
                link.link(),
                link.source(),
                link.destinationOf(visit.visitor()),
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
