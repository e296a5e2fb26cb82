package wendo.app.spend;

import java.io.Serializable;
import java.time.DateTimeException;
import java.time.LocalDate;
import java.util.LinkedHashMap;
import java.util.List;
import java.util.Map;
import java.util.Optional;
import java.util.UUID;
import wendo.app.business.Business;
import wendo.app.site.Amount;
import wendo.app.sources.SourceListed;
import wendo.core.measure.LumpSpend;
import wendo.core.measure.Period;

/** A spend as typed, nothing checked yet. */
record SpendForm(String source, String amount, String firstDay, String lastDay, String note) implements Serializable {
    private static final int MAX_NOTE = 200;
    private static final int MAX_YEARS = 5;

    /** A spend ready to be entered, or what is wrong by field. */
    record Checked(Optional<UUID> source, Optional<LumpSpend> lump, Map<String, String> faults) {
        Checked {
            faults = Map.copyOf(faults);
        }
    }

    static SpendForm empty(LocalDate today) {
        return new SpendForm("", "", today.withDayOfMonth(1).toString(), today.toString(), "");
    }

    Checked check(Business business, List<SourceListed> sources) {
        Map<String, String> faults = new LinkedHashMap<>();
        Optional<UUID> known = sources.stream()
                .map(SourceListed::id)
                .filter(id -> id.toString().equals(source))
                .findFirst();
        if (known.isEmpty()) {
            faults.put("source", "Choose the source that this was spent on.");
        }
        Optional<Amount> checked = readAmount(business, faults);
        Optional<Period> period = readPeriod(faults);
        if (note.length() > MAX_NOTE) {
            faults.put("note", "A note may have %d characters; this one has %d.".formatted(MAX_NOTE, note.length()));
        }
        return new Checked(known, checked.flatMap(sum -> period.map(days -> new LumpSpend(sum.minor(), days))), faults);
    }

    private Optional<Amount> readAmount(Business business, Map<String, String> faults) {
        try {
            return Optional.of(Amount.of(amount, business.currency(), business.locale()));
        } catch (IllegalArgumentException e) {
            faults.put("amount", String.valueOf(e.getMessage()));
            return Optional.empty();
        }
    }

    private Optional<Period> readPeriod(Map<String, String> faults) {
        Optional<LocalDate> first = readDay(firstDay, "firstDay", faults);
        Optional<LocalDate> last = readDay(lastDay, "lastDay", faults);
        if (first.isEmpty() || last.isEmpty()) {
            return Optional.empty();
        }
        if (last.get().isBefore(first.get())) {
            faults.put("lastDay", "The last day lies before the first.");
            return Optional.empty();
        }
        if (last.get().isAfter(first.get().plusYears(MAX_YEARS))) {
            faults.put("lastDay", "A spend covers at most %d years.".formatted(MAX_YEARS));
            return Optional.empty();
        }
        return Optional.of(Period.ofDays(first.get(), last.get()));
    }

    private static Optional<LocalDate> readDay(String text, String field, Map<String, String> faults) {
        try {
            return Optional.of(LocalDate.parse(text));
        } catch (DateTimeException e) {
            faults.put(field, "Choose a day, like 2026-05-01.");
            return Optional.empty();
        }
    }
}
