package wendo.app.money.spend;

import java.time.LocalDate;
import java.util.Optional;
import java.util.UUID;
import wendo.app.platform.site.Texts;
import wendo.core.measure.LumpSpend;
import wendo.core.measure.MonthlySpend;
import wendo.core.measure.Period;
import wendo.core.measure.UnitPrice;

/**
 * What something cost: a source, one link of it, or a campaign.
 *
 * @param amountMinor of a lump or a month; 0 with a price per visit
 * @param price per visit; 0 otherwise
 * @param lastDay empty while it goes on
 * @param sharedBy of a campaign's cost
 */
record Cost(
        Optional<UUID> source,
        Optional<UUID> link,
        Optional<UUID> campaign,
        Optional<SharedBy> sharedBy,
        SpendWay way,
        long amountMinor,
        UnitPrice price,
        LocalDate firstDay,
        Optional<LocalDate> lastDay,
        String note) {

    Cost {
        if (source.isPresent() == campaign.isPresent()) {
            throw new IllegalArgumentException("A cost is of a source or of a campaign");
        }
        if (way == SpendWay.LUMP && lastDay.isEmpty()) {
            throw new IllegalArgumentException("An amount for some days has a last day");
        }
    }

    static Cost of(UUID source, Optional<UUID> link, LumpSpend lump, String note) {
        return new Cost(
                Optional.of(source),
                link,
                Optional.empty(),
                Optional.empty(),
                SpendWay.LUMP,
                lump.amountMinor(),
                new UnitPrice(0),
                lump.period().startInclusive(),
                Optional.of(lump.period().lastDay()),
                note);
    }

    /** Known to be none, from a day on. */
    static Cost nothing(UUID source, LocalDate firstDay) {
        return new Cost(
                Optional.of(source),
                Optional.empty(),
                Optional.empty(),
                Optional.empty(),
                SpendWay.MONTH,
                0,
                new UnitPrice(0),
                firstDay,
                Optional.empty(),
                Texts.kept("money.spend.costs-nothing"));
    }

    /** @param visits people's visits that a price is paid for, on the days of the period that it covers */
    long within(Period period, long visits) {
        return switch (way) {
            case LUMP -> new LumpSpend(amountMinor, Period.ofDays(firstDay, lastDay.orElseThrow())).within(period);
            case MONTH -> new MonthlySpend(amountMinor, firstDay, lastDay.map(day -> day.plusDays(1))).within(period);
            case VISIT -> price.times(visits);
        };
    }
}
