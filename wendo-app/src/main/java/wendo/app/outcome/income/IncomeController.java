package wendo.app.outcome.income;

import jakarta.servlet.http.HttpServletResponse;
import java.io.IOException;
import java.math.BigDecimal;
import java.math.RoundingMode;
import java.time.Clock;
import java.time.Instant;
import java.time.LocalDate;
import java.time.temporal.ChronoUnit;
import java.util.List;
import java.util.Map;
import java.util.Optional;
import java.util.UUID;
import org.springframework.http.HttpStatus;
import org.springframework.stereotype.Controller;
import org.springframework.web.bind.annotation.GetMapping;
import org.springframework.web.bind.annotation.PathVariable;
import org.springframework.web.bind.annotation.PostMapping;
import org.springframework.web.server.ResponseStatusException;
import org.springframework.web.servlet.ModelAndView;
import wendo.app.platform.accounts.Needs;
import wendo.app.platform.accounts.PageContext;
import wendo.app.platform.accounts.Permission;
import wendo.app.platform.business.Business;
import wendo.app.platform.site.Amount;
import wendo.app.platform.site.InvalidForm;
import wendo.app.platform.site.PeriodChoice;
import wendo.app.platform.site.Ribbon;
import wendo.app.platform.site.Ribbons;
import wendo.app.platform.site.Texts;
import wendo.app.platform.site.TypedFields;
import wendo.app.platform.site.ViewRecord;
import wendo.app.platform.tables.NamedTable;
import wendo.app.platform.tables.TableFormat;
import wendo.core.income.Earnings;
import wendo.core.measure.Interval;

/** What networks that pay the business promise and pay, by what it is told apart, and where it does not add up. */
@Controller
class IncomeController {
    /** How far back what does not add up is told. */
    private static final int DAYS_TOLD = 180;

    private final IncomeQueries queries;
    private final Incomes incomes;
    private final Ribbons ribbons;
    private final Clock clock;

    IncomeController(IncomeQueries queries, Incomes incomes, Ribbons ribbons, Clock clock) {
        this.queries = queries;
        this.incomes = incomes;
        this.ribbons = ribbons;
        this.clock = clock;
    }

    /** All of a period. */
    record Total(long earnedMinor, long paidMinor, long pendingMinor, long declinedMinor, Earnings earnings) {
        private static Total of(List<IncomeQueries.Group> networks) {
            return new Total(
                    networks.stream()
                            .mapToLong(one -> one.earnings().sumMinor())
                            .sum(),
                    networks.stream().mapToLong(IncomeQueries.Group::paidMinor).sum(),
                    networks.stream()
                            .mapToLong(one -> one.earnings().pendingMinor())
                            .sum(),
                    networks.stream()
                            .mapToLong(IncomeQueries.Group::declinedMinor)
                            .sum(),
                    new Earnings(
                            networks.stream()
                                    .mapToLong(one -> one.earnings().visitsOut())
                                    .sum(),
                            networks.stream()
                                    .flatMap(one -> one.earnings().earnedMinor().stream())
                                    .toList(),
                            0));
        }
    }

    /** A list of outcomes that do not add up, with what it is. */
    record Odd(String key, List<IncomeQueries.Line> lines) {}

    record IncomePage(
            boolean isAnybodyPaying,
            Total total,
            List<IncomeQueries.Group> groups,
            IncomeQueries.By by,
            IncomeQueries.By[] ways,
            List<Odd> odd,
            List<IncomeQueries.Paid> statements,
            Optional<String> refused,
            Map<String, String> typed,
            String fault,
            PeriodChoice choice,
            Ribbon ribbon) {}

    @Needs(Permission.SEE)
    @GetMapping("/partners/income")
    ModelAndView page(TypedFields asked, PageContext context) {
        return page(asked, Optional.empty(), "", context);
    }

    /** The groups that the page shows, with the interval of what a visit earns. */
    @Needs(Permission.EXPORT)
    @GetMapping("/partners/income.{ending}")
    void export(@PathVariable String ending, TypedFields asked, PageContext context, HttpServletResponse response)
            throws IOException {
        TableFormat wanted =
                TableFormat.find(ending).orElseThrow(() -> new ResponseStatusException(HttpStatus.NOT_FOUND));
        IncomeQueries.By by = by(asked);
        int decimals = context.business().currency().getDecimalPlaces();
        wanted.send(
                response,
                new NamedTable(
                        "income",
                        Texts.of("outcome.income.title"),
                        List.of(
                                Texts.of("outcome.income.by-what", by.key()),
                                Texts.of("outcome.income.visits-out"),
                                Texts.of("outcome.income.earned"),
                                Texts.of("outcome.income.per-click"),
                                Texts.of("outcome.income.export-low"),
                                Texts.of("outcome.income.export-high"),
                                Texts.of("outcome.income.pending"),
                                Texts.of("outcome.income.declined"),
                                Texts.of("money.partners.paid")),
                        queries.by(by, context.period(), context.business().zone()).stream()
                                .map(one -> cells(one, by, decimals))
                                .toList()));
    }

    private static List<?> cells(IncomeQueries.Group one, IncomeQueries.By by, int decimals) {
        Earnings earnings = one.earnings();
        Optional<Interval> interval = earnings.interval();
        return List.of(
                one.name().isEmpty() ? Texts.of("outcome.income.of-none", by.key()) : one.name(),
                earnings.visitsOut(),
                BigDecimal.valueOf(earnings.sumMinor(), decimals),
                earnings.perVisitMinor().isPresent()
                        ? each(earnings.perVisitMinor().getAsDouble(), decimals)
                        : "",
                interval.<Object>map(sure -> each(sure.low(), decimals)).orElse(""),
                interval.<Object>map(sure -> each(sure.high(), decimals)).orElse(""),
                BigDecimal.valueOf(earnings.pendingMinor(), decimals),
                BigDecimal.valueOf(one.declinedMinor(), decimals),
                BigDecimal.valueOf(one.paidMinor(), decimals));
    }

    private static Object each(double minor, int decimals) {
        return BigDecimal.valueOf(minor).movePointLeft(decimals).setScale(decimals + 2, RoundingMode.HALF_UP);
    }

    private static IncomeQueries.By by(TypedFields asked) {
        return IncomeQueries.By.find(asked.text("by")).orElse(IncomeQueries.By.NETWORK);
    }

    /** What arrived at the bank; nothing typed changes nothing. */
    @Needs(Permission.SET_UP)
    @PostMapping("/partners/income/{network}/statements")
    ModelAndView arrived(@PathVariable UUID network, TypedFields typed, PageContext context) {
        String statement = typed.text("statement");
        if (queries.statements().stream()
                .noneMatch(
                        one -> one.network().equals(network) && one.statement().equals(statement))) {
            throw new ResponseStatusException(HttpStatus.NOT_FOUND);
        }
        Business business = context.business();
        try {
            long minor = typed.is("bank", "0")
                    ? 0
                    : Amount.of(typed.text("bank"), business.currency(), business.locale())
                            .minor();
            incomes.arrived(network, statement, minor, context.person().name());
            return new ModelAndView("redirect:/partners/income#statements");
        } catch (IllegalArgumentException e) {
            return InvalidForm.of(page(typed, Optional.of(network + " " + statement), Texts.said(e), context));
        }
    }

    private ModelAndView page(TypedFields asked, Optional<String> refused, String fault, PageContext context) {
        Business business = context.business();
        LocalDate today = business.today(clock);
        Instant since = clock.instant().minus(DAYS_TOLD, ChronoUnit.DAYS);
        IncomeQueries.By by = by(asked);
        List<IncomeQueries.Group> networks = queries.by(IncomeQueries.By.NETWORK, context.period(), business.zone());
        return ViewRecord.of(
                "outcome/income/page",
                new IncomePage(
                        queries.isAnybodyPaying(),
                        Total.of(networks),
                        by == IncomeQueries.By.NETWORK ? networks : queries.by(by, context.period(), business.zone()),
                        by,
                        IncomeQueries.By.values(),
                        List.of(
                                new Odd("overdue", queries.overdue(today)),
                                new Odd("unreported", queries.paidUnreported(since)),
                                new Odd("changed", queries.changed(since)),
                                new Odd("nobody", queries.ofNobody(since))),
                        queries.statements(),
                        refused,
                        asked.firstValues(),
                        fault,
                        context.choice(),
                        ribbons.draw(context.choice())));
    }
}
