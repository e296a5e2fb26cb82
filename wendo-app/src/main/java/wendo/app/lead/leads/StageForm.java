package wendo.app.lead.leads;

import java.time.Instant;
import java.util.HashMap;
import java.util.Map;
import java.util.Optional;
import wendo.app.platform.business.Business;
import wendo.app.platform.site.Amount;
import wendo.app.platform.site.InvalidForm;
import wendo.app.platform.site.Limits;
import wendo.app.platform.site.Texts;
import wendo.app.platform.site.TypedFields;
import wendo.core.outcomes.OutcomeReport;
import wendo.core.outcomes.ReportedDetails;

/**
 * A change of a lead's stage, as typed.
 *
 * @param becomes the kind of outcome that a won lead becomes
 * @param amount what a won lead is worth; with one, it becomes that outcome at once
 * @param reference of that outcome; empty for the lead's own
 * @param isLinked whether the lead became an outcome before
 */
record StageForm(
        Stage stage,
        String quoted,
        String reason,
        String becomes,
        String amount,
        String reference,
        long quotedBefore,
        boolean isLinked) {
    private static final int MAX_REASON = Limits.LOST_REASON;

    static StageForm of(TypedFields typed, LeadQueries.Row lead) {
        return new StageForm(
                Stage.find(typed.raw("stage")).orElse(lead.stage()),
                typed.text("quoted"),
                typed.text("reason", lead.lostReason()).strip(),
                typed.text("becomes", "booking").equals("purchase") ? "purchase" : "booking",
                typed.text("amount"),
                typed.text("reference"),
                lead.quotedMinor(),
                lead.became().isPresent());
    }

    Map<String, String> check(Business business) {
        Map<String, String> faults = new HashMap<>();
        if (stage == Stage.QUOTED) {
            try {
                Amount.of(quoted, business.currency(), business.locale());
            } catch (IllegalArgumentException e) {
                faults.put("quoted", Texts.said(e));
            }
        }
        if (stage == Stage.LOST && reason.isEmpty()) {
            faults.put("reason", Texts.of("lead.leads.give-a-reason-in-a"));
        }
        InvalidForm.tooLong(faults, "reason", reason, MAX_REASON);
        return faults;
    }

    /** What a lead that is won with an amount becomes; empty for any other. */
    Optional<OutcomeReport> report(LeadQueries.Row lead, Business business, Instant now, Map<String, String> faults) {
        if (stage != Stage.WON || amount.isEmpty() || isLinked) {
            return Optional.empty();
        }
        OutcomeReport.Read read = OutcomeReport.of(
                new OutcomeReport.Fields(
                        becomes,
                        reference.isEmpty() ? lead.reference() : reference,
                        Amount.plain(amount, business.currency(), business.locale()),
                        "",
                        "",
                        Optional.empty(),
                        "",
                        "",
                        new ReportedDetails.Typed(
                                lead.name(),
                                lead.email(),
                                lead.phone(),
                                business.locale().getCountry(),
                                "",
                                "",
                                lead.items(),
                                "")),
                business.currency(),
                now);
        if (read instanceof OutcomeReport.Read.Bad bad) {
            bad.faults()
                    .forEach(fault -> faults.put(
                            fault.field().equals("value") ? "amount" : fault.field(), Texts.of(fault.sentence())));
            return Optional.empty();
        }
        return Optional.of(((OutcomeReport.Read.Good) read).report());
    }

    /** What was quoted stays unless another quote is given. */
    long quotedMinor(Business business) {
        return stage == Stage.QUOTED
                ? Amount.of(quoted, business.currency(), business.locale()).minor()
                : quotedBefore;
    }

    String keptReason() {
        return stage == Stage.LOST ? reason : "";
    }

    /** The line in the lead's history. */
    String said() {
        String more = switch (stage) {
            case NEW -> "";
            case QUOTED -> ", " + quoted;
            case WON ->
                amount.isEmpty() || isLinked
                        ? ""
                        : Texts.kept("lead.leads.won-said", Texts.kept("common.kind-noun", becomes), amount);
            case LOST -> ", " + reason;
        };
        return Texts.kept("lead.leads.stage-said", Texts.kept("common.stage-name", stage.key()), more);
    }
}
