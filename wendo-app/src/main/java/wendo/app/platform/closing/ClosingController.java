package wendo.app.platform.closing;

import jakarta.servlet.http.HttpServletResponse;
import java.io.IOException;
import java.time.Instant;
import java.time.LocalDate;
import java.util.Optional;
import org.springframework.http.ContentDisposition;
import org.springframework.http.HttpHeaders;
import org.springframework.stereotype.Controller;
import org.springframework.web.bind.annotation.GetMapping;
import org.springframework.web.bind.annotation.PostMapping;
import org.springframework.web.bind.annotation.RequestMapping;
import org.springframework.web.bind.annotation.RequestParam;
import org.springframework.web.servlet.ModelAndView;
import org.springframework.web.servlet.mvc.support.RedirectAttributes;
import wendo.app.platform.accounts.Confirmed;
import wendo.app.platform.accounts.CurrentPerson;
import wendo.app.platform.accounts.Needs;
import wendo.app.platform.accounts.Permission;
import wendo.app.platform.business.Business;
import wendo.app.platform.business.Businesses;
import wendo.app.platform.site.InvalidForm;
import wendo.app.platform.site.Texts;
import wendo.app.platform.site.ViewRecord;

/** Takes all of a business along, and has it deleted. */
@Needs(Permission.OWN)
@Controller
@RequestMapping("/setup/closing")
class ClosingController {
    private static final String BACK = "redirect:/setup/closing";

    private final Closing closing;
    private final Export export;
    private final Businesses businesses;

    ClosingController(Closing closing, Export export, Businesses businesses) {
        this.closing = closing;
        this.export = export;
        this.businesses = businesses;
    }

    record ClosingPage(
            String name,
            Optional<Instant> exportedAt,
            boolean isExported,
            Optional<Instant> deletesAt,
            int days,
            String typed,
            String fault) {}

    @GetMapping
    ModelAndView page(Business business) {
        return page(business, "", "");
    }

    private ModelAndView page(Business business, String typed, String fault) {
        return ViewRecord.of(
                "platform/closing/page",
                new ClosingPage(
                        business.name(),
                        businesses.exportedAt(),
                        closing.isExported(),
                        business.deletesAt(),
                        Closing.DAYS,
                        typed,
                        fault));
    }

    @Confirmed
    @PostMapping("/everything.zip")
    void everything(HttpServletResponse response) throws IOException {
        response.setContentType("application/zip");
        response.setHeader(
                HttpHeaders.CONTENT_DISPOSITION,
                ContentDisposition.attachment()
                        .filename("wendo-" + LocalDate.now(java.time.ZoneOffset.UTC) + ".zip")
                        .build()
                        .toString());
        export.write(response.getOutputStream());
        businesses.exported();
    }

    /** It cannot be undone once the days are over, so the name is typed first, and everything taken along. */
    @Confirmed
    @PostMapping("/delete")
    ModelAndView delete(
            @RequestParam(defaultValue = "") String name,
            CurrentPerson person,
            Business business,
            RedirectAttributes notes) {
        if (!closing.isExported()) {
            return InvalidForm.of(page(business, name, Texts.of("platform.closing.export-first")));
        }
        if (!name.strip().equals(business.name())) {
            return InvalidForm.of(page(business, name, Texts.of("platform.closing.type-name", business.name())));
        }
        closing.ask(person.name());
        notes.addFlashAttribute("said", Texts.of("platform.closing.asked"));
        return new ModelAndView(BACK);
    }

    @PostMapping("/keep")
    String keep(CurrentPerson person, RedirectAttributes notes) {
        closing.keep(person.name());
        notes.addFlashAttribute("said", Texts.of("platform.closing.kept"));
        return BACK;
    }
}
