package wendo.app.outcome.imports;

import java.time.Instant;
import java.util.List;
import java.util.Locale;
import java.util.Map;
import java.util.Optional;
import java.util.OptionalLong;
import java.util.Set;
import java.util.UUID;
import java.util.stream.Collectors;
import wendo.app.outcome.income.ReportedIncome;
import wendo.app.platform.business.Business;
import wendo.app.platform.site.Texts;
import wendo.app.platform.tables.Table;
import wendo.core.income.Income;
import wendo.core.income.IncomeState;
import wendo.core.outcomes.AmountStyle;
import wendo.core.outcomes.CurrencyMark;
import wendo.core.outcomes.OutcomeReport;
import wendo.core.outcomes.OutcomeStatus;
import wendo.core.outcomes.ReportedDetails;
import wendo.core.outcomes.WrittenTime;
import wendo.core.text.Sentence;
import wendo.core.visits.ClickId;

/**
 * Reads one row of a file as the news of an outcome.
 *
 * @param payer the network whose rows are income, where they tell a commission
 * @param clicks what a sub-ID in its column stands for, where it is no click identifier itself
 */
record ImportRow(
        ImportMatching matching,
        Business business,
        Instant now,
        Map<String, ClickId> clicks,
        Optional<ReportedIncome.Payer> payer) {
    /** Faults whose message names the cell already. */
    private static final Set<String> PLAIN = Set.of("currency", "when");

    /** The report, or what is wrong with the row in one sentence for each column. */
    OutcomeReport.Read read(Table.Row row) {
        String when = matching.cell(row, ImportColumn.DAY);
        Optional<WrittenTime> at = matching.days().find(when);
        OutcomeReport.Read read = OutcomeReport.of(
                new OutcomeReport.Fields(
                        matching.kind(),
                        matching.cell(row, ImportColumn.REFERENCE),
                        isIncome() ? "" : matching.amounts().plain(matching.cell(row, ImportColumn.VALUE)),
                        "",
                        click(matching.cell(row, ImportColumn.CLICK)),
                        at.map(time -> time.in(business.zone())),
                        OutcomeStatus.spoken(matching.cell(row, ImportColumn.STATUS)),
                        "",
                        matching.amounts().plain(matching.cell(row, ImportColumn.DELIVERY)),
                        told(row)),
                business.currency(),
                now);
        Optional<OutcomeReport.Fault> fault = at.isEmpty() && !when.isBlank()
                ? Optional.of(
                        new OutcomeReport.Fault("when", Sentence.said(Texts.of("outcome.imports.is-not-a-day", when))))
                : otherCurrency(matching.cell(row, ImportColumn.VALUE)).or(() -> noCommission(row));
        return fault.<OutcomeReport.Read>map(one -> new OutcomeReport.Read.Bad(List.of(one)))
                .orElse(read);
    }

    /** Amounts of other currencies are refused, as the API does. */
    private Optional<OutcomeReport.Fault> otherCurrency(String cell) {
        return CurrencyMark.isOf(business.currency(), business.locale(), AmountStyle.currency(cell))
                ? Optional.empty()
                : Optional.of(new OutcomeReport.Fault(
                        "currency",
                        Sentence.said(Texts.of(
                                "outcome.imports.is-not-in-convert-it",
                                cell,
                                business.currency().getCode()))));
    }

    private boolean isIncome() {
        return payer.isPresent() && matching.column(ImportColumn.COMMISSION) >= 0;
    }

    private OptionalLong amount(Table.Row row, ImportColumn column) {
        return OutcomeReport.amount(matching.amounts().plain(matching.cell(row, column)), business.currency());
    }

    private Optional<OutcomeReport.Fault> noCommission(Table.Row row) {
        String cell = matching.cell(row, ImportColumn.COMMISSION);
        return isIncome()
                        && !cell.isBlank()
                        && amount(row, ImportColumn.COMMISSION).isEmpty()
                ? Optional.of(new OutcomeReport.Fault(
                        "when", Sentence.said(Texts.of("outcome.imports.is-not-an-amount", cell))))
                : Optional.empty();
    }

    /** What the network pays by this row, if it is one that pays. */
    Optional<ReportedIncome> income(Table.Row row, UUID outcome, String file, String by) {
        return payer.filter(one -> isIncome())
                .map(one -> new ReportedIncome(
                        outcome,
                        one,
                        new Income.News(
                                IncomeState.spoken(matching.cell(row, ImportColumn.STATUS)),
                                amount(row, ImportColumn.COMMISSION)),
                        amount(row, ImportColumn.VALUE),
                        matching.cell(row, ImportColumn.ITEMS),
                        file,
                        by));
    }

    /** What stands in its column of click identifiers but is none. */
    Optional<String> malformedClick(Table.Row row) {
        return OutcomeReport.malformedClick(click(matching.cell(row, ImportColumn.CLICK)))
                .map(Texts::of);
    }

    private String click(String cell) {
        ClickId known = clicks.get(cell.strip().toLowerCase(Locale.ROOT));
        return known == null ? cell : known.toString();
    }

    private ReportedDetails.Typed told(Table.Row row) {
        return new ReportedDetails.Typed(
                matching.cell(row, ImportColumn.NAME),
                matching.cell(row, ImportColumn.EMAIL),
                matching.cell(row, ImportColumn.PHONE),
                business.locale().getCountry(),
                matching.cell(row, ImportColumn.CODE),
                matching.cell(row, ImportColumn.ANSWER),
                matching.cell(row, ImportColumn.ITEMS),
                matching.cell(row, ImportColumn.NOTE));
    }

    /** What is wrong with a row; an amount is told as it stands there, for files write it in more than one way. */
    String said(Table.Row row, OutcomeReport.Read.Bad bad) {
        return bad.faults().stream()
                .map(fault -> fault.field().equals("value")
                        ? Texts.of("outcome.imports.is-not-an-amount", matching.cell(row, ImportColumn.VALUE))
                        : PLAIN.contains(fault.field())
                                ? Texts.of(fault.sentence())
                                : fault.field() + ": " + Texts.of(fault.sentence()))
                .collect(Collectors.joining(" "));
    }
}
