package wendo.app.money.spend;

import java.io.IOException;
import java.util.HashMap;
import java.util.LinkedHashMap;
import java.util.List;
import java.util.Map;
import java.util.Set;
import java.util.UUID;
import java.util.stream.Collectors;
import org.springframework.http.HttpStatus;
import org.springframework.stereotype.Controller;
import org.springframework.web.bind.annotation.GetMapping;
import org.springframework.web.bind.annotation.ModelAttribute;
import org.springframework.web.bind.annotation.PathVariable;
import org.springframework.web.bind.annotation.PostMapping;
import org.springframework.web.bind.annotation.RequestMapping;
import org.springframework.web.server.ResponseStatusException;
import org.springframework.web.servlet.ModelAndView;
import org.springframework.web.servlet.mvc.support.RedirectAttributes;
import wendo.app.platform.accounts.Needs;
import wendo.app.platform.accounts.PageContext;
import wendo.app.platform.accounts.Permission;
import wendo.app.platform.business.Business;
import wendo.app.platform.site.TypedFields;
import wendo.app.platform.site.ViewRecord;
import wendo.app.platform.tables.Brought;
import wendo.app.platform.tables.TableForm;
import wendo.app.platform.tables.TableRefused;
import wendo.app.prepare.sources.SourceListed;
import wendo.app.prepare.sources.Sources;
import wendo.core.outcomes.AmountStyle;
import wendo.core.outcomes.DayOrder;

/** A file from an ad account: bring it, say what its columns and names mean, enter it. */
@Needs(Permission.SET_UP)
@Controller
@RequestMapping("/spend/files")
class SpendFileController {
    private static final int SHOWN = 20;

    private final SpendFiles files;
    private final SpendFileEntries entries;
    private final Sources sources;

    SpendFileController(SpendFiles files, SpendFileEntries entries, Sources sources) {
        this.files = files;
        this.entries = entries;
        this.sources = sources;
    }

    record SpendFilePage(
            SpendFile file,
            Map<UUID, String> sources,
            Map<String, String> unnamed,
            int good,
            long sumMinor,
            List<SpendFile.Line> shown,
            List<SpendFile.Line> bad,
            int badCount) {}

    @PostMapping
    String bring(@ModelAttribute TableForm form, PageContext context, RedirectAttributes notes) throws IOException {
        try {
            Brought brought = form.read();
            return "redirect:/spend/files/"
                    + files.add(
                            brought.name(),
                            brought.table(),
                            context.business().locale(),
                            context.person().name());
        } catch (TableRefused e) {
            notes.addFlashAttribute("fileFault", String.valueOf(e.getMessage()));
            return "redirect:/spend";
        }
    }

    @GetMapping("/{id}")
    ModelAndView page(@PathVariable UUID id, Business business) {
        SpendFile file = file(id);
        List<SpendFile.Line> lines =
                file.lines(files.names(), business.currency().getDecimalPlaces());
        List<SpendFile.Line> good =
                lines.stream().filter(SpendFile.Line::isGood).toList();
        Map<UUID, String> names = sources.list().stream()
                .collect(Collectors.toMap(SourceListed::id, SourceListed::name, (a, b) -> a, LinkedHashMap::new));
        return ViewRecord.of(
                "money/spend/file",
                new SpendFilePage(
                        file,
                        names,
                        unnamed(lines),
                        good.size(),
                        good.stream().mapToLong(line -> line.minor().orElse(0L)).sum(),
                        lines.stream().limit(SHOWN).toList(),
                        lines.stream()
                                .filter(line -> !line.isGood())
                                .limit(SHOWN)
                                .toList(),
                        lines.size() - good.size()));
    }

    /** Names that no source stands for yet, as they were written first, by key. */
    private static Map<String, String> unnamed(List<SpendFile.Line> lines) {
        Map<String, String> unnamed = new LinkedHashMap<>();
        lines.stream()
                .filter(line -> line.source().isEmpty() && !line.key().isEmpty())
                .forEach(line -> unnamed.putIfAbsent(line.key(), line.name()));
        return unnamed;
    }

    /** {@code enter} names the button that enters the file; the other reads it again. */
    @PostMapping("/{id}")
    String match(@PathVariable UUID id, TypedFields typed, PageContext context, RedirectAttributes notes) {
        SpendFile file = file(id);
        SpendLayout told = SpendLayout.with(
                file.table(),
                new SpendLayout.Columns(
                        column(typed, "day", file), column(typed, "amount", file), column(typed, "name", file)),
                context.business().locale());
        SpendLayout layout = told.written(
                DayOrder.named(typed.raw("days")).orElse(told.days()),
                AmountStyle.named(typed.raw("amounts")).orElse(told.amounts()));
        files.match(file, layout, named(typed.all("key"), typed.all("source")));
        if (typed.isSent("enter")) {
            int decimals = context.business().currency().getDecimalPlaces();
            notes.addFlashAttribute(
                    "imported",
                    entries.enter(file(id), decimals, context.person().name()));
        }
        return "redirect:/spend/files/" + id;
    }

    private Map<String, UUID> named(List<String> keys, List<String> chosen) {
        Set<String> known =
                sources.list().stream().map(listed -> listed.id().toString()).collect(Collectors.toSet());
        Map<String, UUID> named = new HashMap<>();
        for (int i = 0; i < Math.min(keys.size(), chosen.size()); i++) {
            if (known.contains(chosen.get(i))) {
                named.put(SpendFile.key(keys.get(i)), UUID.fromString(chosen.get(i)));
            }
        }
        return named;
    }

    private static int column(TypedFields typed, String field, SpendFile file) {
        String chosen = typed.text(field, "-1");
        int column = chosen.matches("\\d{1,2}") ? Integer.parseInt(chosen) : -1;
        return column < file.table().columns().size() ? column : -1;
    }

    private SpendFile file(UUID id) {
        return files.find(id).orElseThrow(() -> new ResponseStatusException(HttpStatus.NOT_FOUND));
    }
}
