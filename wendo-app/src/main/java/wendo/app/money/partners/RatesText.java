package wendo.app.money.partners;

import java.math.BigDecimal;
import java.util.ArrayList;
import java.util.EnumMap;
import java.util.List;
import java.util.Locale;
import java.util.Map;
import java.util.stream.Collectors;
import wendo.core.outcomes.OutcomeKind;
import wendo.core.partners.CommissionRate;
import wendo.core.partners.CommissionTiers;

/**
 * Rates as the database keeps them: {@code booking count marginal 0=10% 5=12.5%; lead count marginal 0=500}, where a tier is
 * what it begins above and a share in per cent or an amount in minor units. Parts of a base are kept in the same way:
 * {@code 10000=5% 15000=8%}.
 */
final class RatesText {
    private RatesText() {}

    static String of(Map<OutcomeKind, CommissionTiers> rates) {
        return new EnumMap<>(rates)
                .entrySet().stream()
                        .map(one -> "%s %s %s %s"
                                .formatted(
                                        one.getKey().key(),
                                        key(one.getValue().by()),
                                        key(one.getValue().reach()),
                                        one.getValue().tiers().stream()
                                                .map(tier -> tier.over() + "=" + rate(tier.rate()))
                                                .collect(Collectors.joining(" "))))
                        .collect(Collectors.joining("; "));
    }

    static Map<OutcomeKind, CommissionTiers> read(String text) {
        Map<OutcomeKind, CommissionTiers> rates = new EnumMap<>(OutcomeKind.class);
        for (String one : text.split("; ")) {
            String[] parts = one.split(" ");
            List<CommissionTiers.Tier> tiers = new ArrayList<>();
            for (int i = 3; i < parts.length; i++) {
                String[] tier = parts[i].split("=");
                tiers.add(new CommissionTiers.Tier(Long.parseLong(tier[0]), rate(tier[1])));
            }
            rates.put(
                    OutcomeKind.find(parts[0]).orElseThrow(),
                    new CommissionTiers(
                            CommissionTiers.Measure.valueOf(parts[1].toUpperCase(Locale.ROOT)),
                            CommissionTiers.Reach.valueOf(parts[2].toUpperCase(Locale.ROOT)),
                            tiers));
        }
        return rates;
    }

    static String ofShares(List<CommissionTiers.Share> shares) {
        return shares.stream()
                .map(share -> share.baseMinor() + "=" + rate(share.rate()))
                .collect(Collectors.joining(" "));
    }

    static List<CommissionTiers.Share> readShares(String text) {
        List<CommissionTiers.Share> shares = new ArrayList<>();
        for (String one : text.isEmpty() ? new String[0] : text.split(" ")) {
            String[] parts = one.split("=");
            shares.add(new CommissionTiers.Share(Long.parseLong(parts[0]), rate(parts[1])));
        }
        return shares;
    }

    private static String rate(CommissionRate rate) {
        return rate instanceof CommissionRate.Percent share
                ? share.percent().stripTrailingZeros().toPlainString() + "%"
                : String.valueOf(((CommissionRate.Amount) rate).minor());
    }

    private static CommissionRate rate(String text) {
        return text.endsWith("%")
                ? new CommissionRate.Percent(new BigDecimal(text.substring(0, text.length() - 1)))
                : new CommissionRate.Amount(Long.parseLong(text));
    }

    private static String key(Enum<?> value) {
        return value.name().toLowerCase(Locale.ROOT);
    }
}
