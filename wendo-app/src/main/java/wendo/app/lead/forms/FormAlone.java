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

/** An entry form on a page of its own, for everybody, without script. */
@Controller
@RequestMapping("/t/forms/{id}")
class FormAlone {
    private final Forms forms;
    private final FormIntake intake;
    private final FormView view;
    private final BusinessScope scope;

    FormAlone(Forms forms, FormIntake intake, FormView view, BusinessScope scope) {
        this.forms = forms;
        this.intake = intake;
        this.view = view;
        this.scope = scope;
    }

    @GetMapping
    ModelAndView show(@PathVariable UUID id, HttpServletResponse response) {
        FormView.leaveNoTraces(response);
        return forms.businessOf(id)
                .map(business -> scope.within(
                        business,
                        () -> view.form(filled(id, TypedFields.none()), Map.of(), intake.once(), Optional.empty())))
                .orElseGet(FormView::over);
    }

    @PostMapping
    ModelAndView send(
            @PathVariable UUID id, TypedFields typed, HttpServletRequest request, HttpServletResponse response) {
        FormView.leaveNoTraces(response);
        return FormView.orLater(
                () -> forms.businessOf(id)
                        .map(business -> scope.within(business, () -> take(id, typed, request)))
                        .orElseGet(FormView::over),
                "");
    }

    private ModelAndView take(UUID id, TypedFields typed, HttpServletRequest request) {
        Filled filled = filled(id, typed);
        Map<String, String> faults = intake.take(
                new FormIntake.Place(
                        id, Optional.empty(), "", request.getRequestURL().toString()),
                filled,
                request);
        return faults.isEmpty()
                ? view.done(filled.form(), "")
                : view.form(filled, faults, intake.once(typed), Optional.empty());
    }

    private Filled filled(UUID form, TypedFields typed) {
        return new Filled(forms.find(form).orElseThrow().form(), Strictness.USUAL, typed);
    }
}
