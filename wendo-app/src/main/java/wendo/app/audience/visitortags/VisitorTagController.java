package wendo.app.audience.visitortags;

import jakarta.servlet.http.HttpServletResponse;
import java.io.IOException;
import java.security.SecureRandom;
import java.time.Clock;
import java.util.ArrayList;
import java.util.HashMap;
import java.util.List;
import java.util.Locale;
import java.util.Map;
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
import org.springframework.web.servlet.mvc.support.RedirectAttributes;
import wendo.app.platform.accounts.CurrentPerson;
import wendo.app.platform.accounts.Needs;
import wendo.app.platform.accounts.Permission;
import wendo.app.platform.business.Business;
import wendo.app.platform.business.EditedVersion;
import wendo.app.platform.business.UniqueKey;
import wendo.app.platform.site.EditConflict;
import wendo.app.platform.site.FormRules;
import wendo.app.platform.site.InvalidForm;
import wendo.app.platform.site.Texts;
import wendo.app.platform.site.TypedFields;
import wendo.app.platform.site.ViewRecord;
import wendo.app.platform.tables.NamedTable;
import wendo.app.platform.tables.TableFormat;
import wendo.app.prepare.brands.BrandListed;
import wendo.app.prepare.brands.Brands;
import wendo.app.prepare.campaigns.CampaignListed;
import wendo.app.prepare.campaigns.Campaigns;
import wendo.app.prepare.destinations.Destinations;
import wendo.core.links.AddressRefused;
import wendo.core.visits.ClickId;

/** Visitor tags: what they are, where they are used, and what became of them. */
@Needs(Permission.SET_UP)
@Controller
@RequestMapping("/audiences/tags")
class VisitorTagController {
    private static final int LATEST = 8;
    private static final int MOST_EXPORTED = 100_000;

    private final VisitorTags tags;
    private final TagFigures figuresOf;
    private final VisitorConsentQueries consents;
    private final DeskCalls desks;
    private final Brands brands;
    private final Campaigns campaigns;
    private final Clock clock;
    private final SecureRandom random = new SecureRandom();

    VisitorTagController(
            VisitorTags tags,
            TagFigures figuresOf,
            VisitorConsentQueries consents,
            DeskCalls desks,
            Brands brands,
            Campaigns campaigns,
            Clock clock) {
        this.tags = tags;
        this.figuresOf = figuresOf;
        this.consents = consents;
        this.desks = desks;
        this.brands = brands;
        this.campaigns = campaigns;
        this.clock = clock;
    }

    record TagsPage(
            List<VisitorTags.Listed> tags,
            Map<UUID, TagFigures.Figures> by,
            TagFigures.Figures none,
            boolean asks,
            boolean hasBrands,
            List<VisitorConsentQueries.Row> answers) {}

    @GetMapping
    ModelAndView list() {
        return ViewRecord.of(
                "audience/visitortags/list",
                new TagsPage(
                        tags.list(),
                        figuresOf.all(),
                        TagFigures.Figures.NONE,
                        tags.asks(),
                        !brands.list().isEmpty(),
                        consents.latest(LATEST)));
    }

    /** Who asks where no brand says so. */
    @PostMapping("/asks")
    String ask(@RequestParam(defaultValue = "here") String asks) {
        tags.ask(!asks.equals("destination"));
        return "redirect:/audiences/tags";
    }

    record NewPage(VisitorTagForm form, Map<String, String> faults) {}

    @GetMapping("/new")
    ModelAndView begin() {
        return begin(VisitorTagForm.empty(), Map.of());
    }

    private static ModelAndView begin(VisitorTagForm form, Map<String, String> faults) {
        return ViewRecord.of("audience/visitortags/new", new NewPage(form, faults));
    }

    @PostMapping
    ModelAndView add(TypedFields typed, CurrentPerson person, Business business) {
        VisitorTagForm form = VisitorTagForm.of(typed);
        Map<String, String> faults = faults(form, business);
        if (!faults.isEmpty()) {
            return InvalidForm.of(begin(form, faults));
        }
        return UniqueKey.stored(() -> tags.add(form, person.name()))
                .map(added -> new ModelAndView("redirect:/audiences/tags/" + added))
                .orElseGet(
                        () -> InvalidForm.of(begin(form, Map.of("name", Texts.of("audience.visitortags.name-taken")))));
    }

    private static Map<String, String> faults(VisitorTagForm form, Business business) {
        Map<String, String> faults = new HashMap<>(FormRules.faults(form));
        if (!faults.containsKey("address")) {
            try {
                Destinations.check(form.address().replaceAll("\\{[a-z]+}", "0"), business, Set.of());
                if (!form.address().matches("(?i)https?://.*") || !form.isUsable()) {
                    faults.put("address", Texts.of("audience.visitortags.address-whole"));
                }
            } catch (AddressRefused e) {
                faults.put("address", Texts.said(e));
            }
        }
        return faults;
    }

    /** @param links how many links say for themselves whether it is used */
    record TagPageView(
            VisitorTags.Listed listed,
            VisitorTagForm form,
            Map<String, String> faults,
            TagFigures.Figures figuresOfTag,
            TagResult[] results,
            List<Choice> choices,
            long links) {}

    /** Where a tag can be used, and whether it is said there: on, off, or empty text for neither. */
    record Choice(String field, String scope, String name, String said) {}

    @GetMapping("/{id}")
    ModelAndView page(@PathVariable UUID id) {
        VisitorTags.Listed tag = find(id);
        return page(tag, tag.form(), Map.of());
    }

    private ModelAndView page(VisitorTags.Listed tag, VisitorTagForm form, Map<String, String> faults) {
        List<TagSetting.Use> uses = tags.usesOf(tag.id());
        return ViewRecord.of(
                "audience/visitortags/page",
                new TagPageView(
                        tag,
                        form,
                        faults,
                        figuresOf.all().getOrDefault(tag.id(), TagFigures.Figures.NONE),
                        TagResult.values(),
                        choices(uses, tag.tag().business()),
                        uses.stream()
                                .filter(use -> use.scope() == TagScope.LINK)
                                .count()));
    }

    private List<Choice> choices(List<TagSetting.Use> uses, UUID business) {
        Map<String, String> said = uses.stream()
                .collect(Collectors.toMap(use -> field(use.scope(), use.about()), use -> use.isOn() ? "on" : "off"));
        List<Choice> choices = new ArrayList<>();
        choices.add(choice(TagScope.ALL, business, "", said));
        for (BrandListed brand : brands.list()) {
            choices.add(choice(TagScope.BRAND, brand.id(), brand.name(), said));
        }
        for (CampaignListed campaign : campaigns.list()) {
            choices.add(choice(TagScope.CAMPAIGN, campaign.id(), campaign.name(), said));
        }
        return choices;
    }

    private static Choice choice(TagScope scope, UUID about, String name, Map<String, String> said) {
        String field = field(scope, about);
        return new Choice(field, scope.key(), name, said.getOrDefault(field, ""));
    }

    private static String field(TagScope scope, UUID about) {
        return scope.key() + "." + about;
    }

    private VisitorTags.Listed find(UUID id) {
        return tags.find(id).orElseThrow(() -> new ResponseStatusException(HttpStatus.NOT_FOUND));
    }

    @PostMapping("/{id}")
    ModelAndView change(@PathVariable UUID id, TypedFields typed, Business business) {
        VisitorTags.Listed tag = find(id);
        VisitorTagForm form = VisitorTagForm.of(typed);
        Map<String, String> faults = faults(form, business);
        try {
            EditedVersion edited = EditedVersion.of(typed.text("version"));
            if (faults.isEmpty() && UniqueKey.refuses(() -> tags.change(id, edited, form))) {
                faults.put("name", Texts.of("audience.visitortags.name-taken"));
            }
        } catch (OptimisticLockingFailureException e) {
            VisitorTags.Listed theirs = find(id);
            return EditConflict.of(
                    page(theirs, form, EditConflict.marks(form, theirs.form())), "/audiences/tags/" + id);
        }
        return faults.isEmpty()
                ? new ModelAndView("redirect:/audiences/tags/" + id)
                : InvalidForm.of(page(tag, form, faults));
    }

    /** Where it is used; only what there is is heeded. */
    @PostMapping("/{id}/uses")
    String use(@PathVariable UUID id, TypedFields typed) {
        VisitorTags.Listed tag = find(id);
        List<TagSetting.Use> wanted = new ArrayList<>();
        for (Choice choice : choices(List.of(), tag.tag().business())) {
            String said = typed.text(choice.field());
            if (said.equals("on") || said.equals("off")) {
                String[] parts = choice.field().split("\\.", 2);
                wanted.add(new TagSetting.Use(
                        id,
                        TagScope.valueOf(parts[0].toUpperCase(Locale.ROOT)),
                        UUID.fromString(parts[1]),
                        said.equals("on")));
            }
        }
        tags.use(id, wanted);
        return "redirect:/audiences/tags/" + id;
    }

    /** Calls the desk once, and says what it answered. It is told that this is a test, where it can be. */
    @PostMapping("/{id}/test")
    String test(@PathVariable UUID id, RedirectAttributes notes) {
        VisitorTags.Listed tag = find(id);
        DeskCalls.Heard heard = desks.call(tag.tag(), ClickId.of(clock.instant(), random), tags.key(id), true);
        notes.addFlashAttribute(heard.isTaken() ? "said" : "testFault", heard.said());
        return "redirect:/audiences/tags/" + id;
    }

    @PostMapping("/{id}/remove")
    String remove(@PathVariable UUID id) {
        find(id);
        tags.remove(id);
        return "redirect:/audiences/tags";
    }

    @GetMapping("/answers.csv")
    void export(Business business, HttpServletResponse response) throws IOException {
        TableFormat.CSV.send(
                response,
                new NamedTable(
                        "visitor-answers",
                        Texts.of("audience.visitortags.answers"),
                        List.of(
                                Texts.of("common.when"),
                                Texts.of("prepare.brands.brand"),
                                Texts.of("audience.visitortags.answer"),
                                Texts.of("common.purpose"),
                                Texts.of("platform.consent.words"),
                                Texts.of("audience.visitortags.language"),
                                Texts.of("common.page"),
                                Texts.of("audience.visitortags.visitor")),
                        consents.latest(MOST_EXPORTED).stream()
                                .map(row -> List.of(
                                        row.answeredAt()
                                                .atZone(business.zone())
                                                .toOffsetDateTime()
                                                .toString(),
                                        row.brand(),
                                        row.answer(),
                                        row.purposes(),
                                        row.words(),
                                        row.language(),
                                        row.page(),
                                        row.visitor().toString()))
                                .toList()));
    }
}
