package wendo.app.issue.links;

import java.util.List;
import java.util.Map;
import java.util.UUID;
import java.util.stream.Collectors;
import org.springframework.dao.OptimisticLockingFailureException;
import org.springframework.http.HttpStatus;
import org.springframework.stereotype.Controller;
import org.springframework.web.bind.annotation.GetMapping;
import org.springframework.web.bind.annotation.PathVariable;
import org.springframework.web.bind.annotation.PostMapping;
import org.springframework.web.bind.annotation.RequestMapping;
import org.springframework.web.server.ResponseStatusException;
import org.springframework.web.servlet.ModelAndView;
import wendo.app.platform.accounts.CurrentPerson;
import wendo.app.platform.accounts.Needs;
import wendo.app.platform.accounts.Permission;
import wendo.app.platform.business.EditedVersion;
import wendo.app.platform.business.UniqueKey;
import wendo.app.platform.site.EditConflict;
import wendo.app.platform.site.Texts;
import wendo.app.platform.site.TypedFields;
import wendo.app.platform.site.ViewRecord;
import wendo.core.links.Spelling;
import wendo.core.links.Tag;
import wendo.core.links.TagField;
import wendo.core.links.TagPlan;
import wendo.core.links.Tagging;
import wendo.core.links.Tags;
import wendo.core.links.WebAddress;

/** The tag plans: which parameters links carry, and how they are spelled. */
@Needs(Permission.SET_UP)
@Controller
@RequestMapping("/setup/tag-plans")
class TagPlanController {
    private static final Tags EXAMPLE = new Tags(Tag.of("postcards-to-dunlin-bay"), Tag.of("print"), Tag.of("spring"));

    private final TagPlans plans;

    TagPlanController(TagPlans plans) {
        this.plans = plans;
    }

    record TagPlansPage(List<NamedPlan> plans, TagPlanController example, boolean maySetUp) {}

    record TagPlanPage(UUID id, int version, TagPlanForm form, Map<String, String> faults, Spelling[] spellings) {}

    @GetMapping
    ModelAndView list(CurrentPerson person) {
        return ViewRecord.of(
                "issue/links/plans",
                new TagPlansPage(plans.list(), this, person.role().maySetUp()));
    }

    @GetMapping("/new")
    ModelAndView begin(CurrentPerson person) {
        person.mustBeAllowedToSetUp();
        return page(UUID.randomUUID(), TagPlanForm.empty(), Map.of());
    }

    @GetMapping("/{id}")
    ModelAndView page(@PathVariable UUID id, CurrentPerson person) {
        person.mustBeAllowedToSetUp();
        NamedPlan plan = plans.find(id).orElseThrow(() -> new ResponseStatusException(HttpStatus.NOT_FOUND));
        return page(id, TagPlanForm.of(plan), Map.of());
    }

    /** Saves the plan of this identifier, or shows it with more rows. */
    @PostMapping("/{id}")
    ModelAndView save(@PathVariable UUID id, TypedFields typed, CurrentPerson person) {
        person.mustBeAllowedToSetUp();
        TagPlanForm form = TagPlanForm.of(typed);
        if (typed.isSent("more")) {
            return page(id, form, Map.of());
        }
        TagPlanForm.Judged judged = form.check();
        Map<String, String> faults = judged.faults();
        try {
            if (faults.isEmpty()
                    && UniqueKey.refuses(() -> plans.save(
                            id,
                            EditedVersion.of(typed.text("version")),
                            form.name(),
                            judged.plan().orElseThrow()))) {
                faults = Map.of("name", Texts.of("issue.links.another-plan-has-this-name"));
            }
        } catch (OptimisticLockingFailureException e) {
            TagPlanForm theirs = TagPlanForm.of(plans.find(id).orElseThrow());
            return EditConflict.of(
                    page(id, form, EditConflict.marks(form.fields(), theirs.fields())), "/setup/tag-plans/" + id);
        }
        if (!faults.isEmpty()) {
            ModelAndView page = page(id, form, faults);
            page.setStatus(HttpStatus.UNPROCESSABLE_CONTENT);
            return page;
        }
        return new ModelAndView("redirect:/setup/tag-plans");
    }

    @PostMapping("/{id}/default")
    String makeDefault(@PathVariable UUID id, CurrentPerson person) {
        person.mustBeAllowedToSetUp();
        if (plans.find(id).isEmpty()) {
            throw new ResponseStatusException(HttpStatus.NOT_FOUND);
        }
        plans.makeDefault(id);
        return "redirect:/setup/tag-plans";
    }

    @PostMapping("/{id}/remove")
    String remove(@PathVariable UUID id, CurrentPerson person) {
        person.mustBeAllowedToSetUp();
        plans.remove(id);
        return "redirect:/setup/tag-plans";
    }

    /** What a plan makes of an invented link; fields that are typed get their first allowed value, or their own name. */
    public String of(TagPlan plan) {
        Map<String, String> typed = plan.typedFields().stream()
                .collect(Collectors.toMap(
                        TagField::parameter,
                        field -> field.allowed().isEmpty()
                                ? field.label()
                                : field.allowed().get(0)));
        return Tagging.of(
                        WebAddress.of("yoursite.example/offer"),
                        plan.fill(EXAMPLE, typed).parameters())
                .address()
                .toString();
    }

    private ModelAndView page(UUID id, TagPlanForm form, Map<String, String> faults) {
        return ViewRecord.of(
                "issue/links/plan", new TagPlanPage(id, plans.version(id), form, faults, Spelling.values()));
    }
}
