package wendo.simulation;

import java.util.List;
import java.util.Locale;
import wendo.core.links.Channel;
import wendo.core.outcomes.OutcomeKind;

/**
 * What is true of a source in the simulation, whatever Wendo may conclude from what it sees.
 *
 * @param peoplePerSeason people whose first touch is this source, expected over 26 weeks
 * @param pattern how they spread over the season
 * @param leadRate chance that a person's touch here is followed by a lead; likewise the other two rates
 * @param costs what was paid for it
 */
public record TrueSource(
        String name,
        Channel channel,
        double peoplePerSeason,
        Pattern pattern,
        double leadRate,
        double bookingRate,
        double purchaseRate,
        List<Cost> costs,
        List<Placed> links) {

    /** A lump, from a week of the season (0 is the first) for a number of weeks. */
    public record Cost(int firstWeek, int weeks, long amountMinor, String note) {}

    /** A link of the source from a week on. */
    public record Placed(int firstWeek, String campaign, String page, String slug) {}

    /** How people come over the weeks. */
    public enum Pattern {
        /** As many each day, with the season. */
        STEADY,
        /** A few days' rush when it is put out, in the first week of each cost, then a long tail. */
        MAILED,
        /** A rush on one day of each second week. */
        FORTNIGHTLY
    }

    public TrueSource {
        costs = List.copyOf(costs);
        links = List.copyOf(links);
    }

    /** The code that its people may give at the till. */
    public String code() {
        return links.get(0).slug().toUpperCase(Locale.ROOT).replace("-", "") + "5";
    }

    double rate(OutcomeKind kind) {
        return switch (kind) {
            case LEAD -> leadRate;
            case BOOKING -> bookingRate;
            case PURCHASE -> purchaseRate;
            case SUBSCRIPTION -> 0; // the simulated season has no newsletter to join
        };
    }

    long costMinor() {
        return costs.stream().mapToLong(Cost::amountMinor).sum();
    }
}
