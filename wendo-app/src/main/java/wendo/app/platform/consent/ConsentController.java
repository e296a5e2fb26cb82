package wendo.app.platform.consent;

import jakarta.servlet.http.HttpServletResponse;
import java.io.IOException;
import java.time.ZoneId;
import java.util.List;
import java.util.Locale;
import java.util.UUID;
import org.springframework.http.HttpStatus;
import org.springframework.stereotype.Controller;
import org.springframework.web.bind.annotation.GetMapping;
import org.springframework.web.bind.annotation.PathVariable;
import org.springframework.web.bind.annotation.PostMapping;
import org.springframework.web.bind.annotation.RequestMapping;
import org.springframework.web.bind.annotation.RequestParam;
import org.springframework.web.server.ResponseStatusException;
import org.springframework.web.servlet.ModelAndView;
import wendo.app.platform.accounts.CurrentPerson;
import wendo.app.platform.accounts.Needs;
import wendo.app.platform.accounts.Permission;
import wendo.app.platform.business.Business;
import wendo.app.platform.site.Texts;
import wendo.app.platform.site.ViewRecord;
import wendo.app.platform.tables.NamedTable;
import wendo.app.platform.tables.TableFormat;

/** Who agreed to what: found by contact, withdrawn by the business, exported. */
@Needs(Permission.SET_UP)
@Controller
@RequestMapping("/setup/consent")
class ConsentController {
    private static final int MAX_FRAGMENT = 254;

    private final Consents consents;
    private final ConsentQueries queries;

    ConsentController(Consents consents, ConsentQueries queries) {
        this.consents = consents;
        this.queries = queries;
    }

    record ConsentListPage(
            List<ConsentQueries.Row> rows, boolean hasMore, String contact, int page, boolean maySetUp) {}

    @GetMapping
    ModelAndView list(
            @RequestParam(defaultValue = "") String contact,
            @RequestParam(defaultValue = "0") String page,
            CurrentPerson person) {
        int number = page.matches("\\d{1,5}") ? Integer.parseInt(page) : 0;
        String wanted = contact.strip().toLowerCase(Locale.ROOT);
        List<ConsentQueries.Row> rows =
                queries.search(wanted.length() <= MAX_FRAGMENT ? wanted : wanted.substring(0, MAX_FRAGMENT), number);
        return ViewRecord.of(
                "platform/consent/list",
                new ConsentListPage(
                        rows.stream().limit(ConsentQueries.PAGE).toList(),
                        rows.size() > ConsentQueries.PAGE,
                        contact,
                        number,
                        person.role().maySetUp()));
    }

    /** {@code back} is the page that it was withdrawn on: a lead's, an outcome's, or this one. */
    @PostMapping("/{id}/withdraw")
    String withdraw(@PathVariable UUID id, @RequestParam(defaultValue = "") String back, CurrentPerson person) {
        if (!consents.withdraw(id, person.name())) {
            throw new ResponseStatusException(HttpStatus.NOT_FOUND);
        }
        return "redirect:" + (back.matches("/(leads|outcomes)/[0-9a-f-]{36}") ? back : "/setup/consent");
    }

    @GetMapping("/records.csv")
    void export(Business business, CurrentPerson person, HttpServletResponse response) throws IOException {
        person.mustBeAllowedToSetUp();
        TableFormat.CSV.send(
                response,
                new NamedTable(
                        "consent-records",
                        Texts.of("common.consent"),
                        List.of(
                                Texts.of("platform.consent.contact"),
                                Texts.of("common.purpose"),
                                Texts.of("platform.consent.words"),
                                Texts.of("platform.consent.version"),
                                Texts.of("platform.consent.given-at"),
                                Texts.of("platform.consent.where"),
                                Texts.of("common.page"),
                                Texts.of("platform.consent.withdrawn-at"),
                                Texts.of("platform.consent.how"),
                                Texts.of("common.by")),
                        queries.all().stream()
                                .map(row -> cells(row, business.zone()))
                                .toList()));
    }

    private static List<String> cells(ConsentQueries.Row row, ZoneId zone) {
        return List.of(
                row.contact(),
                row.purpose().label(),
                row.words(),
                String.valueOf(row.edition()),
                row.givenAt().atZone(zone).toOffsetDateTime().toString(),
                row.place().label() + ": " + row.placeName(),
                row.page(),
                row.withdrawn()
                        .map(gone -> gone.at().atZone(zone).toOffsetDateTime().toString())
                        .orElse(""),
                row.withdrawn().map(gone -> gone.how().words()).orElse(""),
                row.withdrawn().map(ConsentQueries.Withdrawn::by).orElse(""));
    }
}
