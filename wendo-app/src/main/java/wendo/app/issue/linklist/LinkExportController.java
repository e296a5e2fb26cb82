package wendo.app.issue.linklist;

import jakarta.servlet.http.HttpServletResponse;
import java.io.IOException;
import java.util.List;
import org.springframework.http.HttpStatus;
import org.springframework.stereotype.Controller;
import org.springframework.web.bind.annotation.GetMapping;
import org.springframework.web.bind.annotation.PathVariable;
import org.springframework.web.server.ResponseStatusException;
import wendo.app.platform.accounts.Needs;
import wendo.app.platform.accounts.Permission;
import wendo.app.platform.site.PeriodChoice;
import wendo.app.platform.site.Texts;
import wendo.app.platform.site.TypedFields;
import wendo.app.platform.tables.NamedTable;
import wendo.app.platform.tables.TableFormat;

/** The list of links as it is filtered and ordered, as a file. */
@Needs(Permission.EXPORT)
@Controller
class LinkExportController {
    /** As many as a sheet of a spreadsheet can be worked with; a filter makes it fewer. */
    static final int MOST = 100_000;

    private final ListQueries queries;

    LinkExportController(ListQueries queries) {
        this.queries = queries;
    }

    @GetMapping("/links/links.{format}")
    void export(@PathVariable String format, TypedFields asked, PeriodChoice choice, HttpServletResponse response)
            throws IOException {
        TableFormat wanted =
                TableFormat.find(format).orElseThrow(() -> new ResponseStatusException(HttpStatus.NOT_FOUND));
        LinkFilter filter = LinkFilter.of(asked);
        List<String> columns = List.of(
                Texts.of("common.name"),
                Texts.of("common.address"),
                Texts.of("issue.linklist.source"),
                Texts.of("common.channel"),
                Texts.of("common.campaign"),
                Texts.of("common.destination"),
                Texts.of("common.labels"),
                Texts.of("common.note"),
                Texts.of("issue.linklist.archived-2"),
                Texts.of("issue.linklist.paid"),
                Texts.of("issue.linklist.page-fails"),
                Texts.of("common.people"),
                Texts.of("common.visits"),
                Texts.of("issue.linklist.not-counted"));
        List<List<Object>> rows = queries.first(filter, MOST, choice.period()).stream()
                .map(LinkExportController::cells)
                .toList();
        String name = "links-%s-%s"
                .formatted(choice.period().startInclusive(), choice.period().lastDay());
        wanted.send(response, new NamedTable(name, Texts.of("common.links"), columns, rows));
    }

    private static List<Object> cells(ListQueries.Row row) {
        return List.of(
                row.name(),
                row.url(),
                row.source(),
                Texts.of("common.channel-name", row.channel().key()),
                row.campaign(),
                row.destination(),
                String.join(", ", row.labels()),
                row.note(),
                row.isArchived() ? "yes" : "no",
                row.isPaid() ? "yes" : "no",
                row.isFailing() ? "yes" : "no",
                row.people(),
                row.visits(),
                row.notCounted());
    }
}
