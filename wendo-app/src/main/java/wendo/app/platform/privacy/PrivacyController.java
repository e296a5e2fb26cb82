package wendo.app.platform.privacy;

import java.nio.charset.StandardCharsets;
import java.util.ArrayList;
import java.util.LinkedHashMap;
import java.util.List;
import java.util.Map;
import org.springframework.http.ContentDisposition;
import org.springframework.http.HttpHeaders;
import org.springframework.http.MediaType;
import org.springframework.http.ResponseEntity;
import org.springframework.stereotype.Controller;
import org.springframework.web.bind.annotation.GetMapping;
import org.springframework.web.bind.annotation.PostMapping;
import org.springframework.web.bind.annotation.RequestMapping;
import org.springframework.web.bind.annotation.RequestParam;
import org.springframework.web.servlet.ModelAndView;
import org.springframework.web.servlet.mvc.support.RedirectAttributes;
import tools.jackson.databind.json.JsonMapper;
import wendo.app.platform.accounts.Confirmed;
import wendo.app.platform.accounts.CurrentPerson;
import wendo.app.platform.accounts.Needs;
import wendo.app.platform.accounts.Permission;
import wendo.app.platform.business.Business;
import wendo.app.platform.site.FilterValues;
import wendo.app.platform.site.InvalidForm;
import wendo.app.platform.site.Limits;
import wendo.app.platform.site.Texts;
import wendo.app.platform.site.TypedFields;
import wendo.app.platform.site.ViewRecord;

/** A person asks what is known of them, wants it along, or wants it gone. */
@Needs(Permission.OWN)
@Controller
@RequestMapping("/setup/privacy")
class PrivacyController {
    private final Privacy privacy;
    private final JsonMapper json;

    PrivacyController(Privacy privacy, JsonMapper json) {
        this.privacy = privacy;
        this.json = json;
    }

    record PrivacyPage(
            String find,
            KnownPerson person,
            List<Privacy.Section> sections,
            int records,
            List<Erasure.Shown> erasures,
            String reason,
            String fault) {}

    @GetMapping
    ModelAndView page(@RequestParam(defaultValue = "") String find, Business business) {
        return page(FilterValues.text(find), "", "", business);
    }

    private ModelAndView page(String find, String reason, String fault, Business business) {
        return ViewRecord.of("platform/privacy/page", shown(find, reason, fault, business));
    }

    private PrivacyPage shown(String find, String reason, String fault, Business business) {
        KnownPerson person = privacy.find(find, business.locale().getCountry());
        List<Privacy.Section> sections = privacy.sections(person);
        int records =
                sections.stream().mapToInt(section -> section.records().size()).sum();
        return new PrivacyPage(find, person, sections, records, privacy.erasures(), reason, fault);
    }

    /** For the person themself, to read and to take elsewhere. */
    @GetMapping("/person.html")
    ModelAndView html(@RequestParam(defaultValue = "") String find, Business business) {
        return ViewRecord.of("platform/privacy/person", shown(FilterValues.text(find), "", "", business))
                .addObject("business", business.name());
    }

    @GetMapping("/person.json")
    ResponseEntity<byte[]> json(@RequestParam(defaultValue = "") String find, Business business) {
        KnownPerson person =
                privacy.find(FilterValues.text(find), business.locale().getCountry());
        Map<String, Object> all = new LinkedHashMap<>();
        all.put("business", business.name());
        for (Privacy.Section section : privacy.sections(person)) {
            List<Map<String, String>> rows = new ArrayList<>();
            section.records().forEach(record -> {
                Map<String, String> row = new LinkedHashMap<>();
                record.forEach((key, value) -> row.put(Texts.of(key), value));
                rows.add(row);
            });
            all.put(Texts.of(section.heading()), rows);
        }
        return ResponseEntity.ok()
                .contentType(MediaType.APPLICATION_JSON)
                .header(
                        HttpHeaders.CONTENT_DISPOSITION,
                        ContentDisposition.attachment()
                                .filename("person.json")
                                .build()
                                .toString())
                .body(json.writerWithDefaultPrettyPrinter()
                        .writeValueAsString(all)
                        .getBytes(StandardCharsets.UTF_8));
    }

    /** It cannot be undone, so the number of records is typed first. */
    @Confirmed
    @PostMapping("/erase")
    ModelAndView erase(TypedFields typed, Business business, CurrentPerson by, RedirectAttributes notes) {
        String reason = typed.raw("reason");
        PrivacyPage shown = shown(FilterValues.text(typed.raw("find")), reason, "", business);
        if (shown.records() == 0 || !typed.text("number").equals(String.valueOf(shown.records()))) {
            return InvalidForm.of(
                    page(shown.find(), reason, Texts.of("platform.privacy.type-number", shown.records()), business));
        }
        String why = reason.strip().substring(0, Math.min(reason.strip().length(), Limits.REASON));
        int erased = privacy.erase(shown.person(), by.name(), why);
        notes.addFlashAttribute("said", Texts.of("platform.privacy.erased", erased));
        return new ModelAndView("redirect:/setup/privacy");
    }
}
