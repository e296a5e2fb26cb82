package wendo.app.compare.experiments;

import wendo.app.audience.mailings.MatchBackQueries;
import wendo.app.platform.site.Figures;
import wendo.app.platform.site.Texts;
import wendo.core.measure.HeldOut;
import wendo.core.measure.Rate;

/**
 * What became of a mailing list, in words. It stands apart from what links are credited with, and is never added to it.
 *
 * @param said what the mailing brought beyond what would have come anyway
 */
record MatchBack(MatchBackQueries.MailedList mailing, String mailed, String heldOut, String said) {

    static MatchBack of(MatchBackQueries.MailedList mailing, Figures figures) {
        Rate mailed = new Rate(mailing.mailedActed(), mailing.mailed());
        Rate heldOut = new Rate(mailing.heldOutActed(), mailing.heldOut());
        return new MatchBack(
                mailing,
                Pair.shown(mailed, figures),
                mailing.heldOut() == 0 ? "nobody" : Pair.shown(heldOut, figures),
                mailing.heldOut() == 0
                        ? Texts.of("compare.experiments.nobody-was-held-out-so")
                        : new HeldOut(mailed, heldOut)
                                .extra()
                                .map(extra -> words(extra, figures))
                                .orElse(Texts.of("compare.experiments.nobody-was-mailed")));
    }

    private static String words(HeldOut.Extra extra, Figures figures) {
        String range = Texts.of("compare.experiments.to", people(extra.low(), figures), people(extra.high(), figures));
        return extra.isClear()
                ? Texts.of("compare.experiments.it-brought-about-more-people", people(extra.value(), figures), range)
                : Texts.of("compare.experiments.it-may-have-brought-nothing", range);
    }

    /** People come whole. */
    private static String people(double number, Figures figures) {
        return figures.count(Math.round(number));
    }
}
