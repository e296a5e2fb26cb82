package wendo.app.money.partners;

import java.math.BigDecimal;
import java.time.LocalDate;
import java.time.format.DateTimeParseException;
import java.util.ArrayList;
import java.util.Arrays;
import java.util.EnumMap;
import java.util.LinkedHashMap;
import java.util.List;
import java.util.Map;
import java.util.Optional;
import java.util.OptionalLong;
import org.jspecify.annotations.Nullable;
import wendo.app.platform.business.Business;
import wendo.app.platform.site.Amount;
import wendo.app.platform.site.Figures;
import wendo.app.platform.site.FilterValues;
import wendo.app.platform.site.InvalidForm;
import wendo.app.platform.site.Limits;
import wendo.app.platform.site.Texts;
import wendo.app.platform.site.TypedFields;
import wendo.core.outcomes.OutcomeKind;
import wendo.core.partners.CommissionBase;
import wendo.core.partners.CommissionRate;
import wendo.core.partners.CommissionTerms;
import wendo.core.partners.CommissionTiers;

/** New terms as typed: a rate for each kind of outcome, with higher tiers where there are some. */
record TermsForm(TypedFields typed, Map<String, String> faults) {
    /** Tiers beside the first. */
    static final int MORE_TIERS = 3;

    private static final int MOST_HELD = 365;

    /** What may be agreed, where nothing is wrong. */
    record Judged(TermsForm form, List<AgreedTerms> agreed) {}

    static TermsForm of(LocalDate firstDay) {
        return new TermsForm(TypedFields.of(Map.of("firstDay", firstDay.toString(), "way", "both")), Map.of());
    }

    /** What was agreed last, to be changed from a day on. */
    static TermsForm of(LocalDate firstDay, AgreedTerms last, Business business) {
        CommissionTerms terms = last.terms();
        Map<String, String> typed = new LinkedHashMap<>(
                Map.of("firstDay", firstDay.toString(), "way", last.way().key()));
        terms.rates().forEach((kind, tiers) -> {
            typed.put("by." + kind.key(), FilterValues.key(tiers.by()));
            typed.put("reach." + kind.key(), FilterValues.key(tiers.reach()));
            for (int i = 0; i < tiers.tiers().size(); i++) {
                CommissionTiers.Tier tier = tiers.tiers().get(i);
                String end = kind.key() + (i == 0 ? "" : "." + i);
                typed.put("rate." + end, typed(tier.rate(), business));
                if (i > 0) {
                    typed.put(
                            "over." + end,
                            tiers.by() == CommissionTiers.Measure.VALUE
                                    ? typed(tier.over(), business)
                                    : String.valueOf(tier.over()));
                }
            }
        });
        typed.put(
                "taxPercent",
                terms.base().taxPercent().signum() == 0
                        ? ""
                        : terms.base().taxPercent().stripTrailingZeros().toPlainString());
        typed.put("withoutDelivery", terms.base().withoutDelivery() ? "yes" : "");
        typed.put("items", String.join(", ", terms.base().items()));
        terms.mostPerOutcomeMinor().ifPresent(most -> typed.put("mostPerOutcome", typed(most, business)));
        terms.mostPerMonthMinor().ifPresent(most -> typed.put("mostPerMonth", typed(most, business)));
        typed.put("firstOnly", terms.firstOnly() ? "yes" : "");
        typed.put("heldDays", terms.heldDays() == 0 ? "" : String.valueOf(terms.heldDays()));
        return new TermsForm(TypedFields.of(typed), Map.of());
    }

    private static String typed(CommissionRate rate, Business business) {
        return rate instanceof CommissionRate.Percent share
                ? share.percent().stripTrailingZeros().toPlainString() + "%"
                : typed(((CommissionRate.Amount) rate).minor(), business);
    }

    private static String typed(long minor, Business business) {
        return Amount.typed(minor, business.currency(), business.locale());
    }

    public String typed(String field) {
        return typed.raw(field);
    }

    /** @param firstOpen before which statements went out, which new terms may not change */
    static Judged check(TypedFields typed, Business business, LocalDate firstOpen) {
        Map<String, String> faults = new LinkedHashMap<>();
        Map<OutcomeKind, CommissionTiers> rates = rates(typed, business, faults);
        if (rates.isEmpty() && faults.isEmpty()) {
            faults.put("rate." + OutcomeKind.BOOKING.key(), Texts.of("money.partners.rate-missing"));
        }
        Optional<LocalDate> first = day("firstDay", typed, faults);
        Optional<LocalDate> last = typed.text("lastDay").isEmpty() ? Optional.empty() : day("lastDay", typed, faults);
        if (first.filter(firstOpen::isAfter).isPresent()) {
            faults.put(
                    "firstDay",
                    Texts.of(
                            "money.partners.first-day-settled",
                            new Figures(business.currency(), business.zone(), business.locale()).day(firstOpen)));
        }
        if (first.isPresent() && last.filter(first.get()::isAfter).isPresent()) {
            faults.put("lastDay", Texts.of("money.partners.last-day-before-first"));
        }
        CommissionBase base = new CommissionBase(
                PartnerForm.percent("taxPercent", typed.text("taxPercent"), faults),
                typed.is("withoutDelivery", "yes"),
                items(typed, faults));
        CommissionTerms terms = new CommissionTerms(
                rates,
                base,
                most("mostPerOutcome", typed, business, faults),
                most("mostPerMonth", typed, business, faults),
                typed.is("firstOnly", "yes"),
                held(typed, faults));
        TermsForm form = new TermsForm(typed, faults);
        return faults.isEmpty()
                ? new Judged(
                        form,
                        ways(typed).stream()
                                .map(way -> new AgreedTerms(way, first.orElseThrow(), last, terms))
                                .toList())
                : new Judged(form, List.of());
    }

    private static List<TermsWay> ways(TypedFields typed) {
        return FilterValues.one(TermsWay.values(), typed.text("way"))
                .map(List::of)
                .orElse(List.of(TermsWay.values()));
    }

    private static Map<OutcomeKind, CommissionTiers> rates(
            TypedFields typed, Business business, Map<String, String> faults) {
        Map<OutcomeKind, CommissionTiers> rates = new EnumMap<>(OutcomeKind.class);
        for (OutcomeKind kind : OutcomeKind.values()) {
            List<CommissionTiers.Tier> tiers = tiers(kind, typed, business, faults);
            if (!tiers.isEmpty()) {
                CommissionTiers.Measure by = FilterValues.one(
                                CommissionTiers.Measure.values(), typed.text("by." + kind.key()))
                        .orElse(CommissionTiers.Measure.COUNT);
                CommissionTiers.Reach reach = FilterValues.one(
                                CommissionTiers.Reach.values(), typed.text("reach." + kind.key()))
                        .orElse(CommissionTiers.Reach.MARGINAL);
                rates.put(kind, new CommissionTiers(by, reach, tiers));
            }
        }
        return rates;
    }

    private static List<CommissionTiers.Tier> tiers(
            OutcomeKind kind, TypedFields typed, Business business, Map<String, String> faults) {
        String own = "rate." + kind.key();
        List<CommissionTiers.Tier> tiers = new ArrayList<>();
        rate(own, typed, business, faults).ifPresent(rate -> tiers.add(new CommissionTiers.Tier(0, rate)));
        boolean byValue = typed.is("by." + kind.key(), "value");
        for (int more = 1; more <= MORE_TIERS; more++) {
            String field = "over." + kind.key() + "." + more;
            Optional<CommissionRate> rate = rate(own + "." + more, typed, business, faults);
            if (rate.isEmpty() && typed.text(field).isEmpty()) {
                continue;
            }
            @Nullable
            Long over = over(field, typed.text(field), byValue ? Optional.of(business) : Optional.empty(), faults);
            if (tiers.isEmpty()) {
                faults.putIfAbsent(own, Texts.of("money.partners.first-rate-missing"));
            } else if (rate.isEmpty()) {
                faults.putIfAbsent(own + "." + more, Texts.of("money.partners.rate-wrong"));
            } else if (over != null && over <= tiers.get(tiers.size() - 1).over()) {
                faults.putIfAbsent(field, Texts.of("money.partners.tiers-must-rise"));
            } else if (over != null) {
                tiers.add(new CommissionTiers.Tier(over, rate.get()));
            }
        }
        return tiers;
    }

    /** @param business whose money it is; empty for a number of outcomes */
    private static @Nullable Long over(
            String field, String typed, Optional<Business> business, Map<String, String> faults) {
        if (business.isPresent()) {
            @Nullable Long minor = PartnerForm.minorOrNone(field, typed, business.get(), faults);
            if (minor == null) {
                faults.putIfAbsent(field, Texts.of("money.partners.tier-missing"));
            }
            return minor;
        }
        if (typed.matches("[1-9]\\d{0,5}")) {
            return Long.valueOf(typed);
        }
        faults.put(field, Texts.of("money.partners.tier-missing"));
        return null;
    }

    /** "10%" is a share, "5.00" an amount. */
    private static Optional<CommissionRate> rate(
            String field, TypedFields typed, Business business, Map<String, String> faults) {
        String text = typed.text(field).replace(" ", "");
        if (text.isEmpty()) {
            return Optional.empty();
        }
        try {
            if (text.endsWith("%")) {
                return Optional.of(new CommissionRate.Percent(
                        new BigDecimal(text.substring(0, text.length() - 1).replace(',', '.'))));
            }
            return Optional.of(new CommissionRate.Amount(
                    Amount.of(text, business.currency(), business.locale()).minor()));
        } catch (IllegalArgumentException e) {
            faults.put(field, Texts.of("money.partners.rate-wrong"));
            return Optional.empty();
        }
    }

    private static OptionalLong most(String field, TypedFields typed, Business business, Map<String, String> faults) {
        @Nullable Long minor = PartnerForm.minorOrNone(field, typed.text(field), business, faults);
        return minor == null ? OptionalLong.empty() : OptionalLong.of(minor);
    }

    private static int held(TypedFields typed, Map<String, String> faults) {
        String text = typed.text("heldDays");
        if (text.isEmpty()) {
            return 0;
        }
        if (text.matches("\\d{1,3}") && Integer.parseInt(text) <= MOST_HELD) {
            return Integer.parseInt(text);
        }
        faults.put("heldDays", Texts.of("money.partners.held-wrong", MOST_HELD));
        return 0;
    }

    private static List<String> items(TypedFields typed, Map<String, String> faults) {
        InvalidForm.tooLong(faults, "items", typed.text("items"), Limits.FILL);
        return Arrays.stream(typed.text("items").split("[,\n]"))
                .map(String::strip)
                .filter(item -> !item.isEmpty())
                .toList();
    }

    private static Optional<LocalDate> day(String field, TypedFields typed, Map<String, String> faults) {
        try {
            return Optional.of(LocalDate.parse(typed.text(field)));
        } catch (DateTimeParseException e) {
            faults.put(field, Texts.of("money.partners.choose-a-day"));
            return Optional.empty();
        }
    }
}
