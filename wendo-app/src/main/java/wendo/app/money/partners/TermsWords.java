package wendo.app.money.partners;

import java.util.ArrayList;
import java.util.List;
import java.util.stream.Collectors;
import wendo.app.platform.site.Figures;
import wendo.app.platform.site.Texts;
import wendo.core.outcomes.OutcomeKind;
import wendo.core.partners.CommissionRate;
import wendo.core.partners.CommissionTerms;
import wendo.core.partners.CommissionTiers;

/** Terms and what a line was worked out of, in words. */
final class TermsWords {
    private TermsWords() {}

    /** One sentence for each rate, and one for each condition. */
    static List<String> of(CommissionTerms terms, Figures figures) {
        List<String> words = new ArrayList<>();
        for (OutcomeKind kind : OutcomeKind.values()) {
            CommissionTiers tiers = terms.rates().get(kind);
            if (tiers != null) {
                words.add(tiers(kind, tiers, figures));
            }
        }
        if (terms.base().taxPercent().signum() > 0) {
            words.add(Texts.of("money.partners.says-net", percent(terms.base().taxPercent())));
        }
        if (terms.base().withoutDelivery()) {
            words.add(Texts.of("money.partners.says-without-delivery"));
        }
        if (!terms.base().items().isEmpty()) {
            words.add(Texts.of(
                    "money.partners.says-items", String.join(", ", terms.base().items())));
        }
        if (terms.firstOnly()) {
            words.add(Texts.of("money.partners.says-first-only"));
        }
        terms.mostPerOutcomeMinor()
                .ifPresent(most -> words.add(Texts.of("money.partners.says-most-per-outcome", figures.money(most))));
        terms.mostPerMonthMinor()
                .ifPresent(most -> words.add(Texts.of("money.partners.says-most-per-month", figures.money(most))));
        if (terms.heldDays() > 0) {
            words.add(Texts.of("money.partners.says-held", terms.heldDays()));
        }
        return words;
    }

    /** From when to when. */
    static String days(AgreedTerms agreed, Figures figures) {
        return agreed.lastDay()
                .map(last -> Texts.of("money.partners.says-from-to", figures.day(agreed.firstDay()), figures.day(last)))
                .orElseGet(() -> Texts.of("money.partners.says-from", figures.day(agreed.firstDay())));
    }

    /** The rates alone, in one line. */
    static String brief(CommissionTerms terms, Figures figures) {
        return terms.rates().entrySet().stream()
                .sorted(java.util.Map.Entry.comparingByKey())
                .map(one -> tiers(one.getKey(), one.getValue(), figures))
                .collect(Collectors.joining("; "));
    }

    private static String tiers(OutcomeKind kind, CommissionTiers tiers, Figures figures) {
        String first = rate(tiers.tiers().get(0).rate(), kind, figures);
        if (tiers.tiers().size() == 1) {
            return first;
        }
        boolean byCount = tiers.by() == CommissionTiers.Measure.COUNT;
        String more = tiers.tiers().stream()
                .skip(1)
                .map(tier -> Texts.of(
                        byCount ? "money.partners.says-tier-count" : "money.partners.says-tier-value",
                        bare(tier.rate(), figures),
                        byCount ? figures.count(tier.over()) : figures.money(tier.over())))
                .collect(Collectors.joining(", "));
        return Texts.of(
                tiers.reach() == CommissionTiers.Reach.WHOLE
                        ? "money.partners.says-whole"
                        : "money.partners.says-marginal",
                first,
                more);
    }

    private static String rate(CommissionRate rate, OutcomeKind kind, Figures figures) {
        return Texts.of(
                rate instanceof CommissionRate.Percent ? "money.partners.says-percent" : "money.partners.says-amount",
                bare(rate, figures),
                kind.key());
    }

    private static String bare(CommissionRate rate, Figures figures) {
        return rate instanceof CommissionRate.Percent share
                ? percent(share.percent())
                : figures.money(((CommissionRate.Amount) rate).minor());
    }

    private static String percent(java.math.BigDecimal percent) {
        return percent.stripTrailingZeros().toPlainString() + "%";
    }

    /** How a line was worked out: its parts, and why it is not what they add up to. */
    static String arithmetic(CommissionQueries.Row row, Figures figures) {
        String parts = row.shares().stream()
                .map(share -> share.rate() instanceof CommissionRate.Percent rate
                        ? Texts.of(
                                "money.partners.works-percent",
                                percent(rate.percent()),
                                figures.money(share.baseMinor()))
                        : Texts.of("money.partners.works-amount", bare(share.rate(), figures)))
                .collect(Collectors.joining(" + "));
        String reason = row.reason().equals("by_terms") ? "" : Texts.of("money.partners.reason", row.reason());
        if (parts.isEmpty() || reason.isEmpty()) {
            return parts + reason;
        }
        return parts + "; " + reason;
    }
}
