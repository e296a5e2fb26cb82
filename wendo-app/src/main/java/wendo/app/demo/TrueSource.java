package wendo.app.demo;

import java.util.List;
import wendo.core.links.Channel;

/**
 * What is true of a source in the simulation, whatever Wendo may conclude from what it sees.
 *
 * @param peoplePerSeason people whose first touch is this source, expected over 26 weeks
 * @param pattern how they spread over the season
 * @param leadRate chance that a person's touch here is followed by a lead; likewise the other two rates
 * @param costs what was paid for it
 */
record TrueSource(
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
    record Cost(int firstWeek, int weeks, long amountMinor, String note) {}

    /** A link of the source from a week on. */
    record Placed(int firstWeek, String campaign, String page, String slug) {}

    /** How people come over the weeks. */
    enum Pattern {
        /** As many each day, with the season. */
        STEADY,
        /** A few days' rush when it is put out, in the first week of each cost, then a long tail. */
        MAILED,
        /** A rush on one day of each second week. */
        FORTNIGHTLY
    }

    TrueSource {
        costs = List.copyOf(costs);
        links = List.copyOf(links);
    }
}
