package wendo.app.outcome.imports;

import com.github.kagkarlsson.scheduler.SchedulerClient;
import jakarta.servlet.http.HttpServletResponse;
import java.io.IOException;
import java.time.Clock;
import java.util.EnumMap;
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
import org.springframework.web.server.ResponseStatusException;
import org.springframework.web.servlet.ModelAndView;
import org.springframework.web.servlet.mvc.support.RedirectAttributes;
import wendo.app.platform.accounts.CurrentPerson;
import wendo.app.platform.accounts.Needs;
import wendo.app.platform.accounts.Permission;
import wendo.app.platform.business.Business;
import wendo.app.platform.site.InvalidForm;
import wendo.app.platform.site.Texts;
import wendo.app.platform.site.TypedFields;
import wendo.app.platform.site.ViewRecord;
import wendo.app.platform.tables.Brought;
import wendo.app.platform.tables.ShownRows;
import wendo.app.platform.tables.Table;
import wendo.app.platform.tables.TableForm;
import wendo.app.platform.tables.TableRefused;
import wendo.app.prepare.sources.SourceListed;
import wendo.app.prepare.sources.Sources;
import wendo.core.outcomes.AmountStyle;
import wendo.core.outcomes.DayOrder;
import wendo.core.outcomes.OutcomeKind;

/** Outcomes from a file: bring it, match its columns, read the fate of each row, import, undo. */
@Needs(Permission.SET_UP)
@Controller
@RequestMapping("/outcomes/files")
class ImportController {
    private final ImportFiles files;
    private final ImportCheck check;
    private final ImportWork work;
    private final Sources sources;
    private final SchedulerClient jobs;
    private final Clock clock;

    ImportController(
            ImportFiles files, ImportCheck check, ImportWork work, Sources sources, SchedulerClient jobs, Clock clock) {
        this.files = files;
        this.check = check;
        this.work = work;
        this.sources = sources;
        this.jobs = jobs;
        this.clock = clock;
    }

    record ImportListPage(List<ImportFiles.File> files, String fault, String pasted) {}

    record ImportMatchingPage(
            ImportFiles.File file,
            ImportColumn[] columns,
            OutcomeKind[] kinds,
            List<SourceListed> sources,
            boolean isRemembered,
            List<ImportFiles.Line> sample) {}

    record ImportReportPage(
            ImportFiles.File file,
            List<ImportFiles.Count> counts,
            String show,
            List<ImportFiles.Line> lines,
            int next) {}

    @GetMapping
    ModelAndView list() {
        return list("", "");
    }

    private ModelAndView list(String fault, String pasted) {
        return ViewRecord.of("outcome/imports/list", new ImportListPage(files.recent(), fault, pasted));
    }

    @PostMapping
    ModelAndView bring(@ModelAttribute TableForm form, Business business, CurrentPerson person) throws IOException {
        try {
            Brought brought = form.read();
            Table table = brought.table();
            ImportMatching matching =
                    files.layout(table.columns()).orElseGet(() -> ImportMatching.guess(table, business.locale()));
            return new ModelAndView("redirect:/outcomes/files/" + files.add(brought, matching, person.name()));
        } catch (TableRefused e) {
            return InvalidForm.of(list(String.valueOf(e.getMessage()), form.text()));
        }
    }

    /** One file, or for htmx whether it is done. */
    @GetMapping("/{id}")
    ModelAndView one(
            @PathVariable UUID id,
            @ModelAttribute ShownRows rows,
            @RequestHeader(name = "HX-Request", required = false) Optional<String> htmx,
            HttpServletResponse response) {
        ImportFiles.File file = find(id);
        if (file.state().equals("importing")) {
            return new ModelAndView(
                    htmx.isPresent() ? "outcome/imports/under-way :: progress" : "outcome/imports/under-way",
                    "file",
                    file);
        }
        if (htmx.isPresent()) {
            response.setHeader("HX-Refresh", "true");
        }
        return file.state().equals("matching") ? matching(file) : report(file, rows.fate(), rows.firstLine());
    }

    @GetMapping("/{id}/columns")
    ModelAndView columns(@PathVariable UUID id) {
        ImportFiles.File file = find(id);
        return List.of("matching", "checked", "refused").contains(file.state())
                ? matching(file)
                : new ModelAndView("redirect:/outcomes/files/" + id);
    }

    private ModelAndView matching(ImportFiles.File file) {
        return ViewRecord.of(
                "outcome/imports/matching",
                new ImportMatchingPage(
                        file,
                        ImportColumn.values(),
                        OutcomeKind.values(),
                        sources.list(),
                        files.layout(file.headings()).isPresent(),
                        files.lines(file.id(), "", 0).stream().limit(3).toList()));
    }

    @PostMapping("/{id}/check")
    ModelAndView check(@PathVariable UUID id, TypedFields typed, Business business) {
        ImportFiles.File file = find(id);
        Map<ImportColumn, Integer> columns = new EnumMap<>(ImportColumn.class);
        for (ImportColumn column : ImportColumn.values()) {
            String at = typed.raw("column." + column.key());
            if (at.matches("\\d{1,2}") && Integer.parseInt(at) < file.headings().size()) {
                columns.put(column, Integer.parseInt(at));
            }
        }
        String partner = sources.list().stream()
                .map(source -> source.id().toString())
                .filter(typed.raw("partner")::equals)
                .findFirst()
                .orElse("");
        ImportMatching matching = new ImportMatching(
                columns,
                OutcomeKind.find(typed.raw("kind")).map(OutcomeKind::key).orElse("booking"),
                partner,
                typed.raw("amounts").equals("comma") ? AmountStyle.COMMA : AmountStyle.POINT,
                DayOrder.named(typed.raw("days")).orElse(DayOrder.DAY_FIRST));
        if (!columns.containsKey(ImportColumn.REFERENCE)) {
            return InvalidForm.of(matching(file))
                    .addObject("fault", Texts.of("outcome.imports.choose-the-column-that-names"));
        }
        Optional<String> contradiction =
                files.contradiction(id, matching, business.currency().getDecimalPlaces());
        if (contradiction.isPresent() && typed.raw("confirmed").isEmpty()) {
            return InvalidForm.of(matching(file.with(matching)))
                    .addObject("contradicted", true)
                    .addObject("fault", Texts.of("outcome.imports.is-written-in-another-way", contradiction.get()));
        }
        check.check(id, matching);
        return new ModelAndView("redirect:/outcomes/files/" + id);
    }

    @PostMapping("/{id}/import")
    String run(@PathVariable UUID id) {
        find(id);
        if (files.move(id, "checked", "importing", "")) {
            ImportJobs.ask(jobs, id, clock);
        }
        return "redirect:/outcomes/files/" + id;
    }

    @PostMapping("/{id}/undo")
    String undo(@PathVariable UUID id, CurrentPerson person, RedirectAttributes notes) {
        find(id);
        work.undo(id, person.name())
                .ifPresent(undone -> notes.addFlashAttribute(
                        "said",
                        Texts.of("outcome.imports.undone", undone.back())
                                + (undone.left() == 0 ? "" : Texts.of("outcome.imports.left-alone", undone.left()))));
        return "redirect:/outcomes/files/" + id;
    }

    @PostMapping("/{id}/drop")
    String drop(@PathVariable UUID id) {
        files.drop(id);
        return "redirect:/outcomes/files";
    }

    private ModelAndView report(ImportFiles.File file, String show, int from) {
        List<ImportFiles.Line> lines = files.lines(file.id(), show, from);
        boolean more = lines.size() > ImportFiles.PAGE;
        return ViewRecord.of(
                "outcome/imports/report",
                new ImportReportPage(
                        file,
                        files.counts(file.id()),
                        show,
                        more ? lines.subList(0, ImportFiles.PAGE) : lines,
                        more ? lines.get(ImportFiles.PAGE).line() : 0));
    }

    private ImportFiles.File find(UUID id) {
        return files.find(id).orElseThrow(() -> new ResponseStatusException(HttpStatus.NOT_FOUND));
    }
}
