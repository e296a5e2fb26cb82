package wendo.app.money.spend;

import java.time.DateTimeException;
import java.time.LocalDate;
import java.util.HashMap;
import java.util.List;
import java.util.Map;
import java.util.Optional;
import java.util.UUID;
import wendo.app.platform.business.Business;
import wendo.app.platform.site.Amount;
import wendo.app.platform.site.Limits;
import wendo.app.platform.site.Texts;
import wendo.app.platform.site.TypedFields;
import wendo.core.measure.UnitPrice;

/**
 * A cost as typed, by field: subject (source:… or campaign:…), way, amount, firstDay, lastDay, sharedBy, note.
 *
 * @param faults what is wrong with it, by field
 */
record SpendForm(TypedFields typed, Map<String, String> faults) {
    private static final int MAX_NOTE = Limits.SPEND_NOTE;
    private static final int MAX_YEARS = 5;

    SpendForm {
        faults = Map.copyOf(faults);
    }

    static SpendForm empty(LocalDate today) {
        return new SpendForm(
                TypedFields.of(Map.of("firstDay", today.withDayOfMonth(1).toString(), "lastDay", today.toString())),
                Map.of());
    }

    static SpendForm of(Cost cost, Business business) {
        Map<String, String> typed = new HashMap<>();
        cost.source().ifPresent(source -> typed.put("subject", "source:" + source));
        cost.campaign().ifPresent(campaign -> typed.put("subject", "campaign:" + campaign));
        typed.put("way", cost.way().key());
        typed.put(
                "amount",
                cost.way() == SpendWay.VISIT
                        ? Amount.typed(cost.price(), business.currency(), business.locale())
                        : Amount.typed(cost.amountMinor(), business.currency(), business.locale()));
        typed.put("firstDay", cost.firstDay().toString());
        cost.lastDay().ifPresent(day -> typed.put("lastDay", day.toString()));
        cost.sharedBy().ifPresent(rule -> typed.put("sharedBy", rule.key()));
        typed.put("note", cost.note());
        return new SpendForm(TypedFields.of(typed), Map.of());
    }

    public String typed(String field) {
        return typed.raw(field);
    }

    /** The cost, if nothing is wrong; else the form says what is. */
    record Checked(SpendForm form, Optional<Cost> cost) {}

    /** @param subjects what may be chosen, as the form writes it */
    static Checked check(TypedFields typed, List<String> subjects, Business business) {
        return new Reading(new SpendForm(typed, Map.of()), business).read(subjects);
    }

    /** Reads a form field by field, noting what is wrong. */
    private static final class Reading {
        private final SpendForm form;
        private final Business business;
        private final Map<String, String> faults = new HashMap<>();

        Reading(SpendForm form, Business business) {
            this.form = form;
            this.business = business;
        }

        Checked read(List<String> subjects) {
            String subject = form.typed("subject");
            if (!subjects.contains(subject)) {
                faults.put("subject", Texts.of("money.spend.choose-the-source-or-campaign"));
            }
            SpendWay way = SpendWay.find(form.typed("way")).orElse(SpendWay.LUMP);
            boolean isCampaign = subject.startsWith("campaign:");
            if (isCampaign && way == SpendWay.VISIT) {
                faults.put("way", Texts.of("money.spend.a-price-for-each-visit"));
            }
            long amount = way == SpendWay.VISIT ? 0 : amount();
            UnitPrice price = way == SpendWay.VISIT ? price() : new UnitPrice(0);
            Optional<LocalDate> first = day("firstDay");
            Optional<LocalDate> last =
                    form.typed("lastDay").isBlank() && way != SpendWay.LUMP ? Optional.empty() : day("lastDay");
            checkDays(first, last);
            checkNote(form.typed("note"));
            if (!faults.isEmpty()) {
                return new Checked(new SpendForm(form.typed(), faults), Optional.empty());
            }
            Optional<UUID> id = Optional.of(UUID.fromString(subject.substring(subject.indexOf(':') + 1)));
            return new Checked(
                    form,
                    Optional.of(new Cost(
                            isCampaign ? Optional.empty() : id,
                            Optional.empty(),
                            isCampaign ? id : Optional.empty(),
                            isCampaign ? sharedBy() : Optional.empty(),
                            way,
                            amount,
                            price,
                            first.orElseThrow(),
                            last,
                            form.typed("note").strip())));
        }

        private Optional<SharedBy> sharedBy() {
            return SharedBy.find(form.typed("sharedBy")).or(() -> Optional.of(SharedBy.EQUALLY));
        }

        private void checkNote(String note) {
            if (note.length() > MAX_NOTE) {
                faults.put("note", Texts.of("money.spend.a-note-may-have-characters", MAX_NOTE, note.length()));
            }
        }

        private long amount() {
            try {
                return Amount.of(form.typed("amount"), business.currency(), business.locale())
                        .minor();
            } catch (IllegalArgumentException e) {
                faults.put("amount", Texts.said(e));
                return 0;
            }
        }

        private UnitPrice price() {
            try {
                return Amount.unitPrice(form.typed("amount"), business.currency(), business.locale());
            } catch (IllegalArgumentException e) {
                faults.put("amount", Texts.said(e));
                return new UnitPrice(0);
            }
        }

        private Optional<LocalDate> day(String field) {
            try {
                return Optional.of(LocalDate.parse(form.typed(field)));
            } catch (DateTimeException e) {
                faults.put(field, Texts.of("money.spend.choose-a-day-like-2026"));
                return Optional.empty();
            }
        }

        private void checkDays(Optional<LocalDate> first, Optional<LocalDate> last) {
            if (first.isEmpty() || last.isEmpty()) {
                return;
            }
            if (last.get().isBefore(first.get())) {
                faults.put("lastDay", Texts.of("money.spend.the-last-day-is-before"));
            } else if (last.get().isAfter(first.get().plusYears(MAX_YEARS))) {
                faults.put("lastDay", Texts.of("money.spend.a-spend-covers-at-most", MAX_YEARS));
            }
        }
    }
}
