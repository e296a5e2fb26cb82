package wendo.app.place.placements;

import jakarta.validation.constraints.NotBlank;
import jakarta.validation.constraints.Size;
import java.time.LocalDate;
import java.time.format.DateTimeParseException;
import java.util.Map;
import java.util.Optional;
import wendo.app.platform.business.Business;
import wendo.app.platform.site.Amount;
import wendo.app.platform.site.FormRules;
import wendo.app.platform.site.Limits;
import wendo.app.platform.site.Texts;
import wendo.core.measure.UnitPrice;

/** A placement as typed. */
record PlacementForm(
        @NotBlank(message = "place.placements.say-where") @Size(max = MAX_PLACE)
        String place,

        String placedOn,
        String endsOn,
        String copies,
        String unitPrice,
        @Size(max = MAX_NOTE) String note) {
    static final int MAX_PLACE = 200;
    static final int MAX_NOTE = Limits.NOTE;
    private static final int MAX_YEARS = 10;
    private static final long MAX_COPIES = 100_000_000;

    static PlacementForm empty(LocalDate today) {
        return new PlacementForm("", today.toString(), "", "", "", "");
    }

    /** A placement, or what is wrong by field. */
    record Checked(Optional<Placement> placement, Map<String, String> faults) {}

    /** @param copies or recipients; without them there is no response rate */
    record Placement(
            String place,
            LocalDate placedOn,
            LocalDate endsOn,
            Optional<Long> copies,
            Optional<UnitPrice> price,
            String note) {}

    Checked check(Business business, LocalDate today) {
        Map<String, String> faults = FormRules.faults(this);
        Optional<LocalDate> first = day("placedOn", placedOn, today, faults);
        Optional<LocalDate> last = endsOn.isBlank() ? first : day("endsOn", endsOn, today, faults);
        if (first.isPresent() && last.isPresent() && last.get().isBefore(first.get())) {
            faults.put("endsOn", Texts.of("place.placements.the-last-day-is-before"));
        }
        Optional<Long> number = copies(faults);
        Optional<UnitPrice> price = price(business, faults);
        if (price.isPresent() && number.isEmpty() && !faults.containsKey("copies")) {
            faults.put("copies", Texts.of("place.placements.a-price-each-needs-the"));
        }
        return faults.isEmpty()
                ? new Checked(
                        Optional.of(new Placement(
                                place.strip(), first.orElseThrow(), last.orElseThrow(), number, price, note.strip())),
                        faults)
                : new Checked(Optional.empty(), faults);
    }

    private static Optional<LocalDate> day(String field, String text, LocalDate today, Map<String, String> faults) {
        try {
            LocalDate day = LocalDate.parse(text.strip());
            if (!day.isBefore(today.minusYears(MAX_YEARS)) && !day.isAfter(today.plusYears(MAX_YEARS))) {
                return Optional.of(day);
            }
        } catch (DateTimeParseException e) {
            // told below, like a day too far away
        }
        faults.put(field, Texts.of("place.placements.enter-a-day-like-2026"));
        return Optional.empty();
    }

    private Optional<Long> copies(Map<String, String> faults) {
        String number = copies.replaceAll("[\\s.,'’\\u00a0\\u202f]", "");
        if (number.isEmpty()) {
            return Optional.empty();
        }
        if (number.matches("\\d{1,9}") && Long.parseLong(number) > 0 && Long.parseLong(number) <= MAX_COPIES) {
            return Optional.of(Long.parseLong(number));
        }
        faults.put("copies", Texts.of("place.placements.enter-a-whole-number-of"));
        return Optional.empty();
    }

    private Optional<UnitPrice> price(Business business, Map<String, String> faults) {
        if (unitPrice.isBlank()) {
            return Optional.empty();
        }
        try {
            return Optional.of(Amount.unitPrice(unitPrice, business.currency(), business.locale()));
        } catch (IllegalArgumentException e) {
            faults.put("unitPrice", Texts.said(e));
            return Optional.empty();
        }
    }
}
