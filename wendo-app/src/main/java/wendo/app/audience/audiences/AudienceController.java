package wendo.app.audience.audiences;

import java.util.HashMap;
import java.util.List;
import java.util.Map;
import java.util.Optional;
import java.util.UUID;
import org.springframework.dao.OptimisticLockingFailureException;
import org.springframework.http.HttpStatus;
import org.springframework.stereotype.Controller;
import org.springframework.web.bind.annotation.GetMapping;
import org.springframework.web.bind.annotation.PathVariable;
import org.springframework.web.bind.annotation.PostMapping;
import org.springframework.web.bind.annotation.RequestMapping;
import org.springframework.web.server.ResponseStatusException;
import org.springframework.web.servlet.ModelAndView;
import wendo.app.platform.accounts.Needs;
import wendo.app.platform.accounts.PageContext;
import wendo.app.platform.accounts.Permission;
import wendo.app.platform.business.Business;
import wendo.app.platform.business.EditedVersion;
import wendo.app.platform.business.UniqueKey;
import wendo.app.platform.consent.ConsentPurpose;
import wendo.app.platform.site.EditConflict;
import wendo.app.platform.site.Figures;
import wendo.app.platform.site.InvalidForm;
import wendo.app.platform.site.Limits;
import wendo.app.platform.site.Texts;
import wendo.app.platform.site.TypedFields;
import wendo.app.platform.site.ViewRecord;

/** Audiences: built by choosing, with their number beside them, and looked at. */
@Needs(Permission.SET_UP)
@Controller
@RequestMapping("/audiences")
class AudienceController {
    /** Buttons that change the rules, and every look at their number, say so; whoever says nothing saves. */
    private static final String LOOK = "op";

    private static final int MOVES = 20;

    private final Audiences audiences;
    private final AudienceQueries queries;
    private final AudienceSizes sizes;
    private final RuleChoices choices;

    AudienceController(Audiences audiences, AudienceQueries queries, AudienceSizes sizes, RuleChoices choices) {
        this.audiences = audiences;
        this.queries = queries;
        this.sizes = sizes;
        this.choices = choices;
    }

    /** An audience in the list, with how many belong to it since it was last looked at. */
    record Row(Audiences.Listed audience, String sentence, long people) {}

    record ListPage(List<Row> rows, List<Audiences.Listed> archived, ReadyMade[] readyMade, boolean isGathering) {}

    /**
     * @param action where the form goes
     * @param open how many conditions are not complete yet, and left out of the number
     */
    record BuilderPage(
            String action,
            Optional<Audiences.Listed> audience,
            Map<String, String> typed,
            RuleDraft.Placed root,
            RuleKind[] kinds,
            RuleChoices.Choices choices,
            String sentence,
            AudienceQueries.Size size,
            List<AudienceQueries.Somebody> examples,
            int open,
            int version,
            Map<String, String> faults) {}

    record AudiencePage(
            Audiences.Listed audience,
            String sentence,
            AudienceQueries.Size size,
            List<AudienceQueries.Somebody> people,
            int page,
            boolean hasMore,
            ConsentPurpose[] purposes,
            List<AudienceQueries.Move> moves) {}

    @GetMapping
    ModelAndView list(PageContext context) {
        List<Audiences.Listed> standing = audiences.standing();
        Map<String, String> names = choices.choices(
                        standing.stream().map(Audiences.Listed::rules).toList())
                .names();
        Map<UUID, Long> people = sizes.members();
        List<Row> rows = standing.stream()
                .map(one -> new Row(one, sentence(one.rules(), names, context), people.getOrDefault(one.id(), 0L)))
                .toList();
        return ViewRecord.of(
                "audience/audiences/list",
                new ListPage(rows, audiences.archived(), ReadyMade.values(), sizes.isGathering()));
    }

    private static String sentence(RuleDraft rules, Map<String, String> names, PageContext context) {
        return RuleWords.of(RuleReader.read(rules, context.business()).rule(), figures(context), names);
    }

    private static Figures figures(PageContext context) {
        Business business = context.business();
        return new Figures(business.currency(), business.zone(), business.locale());
    }

    @GetMapping("/new")
    ModelAndView begin(TypedFields asked, PageContext context) {
        Optional<ReadyMade> from = ReadyMade.find(asked.text("from"));
        RuleDraft rules = from.map(one -> one.rules(one == ReadyMade.BEST ? sizes.best(context.business()) : ""))
                .orElse(RuleDraft.group("all").after("add:" + RuleDraft.ROOT));
        String name = from.map(one -> Texts.of("audience.audiences.ready-made", one.key()))
                .orElse("");
        return builder(new Built("/audiences/new", Optional.empty(), 0, name, rules, true), Map.of(), context);
    }

    /** What the builder shows. */
    private record Built(
            String action,
            Optional<Audiences.Listed> audience,
            int version,
            String name,
            RuleDraft rules,
            boolean isLive) {
        static Built of(String action, Optional<Audiences.Listed> audience, TypedFields typed) {
            return new Built(
                    action,
                    audience,
                    audience.map(Audiences.Listed::version).orElse(0),
                    typed.text("name"),
                    RuleDraft.of(typed).after(typed.text(LOOK)),
                    !typed.is("follows", "frozen"));
        }

        Built at(int otherVersion) {
            return new Built(action, audience, otherVersion, name, rules, isLive);
        }

        Audiences.Said said() {
            return new Audiences.Said(name, rules, isLive);
        }

        Map<String, String> fields() {
            return Map.of("name", name, "follows", isLive ? "live" : "frozen");
        }
    }

    private ModelAndView builder(Built built, Map<String, String> faults, PageContext context) {
        RuleChoices.Choices all = choices.choices(List.of(built.rules()));
        RuleReader.Read read = RuleReader.read(built.rules(), context.business());
        RuleSql.Where where = audiences.where(built.rules());
        return ViewRecord.of(
                "audience/audiences/builder",
                new BuilderPage(
                        built.action(),
                        built.audience(),
                        built.fields(),
                        built.rules().placed(),
                        RuleKind.values(),
                        all,
                        RuleWords.of(read.rule(), figures(context), all.names()),
                        queries.size(where),
                        queries.examples(where),
                        read.faults().size(),
                        built.version(),
                        faults));
    }

    @PostMapping("/new")
    ModelAndView add(TypedFields typed, PageContext context) {
        Built built = Built.of("/audiences/new", Optional.empty(), typed);
        if (typed.isSent(LOOK)) {
            return builder(built, Map.of(), context);
        }
        Map<String, String> faults = faults(built, context);
        if (!faults.isEmpty()) {
            return InvalidForm.of(builder(built, faults, context));
        }
        return UniqueKey.stored(
                        () -> audiences.add(built.said(), context.person().name()))
                .map(id -> new ModelAndView("redirect:/audiences/" + id))
                .orElseGet(() -> taken(built, context));
    }

    private ModelAndView taken(Built built, PageContext context) {
        return InvalidForm.of(builder(built, Map.of("name", Texts.of("audience.audiences.name-taken")), context));
    }

    private Map<String, String> faults(Built built, PageContext context) {
        Map<String, String> faults =
                new HashMap<>(RuleReader.read(built.rules(), context.business()).faults());
        if (built.name().isEmpty()) {
            faults.put("name", Texts.of("audience.audiences.name-missing"));
        }
        InvalidForm.tooLong(faults, "name", built.name(), Limits.NAME);
        built.audience()
                .filter(one -> audiences.asksItself(one.id(), built.rules()))
                .ifPresent(one -> faults.put("rules", Texts.of("audience.audiences.asks-itself")));
        return faults;
    }

    @GetMapping("/{id}")
    ModelAndView page(@PathVariable UUID id, TypedFields asked, PageContext context) {
        Audiences.Listed audience = find(id);
        RuleSql.Where people = audiences.people(audience);
        int page = asked.text("page").matches("\\d{1,5}") ? Integer.parseInt(asked.text("page")) : 0;
        List<AudienceQueries.Somebody> found = queries.page(people, page);
        return ViewRecord.of(
                "audience/audiences/page",
                new AudiencePage(
                        audience,
                        sentence(
                                audience.rules(),
                                choices.choices(List.of(audience.rules())).names(),
                                context),
                        queries.size(people),
                        found.subList(0, Math.min(found.size(), AudienceQueries.PAGE)),
                        page,
                        found.size() > AudienceQueries.PAGE,
                        ConsentPurpose.values(),
                        queries.moves(id, MOVES)));
    }

    @GetMapping("/{id}/edit")
    ModelAndView edit(@PathVariable UUID id, PageContext context) {
        Audiences.Listed audience = find(id);
        return builder(
                new Built(
                        action(id),
                        Optional.of(audience),
                        audience.version(),
                        audience.name(),
                        audience.rules(),
                        audience.isLive()),
                Map.of(),
                context);
    }

    @PostMapping("/{id}/edit")
    ModelAndView change(@PathVariable UUID id, TypedFields typed, PageContext context) {
        Audiences.Listed audience = find(id);
        EditedVersion edited = EditedVersion.of(typed.text("version"));
        Built built = Built.of(action(id), Optional.of(audience), typed)
                .at(edited.number().orElse(audience.version()));
        if (typed.isSent(LOOK)) {
            return builder(built, Map.of(), context);
        }
        Map<String, String> faults = faults(built, context);
        if (!faults.isEmpty()) {
            return InvalidForm.of(builder(built, faults, context));
        }
        try {
            if (UniqueKey.refuses(() -> audiences.change(id, edited, built.said()))) {
                return taken(built, context);
            }
        } catch (OptimisticLockingFailureException e) {
            return conflict(built, find(id), context);
        }
        return new ModelAndView("redirect:/audiences/" + id);
    }

    private ModelAndView conflict(Built mine, Audiences.Listed theirs, PageContext context) {
        Built other = new Built(
                mine.action(), Optional.of(theirs), theirs.version(), theirs.name(), theirs.rules(), theirs.isLive());
        Map<String, String> names =
                choices.choices(List.of(mine.rules(), theirs.rules())).names();
        Map<String, String> marks = new HashMap<>(EditConflict.marks(mine.fields(), other.fields()));
        marks.putAll(EditConflict.marks(
                Map.of("rules", sentence(mine.rules(), names, context)),
                Map.of("rules", sentence(theirs.rules(), names, context))));
        return EditConflict.of(builder(mine.at(theirs.version()), marks, context), mine.action());
    }

    @PostMapping("/{id}/archive")
    String archive(@PathVariable UUID id) {
        audiences.archive(id);
        return "redirect:/audiences";
    }

    @PostMapping("/{id}/restore")
    String restore(@PathVariable UUID id) {
        if (UniqueKey.refuses(() -> audiences.restore(id))) {
            throw new ResponseStatusException(HttpStatus.CONFLICT, Texts.of("audience.audiences.name-taken"));
        }
        return "redirect:/audiences/" + id;
    }

    private static String action(UUID id) {
        return "/audiences/" + id + "/edit";
    }

    private Audiences.Listed find(UUID id) {
        return audiences.find(id).orElseThrow(() -> new ResponseStatusException(HttpStatus.NOT_FOUND));
    }
}
