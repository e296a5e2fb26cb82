package wendo.app.compare.report;

import jakarta.servlet.http.HttpServletResponse;
import java.io.IOException;
import java.math.BigDecimal;
import java.math.RoundingMode;
import java.util.ArrayList;
import java.util.HashMap;
import java.util.List;
import java.util.Locale;
import java.util.Map;
import java.util.Optional;
import java.util.OptionalDouble;
import java.util.function.DoubleFunction;
import java.util.stream.Stream;
import org.springframework.http.HttpHeaders;
import org.springframework.http.HttpStatus;
import org.springframework.stereotype.Controller;
import org.springframework.web.bind.annotation.GetMapping;
import org.springframework.web.bind.annotation.PathVariable;
import org.springframework.web.server.ResponseStatusException;
import wendo.app.compare.sql.CompareChoice;
import wendo.app.compare.sql.Grouping;
import wendo.app.compare.table.CompareContext;
import wendo.app.compare.table.ComparedRow;
import wendo.app.compare.table.Comparison;
import wendo.app.compare.table.Comparisons;
import wendo.app.compare.table.Judged;
import wendo.app.platform.accounts.Needs;
import wendo.app.platform.accounts.Permission;
import wendo.app.platform.business.Business;
import wendo.app.platform.site.PrintedPage;
import wendo.app.platform.site.Texts;
import wendo.app.platform.site.ViewRecord;
import wendo.app.platform.tables.NamedTable;
import wendo.app.platform.tables.TableFormat;
import wendo.core.measure.Interval;
import wendo.core.outcomes.OutcomeKind;

/** The comparison as it is shown, as a file. */
@Needs(Permission.EXPORT)
@Controller
class CompareFiles {
    private static final int RATE_DIGITS = 6;

    private final Comparisons comparisons;
    private final ReportContent content;
    private final PrintedPage pdf;

    CompareFiles(Comparisons comparisons, ReportContent content, PrintedPage pdf) {
        this.comparisons = comparisons;
        this.content = content;
        this.pdf = pdf;
    }

    @GetMapping("/compare/comparison.pdf")
    void paper(CompareContext context, HttpServletResponse response) throws IOException {
        response.setHeader(HttpHeaders.CONTENT_DISPOSITION, "inline; filename=\"comparison.pdf\"");
        response.setContentType("application/pdf");
        Map<String, Object> shown = new HashMap<>(ViewRecord.values(content.table(context)));
        shown.put("business", context.business().name());
        shown.put("figures", context.figures());
        pdf.write("compare/report/print", shown, PrintedPage.Sheet.ACROSS, response.getOutputStream());
    }

    @GetMapping("/compare/comparison.{format}")
    void file(@PathVariable String format, CompareContext context, HttpServletResponse response) throws IOException {
        TableFormat wanted =
                TableFormat.find(format).orElseThrow(() -> new ResponseStatusException(HttpStatus.NOT_FOUND));
        CompareChoice look = context.look();
        Business business = context.business();
        Comparison comparison = comparisons.compare(context.period(), business, look);
        int decimals = business.currency().getDecimalPlaces();
        Map<OutcomeKind, Map<String, Judged>> judged = comparison.judgedByKind();
        List<OutcomeKind> kinds = ComparedRow.kinds(look.kind(), comparison.total());
        List<List<Object>> rows = Stream.concat(comparison.rows().stream(), Stream.of(comparison.total()))
                .map(row -> row(row, kinds, judged, decimals))
                .toList();
        String name = "comparison-%s-%s-%s-%s"
                .formatted(
                        look.grouping().plural(),
                        context.period().startInclusive(),
                        context.period().lastDay(),
                        look.model().key());
        wanted.send(
                response,
                new NamedTable(
                        name,
                        capital(look.grouping().plural()),
                        columns(look.grouping(), kinds, business.currency().getCode()),
                        rows));
    }

    private static final List<String> FIGURES =
            List.of("rate", "rate_low", "rate_high", "cost", "cost_low", "cost_high", "verdict");

    private static List<String> columns(Grouping grouping, List<OutcomeKind> kinds, String currency) {
        List<String> columns = new ArrayList<>(List.of(
                capital(grouping.noun()),
                Texts.of("common.channel"),
                Texts.of("common.visits"),
                Texts.of("common.people")));
        for (OutcomeKind kind : kinds) {
            columns.add(of(kind, "number"));
        }
        columns.add(Texts.of("compare.report.revenue-in", currency));
        columns.add(Texts.of("compare.report.spend-in", currency));
        for (OutcomeKind kind : kinds) {
            FIGURES.forEach(figure -> columns.add(of(kind, figure)));
        }
        return columns;
    }

    private static String of(OutcomeKind kind, String figure) {
        return Texts.of("compare.report.figure", figure, kind.key());
    }

    private static String capital(String word) {
        return word.substring(0, 1).toUpperCase(Locale.ROOT) + word.substring(1);
    }

    private static List<Object> row(
            ComparedRow row, List<OutcomeKind> kinds, Map<OutcomeKind, Map<String, Judged>> judged, int decimals) {
        List<Object> cells = new ArrayList<>(List.of(
                row.name(),
                row.channel()
                        .map(channel -> Texts.of("common.channel-name", channel.key()))
                        .orElse(""),
                row.visits(),
                row.knowsPeople() ? row.people() : ""));
        for (OutcomeKind kind : kinds) {
            cells.add(row.credited(kind).number());
        }
        cells.add(BigDecimal.valueOf(row.revenueMinor(), decimals));
        cells.add(row.spendMinor()
                .<Object>map(minor -> BigDecimal.valueOf(minor, decimals))
                .orElse(""));
        for (OutcomeKind kind : kinds) {
            cells.addAll(
                    bounded(row.rate(kind).value(), row.rate(kind).interval(), rate -> rounded(rate, 0, RATE_DIGITS)));
            cells.addAll(bounded(
                    row.costPer(kind).valueMinor(),
                    row.costPer(kind).intervalMinor(),
                    minor -> rounded(minor, decimals, decimals)));
            cells.add(Optional.ofNullable(judged.getOrDefault(kind, Map.of()).get(row.key()))
                    .filter(Judged::isPossible)
                    .map(Judged::words)
                    .orElse(""));
        }
        return cells;
    }

    /** A value and its bounds; a bound that does not exist is an empty cell. */
    private static List<Object> bounded(
            OptionalDouble value, Optional<Interval> interval, DoubleFunction<Object> rounded) {
        return List.of(
                value.isPresent() ? rounded.apply(value.getAsDouble()) : "",
                interval.map(bounds -> rounded.apply(bounds.low())).orElse(""),
                interval.filter(bounds -> Double.isFinite(bounds.high()))
                        .map(bounds -> rounded.apply(bounds.high()))
                        .orElse(""));
    }

    private static BigDecimal rounded(double number, int shift, int scale) {
        return BigDecimal.valueOf(number).movePointLeft(shift).setScale(scale, RoundingMode.HALF_UP);
    }
}
