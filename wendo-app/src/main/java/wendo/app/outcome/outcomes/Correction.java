package wendo.app.outcome.outcomes;

import java.time.Instant;
import java.util.Optional;
import org.jspecify.annotations.Nullable;
import wendo.app.platform.business.Business;
import wendo.app.platform.site.Amount;
import wendo.core.outcomes.OutcomeReport;
import wendo.core.outcomes.OutcomeStatus;
import wendo.core.outcomes.ReportedDetails;
import wendo.core.outcomes.Standing;

/** How somebody of the business puts an outcome right, as typed. */
record Correction(String status, String value, String refunded) {
    Correction {
        status = typed(status);
        value = typed(value);
        refunded = typed(refunded);
    }

    private static String typed(@Nullable String text) {
        return text == null ? "" : text;
    }

    static Correction of(LedgerRow row, Business business) {
        Standing standing = row.standing();
        return new Correction(
                standing.status().key(),
                Amount.typed(standing.valueMinor(), business.currency(), business.locale()),
                standing.status() == OutcomeStatus.REFUNDED
                        ? Amount.typed(standing.refundedMinor(), business.currency(), business.locale())
                        : "");
    }

    /** What is typed for a refund counts with the status of one only. */
    OutcomeReport.Read read(LedgerRow row, Business business, Instant now) {
        boolean isRefund = status.equals(OutcomeStatus.REFUNDED.key());
        return OutcomeReport.of(
                new OutcomeReport.Fields(
                        row.kind().key(),
                        row.reference(),
                        Amount.plain(value, business.currency(), business.locale()),
                        "",
                        "",
                        Optional.empty(),
                        status,
                        isRefund ? Amount.plain(refunded, business.currency(), business.locale()) : "",
                        ReportedDetails.Typed.none()),
                business.currency(),
                now);
    }
}
