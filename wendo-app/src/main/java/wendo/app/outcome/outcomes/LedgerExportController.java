package wendo.app.outcome.outcomes;

import jakarta.servlet.http.HttpServletResponse;
import java.io.IOException;
import java.io.UncheckedIOException;
import java.math.BigDecimal;
import java.util.ArrayList;
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
import wendo.app.platform.site.Figures;
import wendo.app.platform.site.Texts;
import wendo.app.platform.site.TypedFields;
import wendo.app.platform.tables.NamedTable;
import wendo.app.platform.tables.TableFormat;
import wendo.app.prepare.sources.ChannelWindows;
import wendo.core.credit.LookbackWindows;

/** The ledger as it is filtered, as a file. Contact details go out with those who may export them. */
@Needs(Permission.EXPORT)
@Controller
class LedgerExportController {
    private final LedgerQueries queries;
    private final ChannelWindows windows;

    LedgerExportController(LedgerQueries queries, ChannelWindows windows) {
        this.queries = queries;
        this.windows = windows;
    }

    /** How lines are written. */
    private record Written(Business business, boolean withContacts, LookbackWindows windows) {
        Figures figures() {
            return new Figures(business.currency(), business.zone(), business.locale());
        }
    }

    @GetMapping("/outcomes/ledger.{format}")
    void export(@PathVariable String format, TypedFields asked, PageContext context, HttpServletResponse response)
            throws IOException {
        TableFormat wanted =
                TableFormat.find(format).orElseThrow(() -> new ResponseStatusException(HttpStatus.NOT_FOUND));
        Business business = context.business();
        boolean withContacts = context.person().may(Permission.EXPORT_CONTACTS);
        LedgerQueries.Chosen chosen = new LedgerQueries.Chosen(
                context.period(),
                context.zone(),
                LedgerFilter.of(asked),
                context.person().may(Permission.SEE_CONTACTS));
        String name = "outcomes-%s-%s"
                .formatted(context.period().startInclusive(), context.period().lastDay());
        Written written = new Written(business, withContacts, windows.current());
        queries.each(chosen, rows -> {
            try {
                wanted.send(
                        response,
                        new NamedTable(
                                name,
                                Texts.of("common.outcomes"),
                                columns(business, withContacts),
                                () -> cells(rows, written)));
            } catch (IOException e) {
                throw new UncheckedIOException(e);
            }
        });
    }

    private static List<String> columns(Business business, boolean withContacts) {
        String currency = business.currency().getCode();
        List<String> columns = new ArrayList<>(List.of(
                Texts.of("outcome.outcomes.occurred-at"),
                Texts.of("common.kind"),
                Texts.of("common.reference"),
                Texts.of("common.status"),
                Texts.of("common.value-in", currency),
                Texts.of("outcome.outcomes.refunded-in", currency),
                Texts.of("outcome.outcomes.source"),
                Texts.of("common.channel"),
                Texts.of("common.link"),
                Texts.of("common.evidence"),
                Texts.of("outcome.outcomes.items"),
                Texts.of("outcome.outcomes.reported-by")));
        if (withContacts) {
            columns.addAll(List.of(
                    Texts.of("common.name"),
                    Texts.of("common.e-mail"),
                    Texts.of("common.phone"),
                    Texts.of("common.note")));
        }
        return columns;
    }

    private static Iterator<List<?>> cells(Iterator<LedgerRow> rows, Written written) {
        Figures figures = written.figures();
        Iterable<LedgerRow> once = () -> rows;
        return StreamSupport.stream(once.spliterator(), false)
                .<List<?>>map(row -> cells(written.withContacts() ? row : row.withoutContacts(), written, figures))
                .iterator();
    }

    private static List<Object> cells(LedgerRow row, Written written, Figures figures) {
        Business business = written.business();
        int decimals = business.currency().getDecimalPlaces();
        var local = row.occurredAt().atZone(business.zone());
        List<Object> cells = new ArrayList<>(List.of(
                row.isDayAlone()
                        ? local.toLocalDate().toString()
                        : local.toOffsetDateTime().toString(),
                row.kind().key(),
                row.reference(),
                row.standing().status().key(),
                BigDecimal.valueOf(row.standing().valueMinor(), decimals),
                BigDecimal.valueOf(row.standing().refundedMinor(), decimals),
                row.source().orElse(""),
                row.channel()
                        .map(channel -> Texts.of("common.channel-name", channel.key()))
                        .orElse(""),
                row.visited().map(LedgerRow.Visited::linkName).orElse(""),
                EvidenceWords.of(row, figures, written.windows()).text(),
                row.told().items(),
                Reporter.of(row.reportedBy()).words()));
        if (written.withContacts()) {
            cells.addAll(List.of(
                    row.told().name(),
                    row.told().email(),
                    row.told().phone(),
                    row.told().note()));
        }
        return cells;
    }
}
