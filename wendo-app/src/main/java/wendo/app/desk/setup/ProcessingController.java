package wendo.app.desk.setup;

import jakarta.servlet.http.HttpServletResponse;
import java.io.IOException;
import java.time.Clock;
import java.time.LocalDate;
import java.util.ArrayList;
import java.util.Arrays;
import java.util.List;
import java.util.Map;
import java.util.Optional;
import org.springframework.stereotype.Controller;
import org.springframework.web.bind.annotation.GetMapping;
import org.springframework.web.bind.annotation.RequestMapping;
import org.springframework.web.servlet.ModelAndView;
import wendo.app.platform.accounts.Needs;
import wendo.app.platform.accounts.Permission;
import wendo.app.platform.appearance.Appearances;
import wendo.app.platform.business.Business;
import wendo.app.platform.business.Businesses;
import wendo.app.platform.privacy.RetainedKind;
import wendo.app.platform.privacy.Retention;
import wendo.app.platform.site.Installation;
import wendo.app.platform.site.PublicFace;
import wendo.app.platform.site.Texts;
import wendo.app.platform.site.ViewRecord;
import wendo.app.platform.tables.NamedTable;
import wendo.app.platform.tables.TableFormat;

/** The record of processing, made from how the business is set up, to hand to an auditor. */
@Needs(Permission.OWN)
@Controller
@RequestMapping("/setup/processing")
class ProcessingController {
    private final Businesses businesses;
    private final Appearances appearances;
    private final Retention retention;
    private final Installation installation;
    private final ProcessingQueries queries;
    private final Clock clock;

    ProcessingController(
            Businesses businesses,
            Appearances appearances,
            Retention retention,
            Installation installation,
            ProcessingQueries queries,
            Clock clock) {
        this.businesses = businesses;
        this.appearances = appearances;
        this.retention = retention;
        this.installation = installation;
        this.queries = queries;
        this.clock = clock;
    }

    /** One line. */
    record Line(String what, String whose, String data, String why, String basis, String goesTo, String kept) {}

    record ProcessingPage(
            PublicFace face,
            LocalDate today,
            List<Line> lines,
            boolean keepsCookie,
            boolean needsSecondFactor,
            boolean isEncrypted) {}

    @GetMapping
    ModelAndView page(Business business) {
        return ViewRecord.of(
                "desk/setup/processing",
                new ProcessingPage(
                        appearances.face(),
                        business.today(clock),
                        lines(),
                        businesses.visitKeeping().keepsCookie(),
                        businesses.needsSecondFactor(),
                        installation.origin().startsWith("https:")));
    }

    @GetMapping("/record.csv")
    void csv(HttpServletResponse response) throws IOException {
        TableFormat.CSV.send(
                response,
                new NamedTable(
                        "processing",
                        Texts.of("desk.setup.processing.title"),
                        List.of(
                                Texts.of("desk.setup.processing.activity"),
                                Texts.of("desk.setup.processing.whose-data"),
                                Texts.of("desk.setup.processing.kinds"),
                                Texts.of("desk.setup.processing.purpose"),
                                Texts.of("desk.setup.processing.legal-basis"),
                                Texts.of("desk.setup.processing.given-to"),
                                Texts.of("desk.setup.processing.kept-for")),
                        lines().stream()
                                .map(line -> List.<Object>of(
                                        line.what(),
                                        line.whose(),
                                        line.data(),
                                        line.why(),
                                        line.basis(),
                                        line.goesTo(),
                                        line.kept()))
                                .toList()));
    }

    private List<Line> lines() {
        Map<RetainedKind, Integer> months = retention.months();
        return Arrays.stream(Processing.values())
                .map(one -> new Line(
                        one.what(), one.whose(), one.data(), one.why(), one.basis(), goesTo(one), kept(one, months)))
                .toList();
    }

    private String kept(Processing one, Map<RetainedKind, Integer> months) {
        Optional<Integer> own = one.isOfVisits()
                ? Optional.of(businesses.visitKeeping().months())
                : one.retained().map(months::get);
        return own.map(count -> Texts.of("platform.privacy.retention.months", count))
                .orElseGet(one::kept);
    }

    /** Whom the data is given to because of how Wendo is set up; others may get it by the business's own hands. */
    private String goesTo(Processing one) {
        List<String> to = new ArrayList<>();
        if (one == Processing.VISITS) {
            to.addAll(queries.networks());
        }
        if (one == Processing.TAGS) {
            to.addAll(queries.taggingDesks());
        }
        if (one == Processing.MESSAGES || one == Processing.RECIPIENTS || one == Processing.PEOPLE) {
            to.add(installation.mail().host());
        }
        if (one == Processing.MESSAGES || one == Processing.RECIPIENTS) {
            to.add(installation.texts().address().replaceFirst("\\?.*$", ""));
        }
        to.removeIf(String::isEmpty);
        return to.isEmpty() ? Texts.of("desk.setup.processing.nobody") : String.join(", ", to);
    }
}
