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
import org.springframework.web.bind.annotation.PathVariable;
import org.springframework.web.bind.annotation.PostMapping;
import org.springframework.web.bind.annotation.RequestHeader;
import org.springframework.web.bind.annotation.RequestMapping;
import org.springframework.web.bind.annotation.RequestParam;
import org.springframework.web.multipart.MultipartFile;
import org.springframework.web.server.ResponseStatusException;
import org.springframework.web.servlet.ModelAndView;
import org.springframework.web.servlet.mvc.support.RedirectAttributes;
import wendo.app.platform.accounts.CurrentPerson;
import wendo.app.platform.accounts.Needs;
import wendo.app.platform.accounts.Permission;
import wendo.app.platform.business.Business;
import wendo.app.platform.site.InvalidForm;
import wendo.app.platform.tables.Brought;
import wendo.app.platform.tables.Table;
import wendo.app.platform.tables.TableRefused;
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

    @GetMapping
    ModelAndView list() {
        return list("", "");
    }

    private ModelAndView list(String fault, String pasted) {
        return new ModelAndView("outcome/imports/list")
                .addObject("files", files.recent())
                .addObject("fault", fault)
                .addObject("pasted", pasted);
    }

    @PostMapping
    ModelAndView bring(
            @RequestParam Optional<MultipartFile> file,
            @RequestParam(defaultValue = "") String pasted,
            Business business,
            CurrentPerson person)
            throws IOException {
        try {
            Brought brought = Brought.of(file, pasted);
            Table table = brought.table();
            ImportMatching matching =
                    files.layout(table.columns()).orElseGet(() -> ImportMatching.guess(table, business.locale()));
            return new ModelAndView("redirect:/outcomes/files/"
                    + files.add(brought.name(), table, brought.written(), matching, person.name()));
        } catch (TableRefused e) {
            return InvalidForm.of(list(String.valueOf(e.getMessage()), pasted));
        }
    }

    /** One file, or for htmx whether it is done. */
    @GetMapping("/{id}")
    ModelAndView one(
            @PathVariable UUID id,
            @RequestParam(defaultValue = "") String show,
            @RequestParam(defaultValue = "0") int from,
            @RequestHeader(name = "HX-Request", required = false) Optional<String> htmx,
            HttpServletResponse response) {
        ImportFiles.File file = find(id);
        if (file.state().equals("importing")) {
            return new ModelAndView(
                            htmx.isPresent() ? "outcome/imports/under-way :: progress" : "outcome/imports/under-way")
                    .addObject("file", file);
        }
        if (htmx.isPresent()) {
            response.setHeader("HX-Refresh", "true");
        }
        return file.state().equals("matching") ? matching(file) : report(file, show, from);
    }

    @GetMapping("/{id}/columns")
    ModelAndView columns(@PathVariable UUID id) {
        ImportFiles.File file = find(id);
        return List.of("matching", "checked", "refused").contains(file.state())
                ? matching(file)
                : new ModelAndView("redirect:/outcomes/files/" + id);
    }

    private ModelAndView matching(ImportFiles.File file) {
        return new ModelAndView("outcome/imports/matching")
                .addObject("file", file)
                .addObject("columns", ImportColumn.values())
                .addObject("kinds", OutcomeKind.values())
                .addObject("sources", sources.list())
                .addObject("isRemembered", files.layout(file.headings()).isPresent())
                .addObject(
                        "sample",
                        files.lines(file.id(), "", 0).stream().limit(3).toList());
    }

    @PostMapping("/{id}/check")
    ModelAndView check(@PathVariable UUID id, @RequestParam Map<String, String> typed, Business business) {
        ImportFiles.File file = find(id);
        Map<ImportColumn, Integer> columns = new EnumMap<>(ImportColumn.class);
        for (ImportColumn column : ImportColumn.values()) {
            String at = typed.getOrDefault("column." + column.key(), "");
            if (at.matches("\\d{1,2}") && Integer.parseInt(at) < file.headings().size()) {
                columns.put(column, Integer.parseInt(at));
            }
        }
        String partner = sources.list().stream()
                .map(source -> source.id().toString())
                .filter(typed.getOrDefault("partner", "")::equals)
                .findFirst()
                .orElse("");
        ImportMatching matching = new ImportMatching(
                columns,
                OutcomeKind.find(typed.getOrDefault("kind", ""))
                        .map(OutcomeKind::key)
                        .orElse("booking"),
                partner,
                typed.getOrDefault("amounts", "").equals("comma") ? AmountStyle.COMMA : AmountStyle.POINT,
                DayOrder.named(typed.getOrDefault("days", "")).orElse(DayOrder.DAY_FIRST));
        if (!columns.containsKey(ImportColumn.REFERENCE)) {
            return InvalidForm.of(matching(file))
                    .addObject(
                            "fault",
                            "Say which column names each outcome, such as an order number: it makes each count once.");
        }
        Optional<String> contradiction =
                files.contradiction(id, matching, business.currency().getDecimalPlaces());
        if (contradiction.isPresent() && typed.getOrDefault("confirmed", "").isEmpty()) {
            return InvalidForm.of(matching(file.with(matching)))
                    .addObject("contradicted", true)
                    .addObject(
                            "fault",
                            "“%s” is written in another way than chosen here. Check how days and amounts are written."
                                    .formatted(contradiction.get()));
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
                        "%d %s as before.%s"
                                .formatted(
                                        undone.back(),
                                        undone.back() == 1 ? "outcome is" : "outcomes are",
                                        undone.left() == 0
                                                ? ""
                                                : " %d %s left alone: changed by others since, won from a lead, or written to."
                                                        .formatted(
                                                                undone.left(), undone.left() == 1 ? "was" : "were"))));
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
        return new ModelAndView("outcome/imports/report")
                .addObject("file", file)
                .addObject("counts", files.counts(file.id()))
                .addObject("show", show)
                .addObject("lines", more ? lines.subList(0, ImportFiles.PAGE) : lines)
                .addObject("next", more ? lines.get(ImportFiles.PAGE).line() : 0);
    }

    private ImportFiles.File find(UUID id) {
        return files.find(id).orElseThrow(() -> new ResponseStatusException(HttpStatus.NOT_FOUND));
    }
}
