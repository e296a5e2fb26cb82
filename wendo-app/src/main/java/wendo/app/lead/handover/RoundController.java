package wendo.app.lead.handover;

import java.time.DateTimeException;
import java.time.DayOfWeek;
import java.time.LocalDate;
import java.util.ArrayList;
import java.util.HashMap;
import java.util.LinkedHashMap;
import java.util.List;
import java.util.Map;
import java.util.Optional;
import java.util.Set;
import java.util.UUID;
import java.util.stream.Collectors;
import org.springframework.dao.OptimisticLockingFailureException;
import org.springframework.http.HttpStatus;
import org.springframework.stereotype.Controller;
import org.springframework.web.bind.annotation.GetMapping;
import org.springframework.web.bind.annotation.PathVariable;
import org.springframework.web.bind.annotation.PostMapping;
import org.springframework.web.bind.annotation.RequestMapping;
import org.springframework.web.bind.annotation.RequestParam;
import org.springframework.web.server.ResponseStatusException;
import org.springframework.web.servlet.ModelAndView;
import wendo.app.platform.accounts.Accounts;
import wendo.app.platform.accounts.Colleague;
import wendo.app.platform.accounts.CurrentPerson;
import wendo.app.platform.accounts.Needs;
import wendo.app.platform.accounts.Permission;
import wendo.app.platform.business.EditedVersion;
import wendo.app.platform.business.UniqueKey;
import wendo.app.platform.site.EditConflict;
import wendo.app.platform.site.InvalidForm;
import wendo.app.platform.site.Limits;
import wendo.app.platform.site.Texts;
import wendo.app.platform.site.TypedFields;
import wendo.app.platform.site.ViewRecord;
import wendo.core.handover.Turn;

/** A round of people who get leads in turn. */
@Needs(Permission.SET_UP)
@Controller
@RequestMapping("/setup/rounds")
class RoundController {
    private final Rounds rounds;
    private final Accounts accounts;

    RoundController(Rounds rounds, Accounts accounts) {
        this.rounds = rounds;
        this.accounts = accounts;
    }

    /** What is typed for one person. */
    record Line(Colleague person, String weight, Set<String> daysOff, String awayFrom, String awayUntil, long given) {
        private String words() {
            if (weight.isEmpty()) {
                return "";
            }
            String off = daysOff.stream().sorted().collect(Collectors.joining(", "));
            return Texts.of("lead.handover.weight-days-off-away-to", weight, off, awayFrom, awayUntil);
        }
    }

    record RoundPage(
            Rounds.Listed round, List<Line> lines, DayOfWeek[] days, Map<String, String> faults, boolean maySetUp) {}

    @PostMapping
    ModelAndView add(@RequestParam(defaultValue = "") String name, CurrentPerson person) {
        person.mustBeAllowedToSetUp();
        String plain = name.strip();
        Optional<UUID> added = plain.isEmpty() || plain.length() > Limits.SHORT_NAME
                ? Optional.empty()
                : UniqueKey.stored(() -> rounds.add(plain));
        return new ModelAndView(
                added.map(id -> "redirect:/setup/rounds/" + id).orElse("redirect:/setup/handovers#rounds"));
    }

    @GetMapping("/{id}")
    ModelAndView one(@PathVariable UUID id, CurrentPerson person) {
        Rounds.Listed round = find(id);
        return page(round, stored(round), Map.of(), person);
    }

    private List<Line> stored(Rounds.Listed round) {
        Map<UUID, Turn> turns = round.turns().stream().collect(Collectors.toMap(Turn::person, turn -> turn));
        return accounts.colleagues().stream()
                .map(one -> Optional.ofNullable(turns.get(one.id()))
                        .map(turn -> line(one, turn))
                        .orElse(new Line(one, "", Set.of(), "", "", 0)))
                .toList();
    }

    private ModelAndView conflict(Rounds.Listed theirs, List<Line> typed, CurrentPerson person) {
        Map<String, String> marks = EditConflict.marks(
                typed.stream()
                        .collect(Collectors.toMap(line -> line.person().id().toString(), Line::words)),
                stored(theirs).stream()
                        .collect(Collectors.toMap(line -> line.person().id().toString(), Line::words)));
        return EditConflict.of(page(theirs, typed, marks, person), "/setup/rounds/" + theirs.id());
    }

    private static Line line(Colleague person, Turn turn) {
        return new Line(
                person,
                String.valueOf(turn.weight()),
                turn.daysOff().stream().map(DayOfWeek::name).collect(Collectors.toSet()),
                turn.awayFrom().map(LocalDate::toString).orElse(""),
                turn.awayUntil().map(LocalDate::toString).orElse(""),
                turn.given());
    }

    private ModelAndView page(Rounds.Listed round, List<Line> lines, Map<String, String> faults, CurrentPerson person) {
        return ViewRecord.of(
                "lead/handover/round",
                new RoundPage(
                        round, lines, DayOfWeek.values(), faults, person.role().maySetUp()));
    }

    @PostMapping("/{id}")
    ModelAndView save(@PathVariable UUID id, TypedFields typed, CurrentPerson person) {
        person.mustBeAllowedToSetUp();
        Rounds.Listed round = find(id);
        Map<String, String> faults = new HashMap<>();
        List<Line> lines = new ArrayList<>();
        Map<UUID, Turn> turns = new LinkedHashMap<>();
        for (Colleague one : accounts.colleagues()) {
            Line line = new Line(
                    one,
                    typed.text("weight." + one.id()),
                    Set.copyOf(typed.all("off." + one.id())),
                    typed.text("from." + one.id()),
                    typed.text("until." + one.id()),
                    0);
            lines.add(line);
            read(line, faults).ifPresent(turn -> turns.put(one.id(), turn));
        }
        if (turns.isEmpty() && faults.isEmpty()) {
            faults.put("round", Texts.of("lead.handover.give-at-least-one-person"));
        }
        if (!faults.isEmpty()) {
            return InvalidForm.of(page(round, lines, faults, person));
        }
        try {
            rounds.change(id, EditedVersion.of(typed.text("version")), List.copyOf(turns.values()));
        } catch (OptimisticLockingFailureException e) {
            return conflict(find(id), lines, person);
        }
        return new ModelAndView("redirect:/setup/rounds/" + id);
    }

    /** Without a weight somebody is not in the round. */
    private static Optional<Turn> read(Line line, Map<String, String> faults) {
        if (line.weight().isEmpty()) {
            return Optional.empty();
        }
        try {
            return Optional.of(new Turn(
                    line.person().id(),
                    Integer.parseInt(line.weight()),
                    0,
                    line.daysOff().stream().map(DayOfWeek::valueOf).collect(Collectors.toSet()),
                    day(line.awayFrom()),
                    day(line.awayUntil())));
        } catch (DateTimeException e) {
            faults.put(line.person().id().toString(), Texts.of("lead.handover.choose-days-like-2026-07"));
        } catch (IllegalArgumentException e) {
            faults.put(line.person().id().toString(), Texts.of("lead.handover.a-weight-is-a-whole", Turn.MAX_WEIGHT));
        }
        return Optional.empty();
    }

    private static Optional<LocalDate> day(String text) {
        return text.isEmpty() ? Optional.empty() : Optional.of(LocalDate.parse(text));
    }

    private Rounds.Listed find(UUID id) {
        return rounds.list().stream()
                .filter(round -> round.id().equals(id))
                .findFirst()
                .orElseThrow(() -> new ResponseStatusException(HttpStatus.NOT_FOUND));
    }
}
