package wendo.app.lead.forms;

import jakarta.servlet.http.HttpServletResponse;
import java.util.LinkedHashMap;
import java.util.Map;
import java.util.Optional;
import java.util.function.Supplier;
import org.slf4j.Logger;
import org.slf4j.LoggerFactory;
import org.springframework.dao.DataAccessException;
import org.springframework.http.HttpStatus;
import org.springframework.stereotype.Component;
import org.springframework.transaction.TransactionException;
import org.springframework.web.servlet.ModelAndView;
import org.springframework.web.servlet.support.ServletUriComponentsBuilder;
import wendo.app.platform.appearance.Logos;
import wendo.app.platform.business.Business;
import wendo.app.platform.business.Businesses;
import wendo.app.platform.site.PublicLanguages;
import wendo.app.platform.site.ViewRecord;

/** The pages of an entry form as everybody sees them, in the business's language, under its name and mark. */
@Component
class FormView {
    private static final Logger LOG = LoggerFactory.getLogger(FormView.class);

    private final Businesses businesses;
    private final Logos logos;

    FormView(Businesses businesses, Logos logos) {
        this.businesses = businesses;
        this.logos = logos;
    }

    record OpenForm(
            EntryForm form,
            Map<String, String> typed,
            Map<FormField, Boolean> needed,
            Map<String, String> faults,
            String once,
            boolean maySkip,
            String skipTo) {}

    record FilledForm(EntryForm form, String onward) {}

    /** What stands on each of these pages. */
    record Letterhead(String business, String mark, String language) {}

    /** @param skipTo where a visitor may go on to without filling it in; empty if nowhere */
    ModelAndView form(Filled filled, Map<String, String> faults, String once, Optional<String> skipTo) {
        Map<FormField, Boolean> needed = new LinkedHashMap<>();
        filled.form().shown().forEach(field -> needed.put(field, filled.isNeeded(field)));
        ModelAndView page = within(ViewRecord.of(
                "lead/forms/open",
                new OpenForm(
                        filled.form(),
                        filled.typed().firstValues(),
                        needed,
                        faults,
                        once,
                        skipTo.isPresent(),
                        skipTo.orElse(""))));
        if (!faults.isEmpty()) {
            page.setStatus(HttpStatus.UNPROCESSABLE_CONTENT);
        }
        return page;
    }

    /** @param onward where it goes on to; empty text for nowhere */
    ModelAndView done(EntryForm form, String onward) {
        return within(ViewRecord.of("lead/forms/open-done", new FilledForm(form, onward)));
    }

    private ModelAndView within(ModelAndView page) {
        Business business = businesses.current();
        String mark = logos.isThere()
                ? ServletUriComponentsBuilder.fromCurrentContextPath()
                        .path("/t/mark/{site}.png")
                        .buildAndExpand(business.siteKey())
                        .toUriString()
                : "";
        return ViewRecord.with(page, new Letterhead(business.name(), mark, PublicLanguages.speak(business.locale())));
    }

    static ModelAndView over() {
        ModelAndView page = new ModelAndView("lead/forms/open-over");
        page.setStatus(HttpStatus.NOT_FOUND);
        return page;
    }

    /** The page, or, while the database is away, how to go on all the same. */
    static ModelAndView orLater(Supplier<ModelAndView> page, String onward) {
        try {
            return page.get();
        } catch (DataAccessException | TransactionException e) {
            LOG.warn("A form that was filled in could not be kept: {}", e.getMessage());
            ModelAndView later = new ModelAndView("lead/forms/open-later", "onward", onward);
            later.setStatus(HttpStatus.SERVICE_UNAVAILABLE);
            return later;
        }
    }

    /** What stands in the address of a form is nobody else's business. */
    static void leaveNoTraces(HttpServletResponse response) {
        response.setHeader("Cache-Control", "no-store");
        response.setHeader("Referrer-Policy", "no-referrer");
        response.setHeader("X-Robots-Tag", "noindex");
    }
}
