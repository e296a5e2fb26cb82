package wendo.app.issue.batches;

import jakarta.servlet.http.HttpServletResponse;
import java.io.IOException;
import java.util.Arrays;
import java.util.HashMap;
import java.util.List;
import java.util.Map;
import java.util.Optional;
import java.util.UUID;
import org.springframework.http.HttpStatus;
import org.springframework.stereotype.Controller;
import org.springframework.web.bind.annotation.GetMapping;
import org.springframework.web.bind.annotation.ModelAttribute;
import org.springframework.web.bind.annotation.PathVariable;
import org.springframework.web.bind.annotation.PostMapping;
import org.springframework.web.bind.annotation.RequestHeader;
import org.springframework.web.bind.annotation.RequestMapping;
import org.springframework.web.bind.annotation.RequestParam;
import org.springframework.web.multipart.MultipartFile;
import org.springframework.web.server.ResponseStatusException;
import org.springframework.web.servlet.ModelAndView;
import wendo.app.issue.links.LinkHosts;
import wendo.app.issue.links.NamedPlan;
import wendo.app.platform.accounts.CurrentPerson;
import wendo.app.platform.accounts.Needs;
import wendo.app.platform.accounts.Permission;
import wendo.app.platform.site.InvalidForm;
import wendo.app.platform.site.Texts;
import wendo.app.platform.site.TypedFields;
import wendo.app.platform.site.ViewRecord;
import wendo.app.platform.tables.Brought;
import wendo.app.platform.tables.NamedTable;
import wendo.app.platform.tables.ShownRows;
import wendo.app.platform.tables.TableFormat;
import wendo.app.platform.tables.TableRefused;

/** Links from a file: bring it, match its columns, read the report, issue, take the result along. */
@Needs(Permission.ISSUE)
@Controller
@RequestMapping("/issue/files")
class BatchController {

    private final BatchStore store;
    private final BatchQueries queries;
    private final BatchOrders orders;
    private final BatchSetting setting;

    BatchController(BatchStore store, BatchQueries queries, BatchOrders orders, BatchSetting setting) {
        this.store = store;
        this.queries = queries;
        this.orders = orders;
        this.setting = setting;
    }

    record BatchMatchingPage(
            Batch batch,
            Matching matching,
            List<String> parameters,
            List<LinkHosts.LinkHost> hosts,
            List<NamedPlan> plans,
            UUID chosenPlan,
            List<BatchQueries.Row> sample,
            List<BatchColumn> fields) {}

    record BatchListPage(List<Batch> batches, String fault, String pasted) {}

    record BatchReportPage(
            Batch batch, BatchQueries.Counts counts, String show, List<BatchQueries.Row> rows, int next, int from) {}

    @GetMapping
    ModelAndView list() {
        return list("", "");
    }

    @PostMapping
    ModelAndView bring(
            @RequestParam Optional<MultipartFile> file,
            @RequestParam(defaultValue = "") String pasted,
            CurrentPerson person)
            throws IOException {
        try {
            Brought brought = Brought.of(file, pasted);
            Matching matching = Matching.of(brought.table().columns(), setting.parameters(""));
            return new ModelAndView(
                    "redirect:/issue/files/" + store.add(brought.name(), brought.table(), matching, person.name()));
        } catch (TableRefused e) {
            return InvalidForm.of(list(String.valueOf(e.getMessage()), pasted));
        }
    }

    @GetMapping("/template.{kind}")
    void template(@PathVariable String kind, HttpServletResponse response) throws IOException {
        send(
                response,
                kind,
                new NamedTable(
                        "links", Texts.of("common.links"), BatchFiles.template(setting.parameters("")), List.of()));
    }

    /** One batch, or for htmx the part of it that tells how far the work is. */
    @GetMapping("/{id}")
    ModelAndView page(
            @PathVariable UUID id,
            @ModelAttribute ShownRows rows,
            @RequestHeader(name = "HX-Request", required = false) Optional<String> htmx,
            HttpServletResponse response) {
        Batch batch = find(id);
        if (htmx.isPresent() && !batch.isUnderWay()) {
            response.setHeader("HX-Refresh", "true");
        }
        if (batch.isUnderWay()) {
            return new ModelAndView(
                    htmx.isPresent() ? "issue/batches/progress :: progress" : "issue/batches/under-way",
                    "batch",
                    batch);
        }
        return batch.state() == Batch.State.MATCHING ? matching(batch) : report(batch, rows.fate(), rows.firstLine());
    }

    /** Goes back to the columns. */
    @GetMapping("/{id}/columns")
    ModelAndView columns(@PathVariable UUID id) {
        Batch batch = find(id);
        return batch.isOpen() ? matching(batch) : new ModelAndView("redirect:/issue/files/" + id);
    }

    @PostMapping("/{id}/check")
    ModelAndView check(@PathVariable UUID id, TypedFields typed, CurrentPerson person) {
        Batch batch = find(id);
        Matching matching = typed(typed, batch);
        String fault = setting.patternFault(matching);
        if (!fault.isEmpty()) {
            return InvalidForm.of(matching(batch.withMatching(matching)).addObject("patternFault", fault));
        }
        orders.check(id, matching, person.name());
        return new ModelAndView("redirect:/issue/files/" + id);
    }

    private Matching typed(TypedFields typed, Batch batch) {
        Map<String, Integer> columns = new HashMap<>();
        typed.behind("column.").forEach((name, value) -> {
            if (value.matches("\\d{1,2}")
                    && Integer.parseInt(value) < batch.columns().size()) {
                columns.put(name, Integer.parseInt(value));
            }
        });
        Map<String, String> usual = typed.behind("usual.");
        usual.values().removeIf(String::isEmpty);
        return new Matching(columns, usual, typed.text("host"), typed.text("plan"), typed.text("pattern"));
    }

    /** @param goAhead said where pages failed: they will be there in time */
    @PostMapping("/{id}/issue")
    ModelAndView issue(
            @PathVariable UUID id, @RequestParam(defaultValue = "false") boolean goAhead, CurrentPerson person) {
        Batch batch = find(id);
        if (!batch.pages().failing().isEmpty() && !goAhead) {
            return InvalidForm.of(report(batch, "", 0).addObject("isAsked", true));
        }
        orders.issue(id, person.name());
        return new ModelAndView("redirect:/issue/files/" + id);
    }

    @PostMapping("/{id}/drop")
    String drop(@PathVariable UUID id) {
        store.drop(id);
        return "redirect:/issue/files";
    }

    @GetMapping("/{id}/result.{kind}")
    void result(@PathVariable UUID id, @PathVariable String kind, HttpServletResponse response) throws IOException {
        Batch batch = find(id);
        send(
                response,
                kind,
                new NamedTable(
                        Texts.of("issue.batches.file-with-links", batch.name().replaceFirst("\\.[A-Za-z]{2,5}$", "")),
                        Texts.of("common.links"),
                        BatchFiles.columns(batch),
                        BatchFiles.rows(batch, queries.all(id))));
    }

    private static void send(HttpServletResponse response, String kind, NamedTable table) throws IOException {
        TableFormat.find(kind)
                .orElseThrow(() -> new ResponseStatusException(HttpStatus.NOT_FOUND))
                .send(response, table);
    }

    private Batch find(UUID id) {
        return store.find(id).orElseThrow(() -> new ResponseStatusException(HttpStatus.NOT_FOUND));
    }

    private ModelAndView list(String fault, String pasted) {
        return ViewRecord.of("issue/batches/list", new BatchListPage(store.recent(), fault, pasted));
    }

    private ModelAndView matching(Batch batch) {
        return ViewRecord.of(
                "issue/batches/matching",
                new BatchMatchingPage(
                        batch,
                        batch.matching(),
                        setting.parameters(batch.matching().plan()),
                        setting.hosts(),
                        setting.plans(),
                        setting.plan(batch.matching()).id(),
                        queries.page(batch.id(), "", 0).stream().limit(3).toList(),
                        Arrays.asList(BatchColumn.values())));
    }

    private ModelAndView report(Batch batch, String show, int from) {
        List<BatchQueries.Row> rows = queries.page(batch.id(), show, from);
        boolean more = rows.size() > BatchQueries.PAGE;
        return ViewRecord.of(
                "issue/batches/report",
                new BatchReportPage(
                        batch,
                        queries.counts(batch.id()),
                        show,
                        more ? rows.subList(0, BatchQueries.PAGE) : rows,
                        more ? rows.get(BatchQueries.PAGE).line() : 0,
                        from));
    }
}
