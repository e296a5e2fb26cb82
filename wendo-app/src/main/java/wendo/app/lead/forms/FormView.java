package wendo.app.lead.forms;

import jakarta.servlet.http.HttpServletResponse;
import java.util.LinkedHashMap;
import java.util.Map;
import java.util.Optional;
import java.util.UUID;
import java.util.function.Supplier;
import org.slf4j.Logger;
import org.slf4j.LoggerFactory;
import org.springframework.dao.DataAccessException;
import org.springframework.http.HttpStatus;
import org.springframework.stereotype.Component;
import org.springframework.transaction.TransactionException;
import org.springframework.web.servlet.ModelAndView;
import org.springframework.web.servlet.support.ServletUriComponentsBuilder;
import wendo.app.issue.links.LinkSaving;
import wendo.app.platform.appearance.Logos;
import wendo.app.platform.business.Business;
import wendo.app.platform.business.Businesses;
import wendo.app.platform.site.PublicLanguages;
import wendo.app.platform.site.ViewRecord;
import wendo.app.prepare.brands.BrandListed;
import wendo.app.prepare.brands.Brands;

/** The pages of an entry form as everybody sees them, in the business's language, under its name and mark. */
@Component
class FormView {
    private static final Logger LOG = LoggerFactory.getLogger(FormView.class);

    private final Businesses businesses;
    private final Logos logos;
    private final Brands brands;
    private final LinkSaving links;

    FormView(Businesses businesses, Logos logos, Brands brands, LinkSaving links) {
        this.businesses = businesses;
        this.logos = logos;
        this.brands = brands;
        this.links = links;
    }

    /**
     * Where a form stands.
     *
     * @param link that it stands before; in the name of its brand, else in the business's own, the form speaks
     * @param skipTo where a visitor may go on to without filling it in; empty if nowhere
     */
    record Place(Optional<UUID> link, Optional<String> skipTo) {}

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

    ModelAndView form(Place place, Filled filled, Map<String, String> faults, String once) {
        Map<FormField, Boolean> needed = new LinkedHashMap<>();
        filled.form().shown().forEach(field -> needed.put(field, filled.isNeeded(field)));
        ModelAndView page = within(
                place,
                ViewRecord.of(
                        "lead/forms/open",
                        new OpenForm(
                                filled.form(),
                                filled.typed().firstValues(),
                                needed,
                                faults,
                                once,
                                place.skipTo().isPresent(),
                                place.skipTo().orElse(""))));
        if (!faults.isEmpty()) {
            page.setStatus(HttpStatus.UNPROCESSABLE_CONTENT);
        }
        return page;
    }

    ModelAndView done(Place place, EntryForm form) {
        String onward = place.skipTo().orElse("");
        return within(place, ViewRecord.of("lead/forms/open-done", new FilledForm(form, onward)));
    }

    private ModelAndView within(Place place, ModelAndView page) {
        Business business = businesses.current();
        Optional<BrandListed> brand = place.link().flatMap(links::brandOf).flatMap(brands::find);
        String name = brand.map(BrandListed::name).orElse(business.name());
        String mark =
                brand.map(BrandListed::logo).filter(logo -> !logo.isEmpty()).orElseGet(() -> mark(business));
        return ViewRecord.with(page, new Letterhead(name, mark, PublicLanguages.speak(business.locale())));
    }

    private String mark(Business business) {
        return logos.isThere()
                ? ServletUriComponentsBuilder.fromCurrentContextPath()
                        .path("/t/mark/{site}.png")
                        .buildAndExpand(business.siteKey())
                        .toUriString()
                : "";
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
