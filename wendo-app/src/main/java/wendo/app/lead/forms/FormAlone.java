package wendo.app.lead.forms;

import jakarta.servlet.http.HttpServletRequest;
import jakarta.servlet.http.HttpServletResponse;
import java.util.Map;
import java.util.Optional;
import java.util.UUID;
import org.springframework.stereotype.Controller;
import org.springframework.web.bind.annotation.GetMapping;
import org.springframework.web.bind.annotation.PathVariable;
import org.springframework.web.bind.annotation.PostMapping;
import org.springframework.web.bind.annotation.RequestMapping;
import org.springframework.web.servlet.ModelAndView;
import wendo.app.platform.business.BusinessScope;
import wendo.app.platform.site.TypedFields;
import wendo.app.platform.site.ViewRecord;
import wendo.app.visit.sitetag.Embedding;
import wendo.core.visits.ClickId;

/** An entry form on a page of its own, or as a part of another, for everybody; on its own without script. */
@Controller
@RequestMapping("/t/forms/{id}")
class FormAlone {
    /** It is known only after the form was sent which link brought somebody. */
    private static final FormView.Place ALONE = new FormView.Place(Optional.empty(), Optional.empty());

    private final Forms forms;
    private final FormIntake intake;
    private final FormView view;
    private final Embedding embedding;
    private final BusinessScope scope;

    FormAlone(Forms forms, FormIntake intake, FormView view, Embedding embedding, BusinessScope scope) {
        this.forms = forms;
        this.intake = intake;
        this.view = view;
        this.embedding = embedding;
        this.scope = scope;
    }

    /** Whether the form stands in another page. */
    record Part(boolean isPart) {}

    @GetMapping
    ModelAndView show(@PathVariable UUID id, HttpServletRequest request, HttpServletResponse response) {
        FormView.leaveNoTraces(response);
        return forms.businessOf(id)
                .map(business -> scope.within(business, () -> {
                    Filled empty = filled(id, TypedFields.none());
                    embedding.list(request, empty.form().title());
                    return within(request, response, view.form(ALONE, empty, Map.of(), intake.once()));
                }))
                .orElseGet(FormView::over);
    }

    /** Also where it is a part of another page. */
    private ModelAndView within(HttpServletRequest request, HttpServletResponse response, ModelAndView page) {
        embedding.allow(request, response);
        return ViewRecord.with(page, new Part(Embedding.isPart(request)));
    }

    @PostMapping
    ModelAndView send(
            @PathVariable UUID id, TypedFields typed, HttpServletRequest request, HttpServletResponse response) {
        FormView.leaveNoTraces(response);
        return FormView.orLater(
                () -> forms.businessOf(id)
                        .map(business ->
                                scope.within(business, () -> within(request, response, take(id, typed, request))))
                        .orElseGet(FormView::over),
                "");
    }

    private ModelAndView take(UUID id, TypedFields typed, HttpServletRequest request) {
        Filled filled = filled(id, typed);
        Map<String, String> faults = intake.take(
                new FormIntake.Place(
                        id,
                        Optional.empty(),
                        click(request),
                        embedding
                                .pageAround(request)
                                .orElse(request.getRequestURL().toString())),
                filled,
                request);
        return faults.isEmpty()
                ? view.done(ALONE, filled.form())
                : view.form(ALONE, filled, faults, intake.once(typed));
    }

    /** A form in a page tells the visit that brought its visitor to that page. */
    private static String click(HttpServletRequest request) {
        return Optional.ofNullable(request.getParameter(ClickId.PARAMETER))
                .filter(named -> Embedding.isPart(request))
                .flatMap(ClickId::find)
                .map(ClickId::toString)
                .orElse("");
    }

    private Filled filled(UUID form, TypedFields typed) {
        return new Filled(forms.find(form).orElseThrow().form(), Strictness.USUAL, typed);
    }
}
