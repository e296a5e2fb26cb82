package wendo.app.lead.leads;

import jakarta.servlet.http.HttpServletResponse;
import java.io.IOException;
import java.io.UncheckedIOException;
import java.math.BigDecimal;
import java.time.Clock;
import java.util.Iterator;
import java.util.List;
import java.util.stream.StreamSupport;
import org.springframework.http.HttpStatus;
import org.springframework.stereotype.Controller;
import org.springframework.web.bind.annotation.GetMapping;
import org.springframework.web.bind.annotation.PathVariable;
import org.springframework.web.server.ResponseStatusException;
import wendo.app.platform.accounts.Needs;
import wendo.app.platform.accounts.PageContext;
import wendo.app.platform.accounts.Permission;
import wendo.app.platform.business.Business;
import wendo.app.platform.site.Texts;
import wendo.app.platform.site.TypedFields;
import wendo.app.platform.tables.NamedTable;
import wendo.app.platform.tables.TableFormat;

/** The leads of a list as a file: a lead is its contact details, so they go out with who may export those. */
@Needs(Permission.EXPORT_CONTACTS)
@Controller
class LeadExportController {
    private final LeadQueries queries;
    private final Clock clock;

    LeadExportController(LeadQueries queries, Clock clock) {
        this.queries = queries;
        this.clock = clock;
    }

    @GetMapping("/leads/leads.{format}")
    void export(@PathVariable String format, TypedFields asked, PageContext context, HttpServletResponse response) {
        TableFormat wanted =
                TableFormat.find(format).orElseThrow(() -> new ResponseStatusException(HttpStatus.NOT_FOUND));
        Business business = context.business();
        LeadFilter filter = LeadFilter.of(asked);
        List<String> columns = List.of(
                Texts.of("lead.leads.arrived-at"),
                Texts.of("common.reference"),
                Texts.of("common.name"),
                Texts.of("common.e-mail"),
                Texts.of("common.phone"),
                Texts.of("lead.leads.items"),
                Texts.of("common.message"),
                Texts.of("lead.leads.source"),
                Texts.of("common.channel"),
                Texts.of("common.stage"),
                Texts.of("lead.leads.quoted-in", business.currency().getCode()),
                Texts.of("lead.leads.reason-lost"),
                Texts.of("lead.leads.owner"),
                Texts.of("common.labels"),
                Texts.of("common.note"));
        queries.each(filter, LeadQueries.Reader.of(context.person()), clock.instant(), rows -> {
            try {
                wanted.send(
                        response,
                        new NamedTable("leads", Texts.of("common.leads"), columns, () -> cells(rows, business)));
            } catch (IOException e) {
                throw new UncheckedIOException(e);
            }
        });
    }

    private static Iterator<List<?>> cells(Iterator<LeadQueries.Row> rows, Business business) {
        Iterable<LeadQueries.Row> once = () -> rows;
        return StreamSupport.stream(once.spliterator(), false)
                .<List<?>>map(row -> cells(row, business))
                .iterator();
    }

    private static List<Object> cells(LeadQueries.Row row, Business business) {
        return List.of(
                row.arrivedAt().atZone(business.zone()).toOffsetDateTime().toString(),
                row.reference(),
                row.name(),
                row.email(),
                row.phone(),
                row.items(),
                row.message(),
                row.source().orElse(""),
                row.channel()
                        .map(channel -> Texts.of("common.channel-name", channel.key()))
                        .orElse(""),
                row.stage().key(),
                row.quotedMinor() == 0
                        ? ""
                        : BigDecimal.valueOf(
                                row.quotedMinor(), business.currency().getDecimalPlaces()),
                row.lostReason(),
                row.owner(),
                String.join(", ", row.labels()),
                row.note());
    }
}
