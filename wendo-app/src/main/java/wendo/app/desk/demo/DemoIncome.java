package wendo.app.desk.demo;

import java.nio.charset.StandardCharsets;
import java.time.Clock;
import java.time.Duration;
import java.time.Instant;
import java.util.ArrayList;
import java.util.List;
import java.util.Optional;
import java.util.OptionalLong;
import java.util.SplittableRandom;
import java.util.UUID;
import org.springframework.core.env.Environment;
import org.springframework.jdbc.core.simple.JdbcClient;
import org.springframework.stereotype.Component;
import wendo.app.issue.links.Links;
import wendo.app.outcome.income.Incomes;
import wendo.app.outcome.income.ReportedIncome;
import wendo.app.outcome.outcomes.Outcomes;
import wendo.app.outcome.outcomes.Reporter;
import wendo.app.platform.business.Business;
import wendo.app.platform.business.BusinessScope;
import wendo.app.visit.visits.LoggedVisit;
import wendo.app.visit.visits.VisitStore;
import wendo.core.income.Income;
import wendo.core.income.IncomeState;
import wendo.core.links.Channel;
import wendo.core.outcomes.Occurrence;
import wendo.core.outcomes.OutcomeKind;
import wendo.core.outcomes.OutcomeReport;
import wendo.core.outcomes.OutcomeStatus;
import wendo.core.outcomes.ReportedDetails;
import wendo.core.visits.ClickId;
import wendo.simulation.Browsers;

/** A season of a network that pays for visits to its boat insurance, which two guides on the business's site link to. */
@Component
class DemoIncome {
    private static final String NETWORK = "Fairlead Network";
    private static final String SITE = "https://marrampoint.example/guides/";
    private static final int DAYS = 110;
    private static final int VISITS = 900;

    /** Of so many visits one buys. */
    private static final int ONE_IN = 16;

    private static final int PAYS_AFTER_DAYS = 45;

    private final Links links;
    private final VisitStore visits;
    private final Outcomes outcomes;
    private final Incomes incomes;
    private final BusinessScope scope;
    private final JdbcClient jdbc;
    private final Environment environment;
    private final Clock clock;

    DemoIncome(
            Links links,
            VisitStore visits,
            Outcomes outcomes,
            Incomes incomes,
            BusinessScope scope,
            JdbcClient jdbc,
            Environment environment,
            Clock clock) {
        this.links = links;
        this.visits = visits;
        this.outcomes = outcomes;
        this.incomes = incomes;
        this.scope = scope;
        this.jdbc = jdbc;
        this.environment = environment;
        this.clock = clock;
    }

    /** A guide, the share of the visits that it sends out, and what its buyers buy. */
    private record Guide(String name, String slug, int percent, String product, int fee) {}

    private static final List<Guide> GUIDES = List.of(
            new Guide("Guide: what a boat costs", "cover-costs", 65, "Season cover", 1_450),
            new Guide("Guide: your first dinghy", "cover-first", 35, "Dinghy cover", 620));

    private record Placed(Guide guide, UUID link, UUID source, UUID destination) {}

    /** Once, after everybody came. */
    void earn(Business business, DemoBrowser maren) {
        String offer = offer();
        List<Placed> placed = scope.within(
                business.id(),
                () -> GUIDES.stream().map(guide -> placed(guide, offer)).toList());
        maren.send("/setup/networks/new", "/setup/networks/new", """
                name: %s
                source: %s
                pattern: %s
                parameter: s1
                alphabet: letters
                maxLength: 50
                kind: purchase
                sub: [s1]
                reference: [sale]
                value: [amount]
                commission: [fee]
                status: [state]
                pays: yes
                paysAfterDays: %d
                """.formatted(
                        NETWORK, placed.get(0).source(), offer, PAYS_AFTER_DAYS));
        UUID network = network(business);
        SplittableRandom random = new SplittableRandom(20_26);
        List<LoggedVisit> sent = new ArrayList<>();
        List<Sale> sales = new ArrayList<>();
        for (int i = 0; i < VISITS; i++) {
            Placed from = placed.get(random.nextInt(100) < GUIDES.get(0).percent() ? 0 : 1);
            Instant at = clock.instant().minus(Duration.ofMinutes(random.nextLong(60, DAYS * 24L * 60)));
            LoggedVisit visit = visit(business, from, ClickId.of(at, random));
            sent.add(visit);
            if (random.nextInt(ONE_IN) == 0) {
                sales.add(new Sale(visit, from.guide(), random.nextInt(100), sales.size() + 1));
            }
        }
        visits.store(sent);
        ReportedIncome.Payer payer = new ReportedIncome.Payer(network, PAYS_AFTER_DAYS);
        scope.within(business.id(), () -> {
            sales.forEach(sale -> report(sale, payer, placed.get(0).source()));
            return true;
        });
        scope.within(business.id(), () -> {
            sales.forEach(sale -> decide(sale, payer));
            return true;
        });
    }

    /** The tag says on one guide that its links earn; the other says nothing, which the check finds. */
    void disclose(Business business, DemoBrowser maren) {
        maren.send("/setup/disclosure", "/setup/disclosure", "version: 0\nplace: first");
        maren.send("/setup/disclosure", "/setup/disclosure/check", "");
        maren.send("/setup/outgoing", "/setup/outgoing", """
                name: Boat insurance
                pattern: %s
                network: %s
                """.formatted(offer(), network(business)));
    }

    private String offer() {
        return "http://localhost:%s/offer".formatted(environment.getProperty("WENDO_NETWORK_PORT", "8092"));
    }

    private UUID network(Business business) {
        return scope.within(
                business.id(),
                () -> jdbc.sql("select id from partner_network where name = ?")
                        .param(NETWORK)
                        .query(UUID.class)
                        .single());
    }

    private Placed placed(Guide guide, String offer) {
        Links.Issued.Done done = (Links.Issued.Done) links.issue(
                offer, "Guides", List.of(new Links.Wish(guide.name(), Channel.OTHER, guide.slug())), "Maren Holt");
        Links.IssuedLink link = done.links().get(0);
        UUID destination = jdbc.sql("select destination_id from link where id = ?")
                .param(link.id())
                .query(UUID.class)
                .single();
        return new Placed(guide, link.id(), link.source().id(), destination);
    }

    private static LoggedVisit visit(Business business, Placed from, ClickId click) {
        UUID visitor = UUID.nameUUIDFromBytes(click.toString().getBytes(StandardCharsets.US_ASCII));
        return new LoggedVisit(
                click,
                business.id(),
                from.link(),
                from.source(),
                from.destination(),
                visitor,
                "",
                Browsers.country(visitor),
                "phone",
                "",
                Browsers.ordinary(visitor),
                "",
                SITE + from.guide().slug(),
                "en",
                "");
    }

    /** What somebody bought; {@code luck} from 0 to 99 says what becomes of it. */
    private record Sale(LoggedVisit visit, Guide guide, int luck, int number) {
        String reference() {
            return "FL-%d".formatted(4_100 + number);
        }

        Instant at() {
            return visit.click().arrivedAt().plus(Duration.ofMinutes(12));
        }

        long fee() {
            return guide.fee() + (luck % 7) * 35L;
        }
    }

    private void report(Sale sale, ReportedIncome.Payer payer, UUID source) {
        UUID outcome = outcomes.recordAll(
                        List.of(new OutcomeReport(
                                OutcomeKind.PURCHASE,
                                sale.reference(),
                                OptionalLong.empty(),
                                Optional.of(sale.visit().click()),
                                Optional.of(Occurrence.at(sale.at())),
                                Optional.empty(),
                                OptionalLong.empty(),
                                OptionalLong.empty(),
                                ReportedDetails.none())),
                        Reporter.POSTBACK,
                        Optional.of(source),
                        NETWORK)
                .get(0)
                .known()
                .orElseThrow();
        incomes.told(told(sale, outcome, payer, new Income.News(Optional.empty(), OptionalLong.of(sale.fee())), ""));
    }

    private static ReportedIncome told(
            Sale sale, UUID outcome, ReportedIncome.Payer payer, Income.News news, String statement) {
        return new ReportedIncome(
                outcome,
                payer,
                news,
                OptionalLong.of(sale.fee() * 10),
                sale.guide().product(),
                statement,
                NETWORK);
    }

    /** One in eight is declined; the rest is approved after a month and paid after six weeks, but for a few. */
    private void decide(Sale sale, ReportedIncome.Payer payer) {
        long days = Duration.between(sale.at(), clock.instant()).toDays();
        Optional<IncomeState> state = sale.luck() < 12
                ? Optional.of(IncomeState.DECLINED)
                : days > PAYS_AFTER_DAYS && sale.luck() < 92
                        ? Optional.of(IncomeState.PAID)
                        : days > 30 ? Optional.of(IncomeState.APPROVED) : Optional.empty();
        UUID outcome = outcomes.find(OutcomeKind.PURCHASE, sale.reference()).orElseThrow();
        state.ifPresent(next -> {
            OptionalLong changed = sale.luck() / 4 == 12 ? OptionalLong.of(sale.fee() - 200) : OptionalLong.empty();
            incomes.told(told(
                    sale,
                    outcome,
                    payer,
                    new Income.News(Optional.of(next), changed),
                    next == IncomeState.PAID ? statement(sale) : ""));
            outcomes.recordAll(List.of(standing(sale, next)), Reporter.POSTBACK, Optional.empty(), NETWORK);
        });
    }

    /** Named by the month in which it is paid. */
    private static String statement(Sale sale) {
        return "Statement "
                + sale.at().plus(Duration.ofDays(PAYS_AFTER_DAYS)).toString().substring(0, 7);
    }

    private static OutcomeReport standing(Sale sale, IncomeState state) {
        return new OutcomeReport(
                OutcomeKind.PURCHASE,
                sale.reference(),
                OptionalLong.empty(),
                Optional.empty(),
                Optional.empty(),
                OutcomeStatus.find(OutcomeStatus.spoken(state.key())),
                OptionalLong.empty(),
                OptionalLong.empty(),
                ReportedDetails.none());
    }
}
