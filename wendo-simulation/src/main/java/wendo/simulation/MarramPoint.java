package wendo.simulation;

import java.util.List;
import java.util.Map;
import wendo.core.links.Channel;
import wendo.core.outcomes.OutcomeKind;

/**
 * Marram Point Sailing, an invented sailing school and boat hire on an invented estuary, and the true effects of all its
 * sources: the one place where they are written down. What the simulation makes of them is told in docs/SIMULATION.md.
 */
public final class MarramPoint {
    public static final String NAME = "Marram Point Sailing";

    public static final String OPENING = "Season opening";
    public static final String SUMMER = "Summer weeks";
    public static final String AUTUMN = "Autumn courses";
    public static final String ALWAYS = "All season";

    /** A lead may cost £32, a booking £45; a purchase what its margin leaves. */
    public static final Map<OutcomeKind, Long> CEILINGS_MINOR =
            Map.of(OutcomeKind.LEAD, 3_200L, OutcomeKind.BOOKING, 4_500L);

    public static final int MARGIN_PERCENT = 40;

    private static final Habits HABITS = new Habits(0.14, 0.05, 0.07, 0.05, 0.04, 0.02, 0.02, 0.09, 2);

    public static final World WORLD = new World(
            List.of(
                    new TrueSource(
                            "Postcards to Dunlin Bay",
                            Channel.PRINT,
                            900,
                            TrueSource.Pattern.MAILED,
                            0.020,
                            0.021,
                            0.012,
                            List.of(
                                    cost(1, 4, 42_000, "3,000 cards, spring"),
                                    cost(11, 4, 44_500, "3,000 cards, summer")),
                            List.of(
                                    link(0, OPENING, "/courses", "dunlin-bay"),
                                    link(10, SUMMER, "/courses", "dunlin-summer"))),
                    new TrueSource(
                            "Postcards to Tern Cross",
                            Channel.PRINT,
                            520,
                            TrueSource.Pattern.MAILED,
                            0.011,
                            0.005,
                            0.004,
                            List.of(cost(2, 4, 39_000, "2,800 cards")),
                            List.of(link(0, OPENING, "/courses", "tern-cross"))),
                    new TrueSource(
                            "Text to last year's students",
                            Channel.TEXT,
                            760,
                            TrueSource.Pattern.MAILED,
                            0.010,
                            0.034,
                            0.018,
                            List.of(cost(3, 1, 6_120, "1,020 messages"), cost(17, 1, 6_300, "1,050 messages")),
                            List.of(
                                    link(0, OPENING, "/courses", "back-afloat"),
                                    link(16, AUTUMN, "/courses", "afloat-again"))),
                    new TrueSource(
                            "Our newsletter",
                            Channel.NEWSLETTER,
                            2400,
                            TrueSource.Pattern.FORTNIGHTLY,
                            0.008,
                            0.013,
                            0.016,
                            List.of(cost(0, 26, 19_500, "Sending, half a year")),
                            List.of(link(0, ALWAYS, "/", "news"), link(17, AUTUMN, "/courses", "news-autumn"))),
                    new TrueSource(
                            "Slot in Estuary Walkers' Letter",
                            Channel.NEWSLETTER,
                            650,
                            TrueSource.Pattern.MAILED,
                            0.011,
                            0.006,
                            0.007,
                            List.of(cost(5, 2, 24_000, "June slot"), cost(13, 2, 24_000, "August slot")),
                            List.of(link(4, SUMMER, "/courses", "walkers"))),
                    new TrueSource(
                            "Search ads",
                            Channel.AD,
                            4300,
                            TrueSource.Pattern.STEADY,
                            0.013,
                            0.011,
                            0.005,
                            List.of(
                                    cost(0, 9, 98_000, "Spring budget"),
                                    cost(9, 9, 124_000, "Summer budget"),
                                    cost(18, 8, 61_000, "Autumn budget")),
                            List.of(link(0, ALWAYS, "/courses", "learn-to-sail"))),
                    new TrueSource(
                            "Social ads",
                            Channel.AD,
                            3600,
                            TrueSource.Pattern.STEADY,
                            0.006,
                            0.003,
                            0.003,
                            List.of(cost(0, 13, 88_000, "First half"), cost(13, 13, 79_000, "Second half")),
                            List.of(link(0, ALWAYS, "/", "wind-and-water"))),
                    new TrueSource(
                            "Posts and stories",
                            Channel.SOCIAL,
                            2100,
                            TrueSource.Pattern.STEADY,
                            0.006,
                            0.005,
                            0.004,
                            List.of(cost(0, 26, 26_000, "Photographer, four mornings")),
                            List.of(link(0, ALWAYS, "/", "posts"))),
                    new TrueSource(
                            "Saltgrass Campsite",
                            Channel.PARTNER,
                            640,
                            TrueSource.Pattern.STEADY,
                            0.030,
                            0.052,
                            0.014,
                            List.of(cost(0, 26, 40_000, "Referral fee, flat")),
                            List.of(link(0, ALWAYS, "/courses", "saltgrass"))),
                    new TrueSource(
                            "Heron House",
                            Channel.PARTNER,
                            260,
                            TrueSource.Pattern.STEADY,
                            0.018,
                            0.020,
                            0.030,
                            List.of(cost(0, 26, 12_000, "Welcome cards and thanks")),
                            List.of(link(0, ALWAYS, "/vouchers", "heron-house"))),
                    new TrueSource(
                            "Gannet Outdoor",
                            Channel.PARTNER,
                            410,
                            TrueSource.Pattern.STEADY,
                            0.012,
                            0.010,
                            0.020,
                            List.of(cost(0, 26, 30_000, "Counter display")),
                            List.of(link(0, ALWAYS, "/vouchers", "gannet"))),
                    new TrueSource(
                            "Sign on the slipway",
                            Channel.PLACE,
                            1500,
                            TrueSource.Pattern.STEADY,
                            0.022,
                            0.016,
                            0.006,
                            List.of(cost(0, 26, 18_500, "Board and paint, this season")),
                            List.of(link(0, ALWAYS, "/enquiry", "slipway"))),
                    new TrueSource(
                            "Regatta programme",
                            Channel.OTHER,
                            380,
                            TrueSource.Pattern.MAILED,
                            0.013,
                            0.009,
                            0.008,
                            List.of(cost(12, 3, 21_000, "Half a page")),
                            List.of(link(11, SUMMER, "/courses", "regatta")))),
            HABITS,
            11_500,
            6_400);

    private MarramPoint() {}

    private static TrueSource.Cost cost(int firstWeek, int weeks, long amountMinor, String note) {
        return new TrueSource.Cost(firstWeek, weeks, amountMinor, note);
    }

    private static TrueSource.Placed link(int firstWeek, String campaign, String page, String slug) {
        return new TrueSource.Placed(firstWeek, campaign, page, slug);
    }
}
