package wendo.app.lead.leads;

import jakarta.servlet.http.HttpServletRequest;
import org.springframework.jdbc.core.simple.JdbcClient;
import org.springframework.stereotype.Controller;
import org.springframework.transaction.annotation.Transactional;
import org.springframework.ui.Model;
import org.springframework.web.bind.annotation.ControllerAdvice;
import org.springframework.web.bind.annotation.ModelAttribute;
import wendo.app.platform.accounts.CurrentPerson;

/** Tells every page how many new leads the person who is signed in has: the running count of the alert. */
@ControllerAdvice(annotations = Controller.class)
class LeadCounter {
    private final JdbcClient jdbc;

    LeadCounter(JdbcClient jdbc) {
        this.jdbc = jdbc;
    }

    @ModelAttribute
    @Transactional(readOnly = true)
    void addCount(HttpServletRequest request, Model model) {
        CurrentPerson.find(request)
                .filter(person -> request.getMethod().equals("GET"))
                .ifPresent(person -> model.addAttribute(
                        "newLeads",
                        jdbc.sql("select count(*) from lead where owner_id = ? and stage = 'new'")
                                .param(person.id())
                                .query(Long.class)
                                .single()));
    }
}
