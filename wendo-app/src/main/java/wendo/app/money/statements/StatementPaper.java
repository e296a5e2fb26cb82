package wendo.app.money.statements;

import java.io.ByteArrayOutputStream;
import java.io.IOException;
import java.io.UncheckedIOException;
import java.math.BigDecimal;
import java.math.RoundingMode;
import java.util.HashMap;
import java.util.List;
import java.util.Map;
import java.util.Optional;
import org.springframework.stereotype.Component;
import wendo.app.money.partners.CommissionLines;
import wendo.app.money.partners.CommissionQueries;
import wendo.app.money.partners.PartnerTax;
import wendo.app.platform.business.Business;
import wendo.app.platform.site.Figures;
import wendo.app.platform.site.PrintedPage;
import wendo.app.platform.site.ViewRecord;

/** A statement in full, and on paper. */
@Component
public class StatementPaper {
    private static final BigDecimal HUNDRED = BigDecimal.valueOf(100);

    private final CommissionQueries commissions;
    private final CommissionLines lines;
    private final Payments payments;
    private final PrintedPage paper;

    StatementPaper(CommissionQueries commissions, CommissionLines lines, Payments payments, PrintedPage paper) {
        this.commissions = commissions;
        this.lines = lines;
        this.payments = payments;
        this.paper = paper;
    }

    /**
     * A statement in full.
     *
     * @param selfBilling where the business writes the partner's invoices
     * @param taxMinor what is added then, in minor units
     */
    record StatementPage(
            StatementQueries.Row row,
            List<CommissionLines.Shown> lines,
            Optional<PartnerTax> selfBilling,
            long taxMinor,
            PayoutAccount.Details issuer) {}

    StatementPage page(StatementQueries.Row row, Business business) {
        Optional<PartnerTax> tax = lines.tax(row.partner()).filter(PartnerTax::isSelfBilling);
        long earned = row.earnedMinor() + row.adjustedMinor();
        return new StatementPage(
                row,
                lines.shown(commissions.ofStatement(row.id()), figures(business)),
                tax,
                tax.map(one -> share(earned, one.percent())).orElse(0L),
                payments.account());
    }

    /** Half up to the minor unit. */
    private static long share(long minor, BigDecimal percent) {
        return BigDecimal.valueOf(minor)
                .multiply(percent)
                .divide(HUNDRED, 0, RoundingMode.HALF_UP)
                .longValueExact();
    }

    /** As PDF. */
    public byte[] pdf(StatementQueries.Row row, Business business) {
        Map<String, Object> shown = new HashMap<>(ViewRecord.values(page(row, business)));
        shown.put("business", business.name());
        shown.put("figures", figures(business));
        ByteArrayOutputStream pdf = new ByteArrayOutputStream();
        try {
            paper.write("money/statements/open-print", shown, PrintedPage.Sheet.UPRIGHT, pdf);
        } catch (IOException e) {
            throw new UncheckedIOException(e);
        }
        return pdf.toByteArray();
    }

    private static Figures figures(Business business) {
        return new Figures(business.currency(), business.zone(), business.locale());
    }
}
