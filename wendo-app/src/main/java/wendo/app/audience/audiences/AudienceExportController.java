package wendo.app.audience.audiences;

import jakarta.servlet.http.HttpServletResponse;
import java.io.IOException;
import java.io.UncheckedIOException;
import java.util.Iterator;
import java.util.List;
import java.util.UUID;
import java.util.function.Function;
import org.springframework.http.HttpStatus;
import org.springframework.stereotype.Controller;
import org.springframework.web.bind.annotation.GetMapping;
import org.springframework.web.bind.annotation.PathVariable;
import org.springframework.web.bind.annotation.RequestMapping;
import org.springframework.web.bind.annotation.RequestParam;
import org.springframework.web.server.ResponseStatusException;
import wendo.app.platform.accounts.Needs;
import wendo.app.platform.accounts.PageContext;
import wendo.app.platform.accounts.Permission;
import wendo.app.platform.consent.ConsentPurpose;
import wendo.app.platform.site.Texts;
import wendo.app.platform.tables.NamedTable;
import wendo.app.platform.tables.TableFormat;
import wendo.core.audience.HashedContact;

/** An audience as a file, for one purpose: whoever agreed to it, and nobody else. */
@Needs(Permission.EXPORT_CONTACTS)
@Controller
@RequestMapping("/audiences/{id}")
class AudienceExportController {
    private final Audiences audiences;
    private final AudienceQueries queries;

    AudienceExportController(Audiences audiences, AudienceQueries queries) {
        this.audiences = audiences;
        this.queries = queries;
    }

    @GetMapping("/people.{format}")
    void people(
            @PathVariable UUID id,
            @PathVariable String format,
            @RequestParam String purpose,
            PageContext context,
            HttpServletResponse response) {
        TableFormat wanted = TableFormat.find(format).orElseThrow(AudienceExportController::missing);
        ConsentPurpose agreed = ConsentPurpose.find(purpose).orElseThrow(AudienceExportController::missing);
        List<String> columns = List.of(
                Texts.of("common.name"),
                Texts.of("audience.audiences.contact"),
                Texts.of("audience.audiences.agreed-at"));
        send(
                id,
                agreed,
                new Sent(wanted, response, columns),
                one -> List.of(
                        one.name(),
                        one.contact(),
                        one.agreedAt()
                                .atZone(context.business().zone())
                                .toOffsetDateTime()
                                .toString()));
    }

    /** As ad desks take them: one column of hashes, in the order in which people became known, without their names. */
    @GetMapping("/hashed.csv")
    void hashed(@PathVariable UUID id, HttpServletResponse response) {
        send(
                id,
                ConsentPurpose.ADVERTISING,
                new Sent(TableFormat.CSV, response, List.of("sha256")),
                one -> List.of(HashedContact.ofNormalised(one.contact()).hex()));
    }

    /** Where a file goes, and what its columns are called. */
    private record Sent(TableFormat format, HttpServletResponse response, List<String> columns) {}

    private void send(UUID id, ConsentPurpose purpose, Sent sent, Function<AudienceQueries.Reachable, List<?>> cells) {
        Audiences.Listed audience = audiences.find(id).orElseThrow(AudienceExportController::missing);
        queries.eachReachable(audiences.people(audience), purpose, all -> {
            Iterable<List<?>> rows = () -> cells(all, cells);
            try {
                sent.format()
                        .send(
                                sent.response(),
                                new NamedTable(
                                        "audience", Texts.of("audience.audiences.audience"), sent.columns(), rows));
            } catch (IOException e) {
                throw new UncheckedIOException(e);
            }
        });
    }

    private static Iterator<List<?>> cells(
            Iterator<AudienceQueries.Reachable> all, Function<AudienceQueries.Reachable, List<?>> cells) {
        return new Iterator<>() {
            @Override
            public boolean hasNext() {
                return all.hasNext();
            }

            @Override
            public List<?> next() {
                return cells.apply(all.next());
            }
        };
    }

    private static ResponseStatusException missing() {
        return new ResponseStatusException(HttpStatus.NOT_FOUND);
    }
}
