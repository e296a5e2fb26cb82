package wendo.app.platform.activity;

import jakarta.servlet.http.HttpServletResponse;
import java.io.IOException;
import java.time.Clock;
import java.util.List;
import java.util.stream.Collectors;
import org.springframework.stereotype.Controller;
import org.springframework.web.bind.annotation.GetMapping;
import org.springframework.web.bind.annotation.RequestMapping;
import org.springframework.web.servlet.ModelAndView;
import wendo.app.platform.accounts.Needs;
import wendo.app.platform.accounts.PageContext;
import wendo.app.platform.accounts.Permission;
import wendo.app.platform.site.Figures;
import wendo.app.platform.site.Texts;
import wendo.app.platform.site.TypedFields;
import wendo.app.platform.site.ViewRecord;
import wendo.app.platform.tables.NamedTable;
import wendo.app.platform.tables.TableFormat;

/** Who did what, searched and taken along. */
@Needs(Permission.OWN)
@Controller
@RequestMapping("/setup/activity")
class ActivityController {
    private final ActivityQueries queries;
    private final Clock clock;

    ActivityController(ActivityQueries queries, Clock clock) {
        this.queries = queries;
        this.clock = clock;
    }

    /** A line of the list. */
    record Line(ActivityQueries.Row row, List<String> changes) {}

    record ActivityPage(
            List<Line> lines,
            long all,
            ActivityFilter filter,
            TrackedKind[] kinds,
            List<Integer> spans,
            int page,
            int pageSize) {}

    @GetMapping
    ModelAndView page(TypedFields asked, PageContext context) {
        ActivityFilter filter = ActivityFilter.of(asked);
        String page = asked.text("page", "0");
        int number = page.matches("\\d{1,4}") ? Integer.parseInt(page) : 0;
        List<Line> lines = queries.page(filter, clock.instant(), number, ActivityQueries.PAGE).stream()
                .map(row -> new Line(row, words(row, context.figures())))
                .toList();
        return ViewRecord.of(
                "platform/activity/page",
                new ActivityPage(
                        lines,
                        queries.count(filter, clock.instant()),
                        filter,
                        TrackedKind.values(),
                        ActivityFilter.DAYS,
                        number,
                        ActivityQueries.PAGE));
    }

    private static List<String> words(ActivityQueries.Row row, Figures figures) {
        return row.changes().stream()
                .map(change -> Texts.of(
                        "platform.activity.change",
                        Texts.of("platform.activity.property", change.property()),
                        value(change.property(), change.before(), figures),
                        value(change.property(), change.after(), figures)))
                .toList();
    }

    private static String value(String property, String text, Figures figures) {
        if (text.isEmpty()) {
            return "–";
        }
        return property.endsWith("Minor") && text.matches("-?\\d{1,18}") ? figures.money(Long.parseLong(text)) : text;
    }

    @GetMapping("/activity.csv")
    void export(TypedFields asked, PageContext context, HttpServletResponse response) throws IOException {
        TableFormat.CSV.send(
                response,
                new NamedTable(
                        "activity",
                        Texts.of("platform.activity.page.title"),
                        List.of(
                                Texts.of("common.when"),
                                Texts.of("platform.activity.page.who"),
                                Texts.of("platform.activity.page.did"),
                                Texts.of("platform.activity.page.what"),
                                Texts.of("common.name"),
                                Texts.of("platform.activity.page.changes")),
                        queries
                                .page(ActivityFilter.of(asked), clock.instant(), 0, ActivityQueries.MOST_EXPORTED)
                                .stream()
                                .map(row -> List.of(
                                        row.at()
                                                .atZone(context.business().zone())
                                                .toOffsetDateTime()
                                                .toString(),
                                        row.person(),
                                        Texts.of("platform.activity.deed", row.did()),
                                        row.kind().label(),
                                        row.subject(),
                                        words(row, context.figures()).stream().collect(Collectors.joining("; "))))
                                .toList()));
    }
}
