package wendo.app.outcome.networks;

import com.github.kagkarlsson.scheduler.task.helper.RecurringTask;
import com.github.kagkarlsson.scheduler.task.helper.Tasks;
import com.github.kagkarlsson.scheduler.task.schedule.Schedules;
import java.sql.Timestamp;
import java.time.Clock;
import java.time.Duration;
import java.time.LocalTime;
import java.util.List;
import java.util.Map;
import java.util.Optional;
import java.util.UUID;
import java.util.stream.Collectors;
import org.joda.money.CurrencyUnit;
import org.springframework.context.annotation.Bean;
import org.springframework.context.annotation.Configuration;
import org.springframework.context.event.EventListener;
import org.springframework.jdbc.core.simple.JdbcClient;
import org.springframework.scheduling.annotation.Async;
import wendo.app.issue.links.LinkListed;
import wendo.app.issue.links.LinkSaving;
import wendo.app.outcome.income.Incomes;
import wendo.app.outcome.income.ReportedIncome;
import wendo.app.outcome.outcomes.Outcomes;
import wendo.app.outcome.outcomes.Recorded;
import wendo.app.outcome.outcomes.Reporter;
import wendo.app.platform.business.BusinessId;
import wendo.app.platform.business.BusinessScope;
import wendo.app.platform.business.Businesses;
import wendo.app.platform.site.Texts;
import wendo.app.visit.visits.VisitsStored;
import wendo.core.income.Income;
import wendo.core.income.IncomeState;
import wendo.core.outcomes.OutcomeReport;
import wendo.core.outcomes.OutcomeStatus;
import wendo.core.outcomes.ReportedDetails;
import wendo.core.visits.ClickId;

/** Takes what a network reports as news of an outcome, and joins it to its visit, also if that comes later. */
@Configuration
class PostbackIntake {
    private static final Duration KEPT_FOR = Duration.ofDays(30);
    private static final int MAX_TOLD = 1500;
    private static final int MAX_RESULT = 600;
    private static final int MAX_SUB = 200;

    private final Networks networks;
    private final LinkSaving links;
    private final Outcomes outcomes;
    private final Incomes incomes;
    private final Businesses businesses;
    private final BusinessScope scope;
    private final JdbcClient jdbc;
    private final Clock clock;

    PostbackIntake(
            Networks networks,
            LinkSaving links,
            Outcomes outcomes,
            Incomes incomes,
            Businesses businesses,
            BusinessScope scope,
            JdbcClient jdbc,
            Clock clock) {
        this.networks = networks;
        this.links = links;
        this.outcomes = outcomes;
        this.incomes = incomes;
        this.businesses = businesses;
        this.scope = scope;
        this.jdbc = jdbc;
        this.clock = clock;
    }

    /** What became of a postback, in words for the network. */
    record Taken(boolean isTaken, String result) {}

    /** Runs in the transaction of its caller. */
    Taken take(UUID id, Map<String, String> told) {
        Network network = networks.find(id).orElseThrow();
        Taken taken = record(network, told);
        String line = told.entrySet().stream()
                .map(field -> field.getKey() + "=" + field.getValue())
                .collect(Collectors.joining(" · "));
        jdbc.sql("insert into postback values (?, ?, ?, ?, ?, ?)")
                .params(BusinessScope.current().value(), id, Timestamp.from(clock.instant()))
                .params(plain(line, MAX_TOLD), plain(taken.result(), MAX_RESULT), taken.isTaken())
                .update();
        return taken;
    }

    private static String plain(String text, int most) {
        String printable = text.replaceAll("\\p{Cntrl}", " ");
        return printable.length() <= most ? printable : printable.substring(0, most - 1) + "…";
    }

    private static Optional<String> filled(Network network, Network.Field what, Map<String, String> told) {
        return network.filled(what, told.getOrDefault(what.parameter(), ""));
    }

    /** What a postback's sub-id names: a visit, a link, or nothing that is known. */
    private record Named(String sub, Optional<ClickId> click, Optional<LinkListed> link) {
        boolean isUnknown() {
            return click.isEmpty() && link.isEmpty();
        }
    }

    private Taken record(Network network, Map<String, String> told) {
        Optional<String> sub = filled(network, Network.Field.SUB, told);
        if (sub.isEmpty() || sub.get().length() > MAX_SUB) {
            return refused("outcome.networks.the-sub-id-is-missing", network.placeholder(Network.Field.SUB));
        }
        Optional<ClickId> click = click(network, sub.get());
        Named named = new Named(sub.get(), click, click.isPresent() ? Optional.empty() : link(sub.get()));
        if (named.link().isPresent()
                && filled(network, Network.Field.REFERENCE, told).isEmpty()) {
            return refused(
                    "outcome.networks.the-sub-id-names-your", named.link().get().name());
        }
        Optional<String> wrong = network.pay().pays() ? noAmount(network, told) : Optional.empty();
        if (wrong.isPresent()) {
            return refused("outcome.networks.commission-is-no-amount", wrong.get());
        }
        OutcomeReport.Read read = OutcomeReport.of(
                fields(network, told, named), businesses.current().currency(), clock.instant());
        if (read instanceof OutcomeReport.Read.Bad bad) {
            return new Taken(
                    false,
                    bad.faults().stream()
                            .map(fault -> fault.field() + ": " + Texts.of(fault.sentence()))
                            .collect(Collectors.joining(" ")));
        }
        return store(network, told, named, ((OutcomeReport.Read.Good) read).report());
    }

    private static Taken refused(String text, String about) {
        return new Taken(false, Texts.kept(text, about));
    }

    private OutcomeReport.Fields fields(Network network, Map<String, String> told, Named named) {
        return new OutcomeReport.Fields(
                network.kind().key(),
                filled(network, Network.Field.REFERENCE, told).orElse("sub " + named.sub()),
                network.pay().pays()
                        ? ""
                        : filled(network, Network.Field.VALUE, told).orElse(""),
                filled(network, Network.Field.CURRENCY, told).orElse(""),
                named.click().map(ClickId::toString).orElse(""),
                Optional.empty(),
                filled(network, Network.Field.STATUS, told)
                        .map(OutcomeStatus::spoken)
                        .orElse(""),
                "",
                ReportedDetails.Typed.none());
    }

    private Taken store(Network network, Map<String, String> told, Named named, OutcomeReport report) {
        Recorded recorded = outcomes.recordAll(
                        List.of(report),
                        Reporter.POSTBACK,
                        Optional.of(
                                named.link().map(one -> one.belongs().source()).orElse(network.source())),
                        network.name())
                .get(0);
        if (network.pay().pays()) {
            recorded.known().ifPresent(outcome -> incomes.told(income(network, outcome, told)));
        }
        if (recorded instanceof Recorded.New one && named.isUnknown()) {
            await(one.outcome(), network, named.sub());
        }
        return said(recorded, joined(named));
    }

    private static String joined(Named named) {
        if (named.link().isPresent()) {
            return Texts.kept(
                    "outcome.networks.by-your-link", named.link().get().name());
        }
        return named.click().isPresent()
                ? Texts.kept("outcome.networks.its-visit-is-known")
                : Texts.kept("outcome.networks.no-visit-with-this-sub");
    }

    /** A commission that is no amount of the business's currency. */
    private Optional<String> noAmount(Network network, Map<String, String> told) {
        CurrencyUnit currency = businesses.current().currency();
        return filled(network, Network.Field.COMMISSION, told)
                .filter(text -> OutcomeReport.amount(text, currency).isEmpty());
    }

    /** What it pays; a sale's value that is no amount is taken as not told. */
    private ReportedIncome income(Network network, UUID outcome, Map<String, String> told) {
        CurrencyUnit currency = businesses.current().currency();
        return new ReportedIncome(
                outcome,
                new ReportedIncome.Payer(network.id(), network.pay().afterDays()),
                new Income.News(
                        filled(network, Network.Field.STATUS, told).flatMap(IncomeState::spoken),
                        OutcomeReport.amount(
                                filled(network, Network.Field.COMMISSION, told).orElse(""), currency)),
                OutcomeReport.amount(filled(network, Network.Field.VALUE, told).orElse(""), currency),
                filled(network, Network.Field.PRODUCT, told).orElse(""),
                "",
                network.name());
    }

    /** An ad's own address names its link. */
    private Optional<LinkListed> link(String sub) {
        return links.findPasted(sub)
                .flatMap(links::find)
                .filter(one -> one.slug().equalsIgnoreCase(sub));
    }

    private static Taken said(Recorded recorded, String to) {
        if (recorded instanceof Recorded.Refused refused) {
            return new Taken(false, refused.field() + ": " + refused.message());
        }
        return new Taken(
                true,
                recorded instanceof Recorded.New
                        ? Texts.kept("outcome.networks.taken", to)
                        : recorded instanceof Recorded.Changed
                                ? Texts.kept("outcome.networks.recorded-it-changed-what-was")
                                : Texts.kept("outcome.networks.known-already"));
    }

    private Optional<ClickId> click(Network network, String sub) {
        return ClickId.find(sub)
                .or(() -> jdbc.sql("select click_id from visit_alias where network_id = ? and alias = lower(?)")
                        .params(network.id(), sub)
                        .query(UUID.class)
                        .optional()
                        .map(ClickId::new));
    }

    private void await(UUID outcome, Network network, String sub) {
        jdbc.sql("insert into postback_waiting values (?, ?, ?, lower(?)) on conflict do nothing")
                .params(BusinessScope.current().value(), outcome, network.id(), sub)
                .update();
    }

    @Async
    @EventListener
    void on(VisitsStored event) {
        jdbc.sql("select door_postbacks_waiting()").query(UUID.class).list().stream()
                .map(BusinessId::new)
                .filter(event.businesses()::contains)
                .forEach(business -> scope.within(business, this::joinWaiting));
    }

    /** Those whose visit has arrived. Runs in the transaction of its caller. */
    int joinWaiting() {
        return jdbc.sql("""
                        with come as (
                            delete from postback_waiting w using visit_alias a
                            where a.network_id = w.network_id and a.alias = w.alias
                            returning w.outcome_id, a.click_id)
                        select outcome_id, click_id from come
                        """)
                .query((row, number) ->
                        outcomes.joinVisit(row.getObject(1, UUID.class), new ClickId(row.getObject(2, UUID.class))))
                .list()
                .size();
    }

    @Bean
    RecurringTask<Void> postbacksForgettingTask() {
        return Tasks.recurring("postbacks-forgetting", Schedules.daily(LocalTime.of(3, 30)))
                .execute((task, context) -> jdbc.sql("select forget_postbacks(?)")
                        .param(Timestamp.from(clock.instant().minus(KEPT_FOR)))
                        .query(row -> {}));
    }
}
