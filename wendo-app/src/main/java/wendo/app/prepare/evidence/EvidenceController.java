package wendo.app.prepare.evidence;

import java.util.LinkedHashMap;
import java.util.List;
import java.util.Map;
import java.util.Optional;
import java.util.UUID;
import org.springframework.stereotype.Controller;
import org.springframework.web.bind.annotation.GetMapping;
import org.springframework.web.bind.annotation.PostMapping;
import org.springframework.web.bind.annotation.RequestMapping;
import org.springframework.web.bind.annotation.RequestParam;
import org.springframework.web.servlet.ModelAndView;
import wendo.app.platform.accounts.CurrentPerson;
import wendo.app.platform.accounts.Needs;
import wendo.app.platform.accounts.Permission;
import wendo.app.platform.business.UniqueKey;
import wendo.app.platform.site.InvalidForm;
import wendo.app.platform.site.Texts;
import wendo.app.platform.site.ViewRecord;
import wendo.app.prepare.sources.SourceListed;
import wendo.app.prepare.sources.Sources;

/** Codes and answers with the sources they stand for, and those that match nothing. */
@Needs(Permission.SET_UP)
@Controller
@RequestMapping("/setup/codes")
class EvidenceController {
    private final SourceClues clues;
    private final Sources sources;

    EvidenceController(SourceClues clues, Sources sources) {
        this.clues = clues;
        this.sources = sources;
    }

    /** As typed. */
    record Typed(String kind, String text, String source) {}

    record EvidenceListPage(
            List<SourceClues.Standing> standing,
            List<SourceClues.Unmatched> unmatched,
            List<SourceListed> sources,
            Typed typed,
            Map<String, String> faults) {}

    @GetMapping
    ModelAndView list() {
        return list(new Typed("code", "", ""), Map.of());
    }

    private ModelAndView list(Typed typed, Map<String, String> faults) {
        return ViewRecord.of(
                "prepare/evidence/list",
                new EvidenceListPage(clues.all(), clues.unmatched(), sources.list(), typed, faults));
    }

    @PostMapping
    ModelAndView add(
            @RequestParam(defaultValue = "") String kind,
            @RequestParam(defaultValue = "") String text,
            @RequestParam(defaultValue = "") String source,
            CurrentPerson person) {
        Typed typed = new Typed(kind, text.strip(), source);
        Optional<ClueKind> what = ClueKind.find(kind);
        Optional<String> key = what.flatMap(one -> one.normal(text));
        Optional<SourceListed> of = sources.list().stream()
                .filter(one -> one.id().toString().equals(source))
                .findFirst();
        Map<String, String> faults = new LinkedHashMap<>();
        if (key.isEmpty() || text.length() > SourceClues.MAX_SHOWN) {
            faults.put("text", Texts.of("prepare.evidence.use-letters-or-digits-a"));
        }
        if (of.isEmpty()) {
            faults.put("source", Texts.of("prepare.evidence.choose-its-source"));
        }
        if (faults.isEmpty()) {
            ClueKind known = what.orElseThrow();
            UUID id = of.orElseThrow().id();
            String by = person.name();
            if (UniqueKey.refuses(
                    () -> clues.add(new SourceClue.Key(known.key(), key.orElseThrow()), text.strip(), id, by))) {
                clues.taken(known, key.orElseThrow(), id)
                        .ifPresent(
                                name -> faults.put("text", Texts.of("prepare.evidence.it-stands-for-already", name)));
            }
        }
        return faults.isEmpty() ? new ModelAndView("redirect:/setup/codes") : InvalidForm.of(list(typed, faults));
    }

    @PostMapping("/remove")
    String remove(@RequestParam String kind, @RequestParam String key) {
        ClueKind.find(kind).ifPresent(what -> clues.remove(what, key));
        return "redirect:/setup/codes";
    }
}
