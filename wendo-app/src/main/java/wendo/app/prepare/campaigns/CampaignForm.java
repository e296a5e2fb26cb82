package wendo.app.prepare.campaigns;

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

/** What is said of a campaign, as typed. */
record CampaignForm(
        @Size(max = Campaigns.MAX_NAME) String name,
        String firstDay,
        String lastDay,
        String budget,
        @Size(max = MAX_NOTE) String note) {
    static final int MAX_NOTE = Limits.NOTE;

    CampaignForm {
        name = typed(name);
        firstDay = typed(firstDay);
        lastDay = typed(lastDay);
        budget = typed(budget);
        note = typed(note);
    }

    private static String typed(@org.jspecify.annotations.Nullable String text) {
        return text == null ? "" : text.strip();
    }

    static CampaignForm empty() {
        return new CampaignForm("", "", "", "", "");
    }

    static CampaignForm of(Checked said, Business business) {
        return new CampaignForm(
                said.name(),
                said.first().map(LocalDate::toString).orElse(""),
                said.last().map(LocalDate::toString).orElse(""),
                said.budgetMinor()
                        .map(minor -> Amount.typed(minor, business.currency(), business.locale()))
                        .orElse(""),
                said.note());
    }

    /** What may be kept. */
    record Checked(
            String name,
            Optional<LocalDate> first,
            Optional<LocalDate> last,
            Optional<Long> budgetMinor,
            String note) {}

    /** What is wrong by field, and what may be kept of the rest. */
    record Judged(Checked checked, Map<String, String> faults) {}

    Judged check(Business business) {
        Map<String, String> faults = FormRules.faults(this);
        Campaigns.refusal(name).ifPresent(fault -> faults.put("name", fault));
        Optional<LocalDate> first = day("firstDay", firstDay, faults);
        Optional<LocalDate> last = day("lastDay", lastDay, faults);
        if (first.isPresent() != last.isPresent() && faults.isEmpty()) {
            faults.put(
                    first.isPresent() ? "lastDay" : "firstDay",
                    Texts.of("prepare.campaigns.enter-both-days-or-neither"));
        } else if (first.isPresent() && last.orElseThrow().isBefore(first.get())) {
            faults.put("lastDay", Texts.of("prepare.campaigns.the-last-day-is-before"));
        }
        return new Judged(new Checked(name, first, last, budget(business, faults), note), faults);
    }

    private Optional<Long> budget(Business business, Map<String, String> faults) {
        if (budget.isEmpty()) {
            return Optional.empty();
        }
        try {
            return Optional.of(
                    Amount.of(budget, business.currency(), business.locale()).minor());
        } catch (IllegalArgumentException e) {
            faults.put("budget", Texts.said(e));
            return Optional.empty();
        }
    }

    private static Optional<LocalDate> day(String field, String text, Map<String, String> faults) {
        if (text.isEmpty()) {
            return Optional.empty();
        }
        try {
            return Optional.of(LocalDate.parse(text));
        } catch (DateTimeParseException e) {
            faults.put(field, Texts.of("prepare.campaigns.choose-a-day"));
            return Optional.empty();
        }
    }
}
