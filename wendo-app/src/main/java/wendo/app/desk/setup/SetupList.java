package wendo.app.desk.setup;

import jakarta.servlet.http.HttpServletRequest;
import org.springframework.stereotype.Controller;
import org.springframework.ui.Model;
import org.springframework.web.bind.annotation.ControllerAdvice;
import org.springframework.web.bind.annotation.ModelAttribute;
import wendo.app.platform.accounts.CurrentPerson;
import wendo.app.platform.accounts.Permission;

/** Gives every page of the setup the list at its side; parts of pages that are asked for again have none. */
@ControllerAdvice(annotations = Controller.class)
class SetupList {
    private final SetupStates states;

    SetupList(SetupStates states) {
        this.states = states;
    }

    @ModelAttribute
    void addList(HttpServletRequest request, Model model) {
        if (request.getRequestURI().matches("/setup(/.*)?") && request.getHeader("HX-Request") == null) {
            CurrentPerson.find(request)
                    .filter(person -> person.may(Permission.SET_UP))
                    .ifPresent(person -> model.addAttribute("setup", states.list(person)));
        }
    }
}
