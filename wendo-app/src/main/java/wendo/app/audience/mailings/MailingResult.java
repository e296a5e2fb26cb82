package wendo.app.audience.mailings;

import wendo.app.platform.site.Figures;
import wendo.app.platform.site.Texts;
import wendo.core.measure.HeldOut;
import wendo.core.measure.Rate;
import wendo.core.outcomes.OutcomeKind;

/**
 * What a mailing brought of one kind of outcome, beside those held out.
 *
 * @param said what it brought beyond what would have come anyway
 */
record MailingResult(OutcomeKind kind, MatchBackQueries.MailedList found, String said) {
    static MailingResult of(OutcomeKind kind, MatchBackQueries.MailedList found, Figures figures) {
        if (found.heldOut() == 0) {
            return new MailingResult(kind, found, Texts.of("audience.mailings.nobody-held-out"));
        }
        return new MailingResult(
                kind,
                found,
                new HeldOut(
                                new Rate(found.mailedActed(), found.mailed()),
                                new Rate(found.heldOutActed(), found.heldOut()))
                        .extra()
                        .map(extra -> words(extra, figures))
                        .orElse(Texts.of("audience.mailings.nobody-mailed")));
    }

    private static String words(HeldOut.Extra extra, Figures figures) {
        String low = figures.count(Math.round(extra.low()));
        String high = figures.count(Math.round(extra.high()));
        return extra.isClear()
                ? Texts.of("audience.mailings.brought", figures.count(Math.round(extra.value())), low, high)
                : Texts.of("audience.mailings.perhaps-nothing", low, high);
    }

    public boolean isEmpty() {
        return found.mailedActed() + found.heldOutActed() == 0;
    }

    /** In per cent of those who were written to. */
    public double mailedRate() {
        return found.mailed() == 0 ? 0 : (double) found.mailedActed() / found.mailed();
    }

    public double heldOutRate() {
        return found.heldOut() == 0 ? 0 : (double) found.heldOutActed() / found.heldOut();
    }
}
