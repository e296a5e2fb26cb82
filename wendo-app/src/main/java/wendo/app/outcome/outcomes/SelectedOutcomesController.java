package wendo.app.outcome.outcomes;

import java.time.Clock;
import java.util.ArrayList;
import java.util.List;
import java.util.Optional;
import java.util.UUID;
import org.springframework.http.HttpStatus;
import org.springframework.stereotype.Controller;
import org.springframework.web.bind.annotation.PostMapping;
import org.springframework.web.server.ResponseStatusException;
import org.springframework.web.servlet.mvc.support.RedirectAttributes;
import wendo.app.platform.accounts.Needs;
import wendo.app.platform.accounts.PageContext;
import wendo.app.platform.accounts.Permission;
import wendo.app.platform.business.EditedVersion;
import wendo.app.platform.site.Amount;
import wendo.app.platform.site.Texts;
import wendo.app.platform.site.TypedFields;
import wendo.app.prepare.sources.SourceListed;
import wendo.app.prepare.sources.Sources;
import wendo.core.outcomes.OutcomeReport;
import wendo.core.outcomes.OutcomeStatus;

/** Many outcomes of the ledger put right at once. */
@Controller
class SelectedOutcomesController {
    private final OutcomeQueries queries;
    private final Outcomes outcomes;
    private final Sources sources;
    private final Clock clock;

    SelectedOutcomesController(OutcomeQueries queries, Outcomes outcomes, Sources sources, Clock clock) {
        this.queries = queries;
        this.outcomes = outcomes;
        this.sources = sources;
        this.clock = clock;
    }

    /** Back to the ledger, as it was narrowed and sorted. */
    @Needs(Permission.SET_UP)
    @PostMapping("/outcomes/selected")
    String change(TypedFields typed, PageContext context, RedirectAttributes notes) {
        List<LedgerRow> rows = typed.ids("outcome", LedgerQueries.PAGE).stream()
                .map(id -> queries.find(id).orElseThrow(() -> new ResponseStatusException(HttpStatus.NOT_FOUND)))
                .toList();
        notes.addFlashAttribute(
                "said",
                rows.isEmpty()
                        ? Texts.of("outcome.outcomes.ledger.select-outcomes-first")
                        : typed.is("what", "source")
                                ? setSource(rows, typed, context)
                                : setStatus(rows, typed, context));
        return "redirect:/outcomes?" + context.choice().query()
                + LedgerFilter.of(typed).more();
    }

    private String setSource(List<LedgerRow> rows, TypedFields typed, PageContext context) {
        String wanted = typed.text("known");
        Optional<SourceListed> source = sources.list().stream()
                .filter(one -> one.id().toString().equals(wanted))
                .findFirst();
        if (source.isEmpty() && !wanted.isEmpty()) {
            return Texts.of("outcome.outcomes.this-source-is-no-longer");
        }
        Optional<UUID> id = source.map(SourceListed::id);
        String name = source.map(SourceListed::name).orElse("");
        rows.forEach(row -> outcomes.set(row.id(), id, name, context.person().name()));
        return id.isPresent()
                ? Texts.of("outcome.outcomes.ledger.source-set", rows.size(), name)
                : Texts.of("outcome.outcomes.ledger.source-by-evidence", rows.size());
    }

    private String setStatus(List<LedgerRow> rows, TypedFields typed, PageContext context) {
        Optional<OutcomeStatus> status = OutcomeStatus.find(typed.text("standing"));
        if (status.isEmpty()) {
            return Texts.of("outcome.outcomes.ledger.select-status-first");
        }
        List<String> refused = new ArrayList<>();
        rows.forEach(
                row -> refusal(row, status.get(), context).ifPresent(why -> refused.add(row.reference() + ": " + why)));
        int changed = rows.size() - refused.size();
        String said = changed == 0
                ? ""
                : Texts.of(
                        "outcome.outcomes.ledger.status-set",
                        changed,
                        Texts.of("common.status-title", status.get().key()));
        return refused.isEmpty()
                ? said
                : (said + ' ' + Texts.of("outcome.outcomes.ledger.not-changed", refused.size(), refused.get(0)))
                        .strip();
    }

    /** Why this one cannot have the status; a refund is of the whole value. */
    private Optional<String> refusal(LedgerRow row, OutcomeStatus status, PageContext context) {
        Correction correction = new Correction(
                status.key(),
                Amount.typed(
                        row.standing().valueMinor(),
                        context.business().currency(),
                        context.business().locale()),
                "");
        OutcomeReport.Read read = correction.read(row, context.business(), clock.instant());
        if (read instanceof OutcomeReport.Read.Bad bad) {
            return Optional.of(Texts.of(bad.faults().get(0).sentence()));
        }
        Recorded recorded = outcomes.correct(
                ((OutcomeReport.Read.Good) read).report(),
                EditedVersion.any(),
                context.person().name());
        return recorded instanceof Recorded.Refused no ? Optional.of(no.message()) : Optional.empty();
    }
}
