package wendo.app.money.partners;

import java.time.LocalDate;
import java.util.List;
import java.util.Optional;
import java.util.UUID;
import java.util.stream.Stream;
import org.springframework.stereotype.Component;
import org.springframework.transaction.annotation.Transactional;
import wendo.app.platform.site.Figures;
import wendo.core.measure.Period;
import wendo.core.partners.PartnerBalance;

/** Lines in words, and what else statements tell of a partner. */
@Component
public class CommissionLines {
    private final PartnerRepository partners;
    private final TermsRepository terms;
    private final CommissionQueries queries;
    private final CommissionRows rows;

    CommissionLines(PartnerRepository partners, TermsRepository terms, CommissionQueries queries, CommissionRows rows) {
        this.partners = partners;
        this.terms = terms;
        this.queries = queries;
        this.rows = rows;
    }

    /** A line with how it was worked out. */
    public record Shown(CommissionQueries.Row row, String arithmetic) {}

    /** What holds by links or with codes, in words. */
    public record Terms(TermsWay way, List<String> words, String days) {}

    @Transactional(readOnly = true)
    public List<Terms> terms(UUID partner, LocalDate day, Figures figures) {
        List<AgreedTerms> all = terms.findByPartnerIdOrderByFirstDayDescWay(partner).stream()
                .map(StoredTerms::agreed)
                .toList();
        return Stream.of(TermsWay.values())
                .flatMap(way -> AgreedTerms.on(day, way, all).stream())
                .map(one -> new Terms(one.way(), TermsWords.of(one.terms(), figures), TermsWords.days(one, figures)))
                .toList();
    }

    /** A line with how it was worked out and where it stands. */
    public record Told(CommissionQueries.Row row, String arithmetic, PartnerBalance.State state) {}

    @Transactional(readOnly = true)
    public List<Told> told(UUID partner, Period period, LocalDate today, Figures figures) {
        PartnerBalance balance = queries.balance(partner, today);
        return queries.lines(partner, period).stream()
                .map(row -> new Told(
                        row,
                        TermsWords.arithmetic(row, figures),
                        balance.states().getOrDefault(row.id(), PartnerBalance.State.DUE)))
                .toList();
    }

    public List<Shown> shown(List<CommissionQueries.Row> rows, Figures figures) {
        return rows.stream()
                .map(row -> new Shown(row, TermsWords.arithmetic(row, figures)))
                .toList();
    }

    /** All lines of the days before {@code end} that are on no statement are on those of a month now, and never change. */
    @Transactional
    public void putOn(LocalDate month, LocalDate end, int afterNumber) {
        rows.putOn(month, end, afterNumber);
    }

    @Transactional(readOnly = true)
    public Optional<PartnerTax> tax(UUID partner) {
        return partners.findById(partner)
                .map(Partner::payout)
                .map(payout -> new PartnerTax(
                        payout.tax().number(),
                        payout.tax().note(),
                        payout.tax().selfBilling(),
                        payout.tax().percent()));
    }
}
