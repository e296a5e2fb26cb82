package wendo.app.compare.experiments;

import wendo.app.platform.site.Figures;
import wendo.core.measure.HeldOut;
import wendo.core.measure.Rate;

/**
 * What became of a mailing list, in words. It stands apart from what links are credited with, and is never added to it.
 *
 * @param said what the mailing brought beyond what would have come anyway
 */
record MatchBack(MatchBackQueries.Mailing mailing, String mailed, String heldOut, String said) {

    static MatchBack of(MatchBackQueries.Mailing mailing, Figures figures) {
        Rate mailed = new Rate(mailing.mailedActed(), mailing.mailed());
        Rate heldOut = new Rate(mailing.heldOutActed(), mailing.heldOut());
        return new MatchBack(
                mailing,
                Pair.shown(mailed, figures),
                mailing.heldOut() == 0 ? "nobody" : Pair.shown(heldOut, figures),
                mailing.heldOut() == 0
                        ? "Nobody was held out, so what would have come anyway is not known."
                        : new HeldOut(mailed, heldOut)
                                .extra()
                                .map(extra -> words(extra, figures))
                                .orElse("Nobody was mailed."));
    }

    private static String words(HeldOut.Extra extra, Figures figures) {
        String range = "%s to %s".formatted(figures.decimal(extra.low()), figures.decimal(extra.high()));
        return extra.isClear()
                ? "It brought about %s people more than would have come anyway (95 %%: %s)."
                        .formatted(figures.decimal(extra.value()), range)
                : "It may have brought nothing beyond what would have come anyway (95 %%: %s people).".formatted(range);
    }
}
