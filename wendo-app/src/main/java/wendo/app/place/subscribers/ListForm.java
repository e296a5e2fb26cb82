package wendo.app.place.subscribers;

import jakarta.validation.constraints.NotBlank;
import jakarta.validation.constraints.Size;
import java.util.HashMap;
import java.util.Map;
import java.util.Set;
import wendo.app.platform.site.FormRules;
import wendo.app.platform.site.LabelLine;
import wendo.app.platform.site.Limits;
import wendo.app.platform.site.Texts;
import wendo.app.platform.site.TypedFields;
import wendo.core.links.AddressRefused;
import wendo.core.links.WebAddress;
import wendo.core.media.MergeText;

/** A list as it is typed. */
record ListForm(
        @NotBlank(message = "place.subscribers.name-missing") @Size(max = Limits.SHORT_NAME)
        String name,

        @NotBlank(message = "place.subscribers.promise-missing") @Size(max = Limits.PROMISE)
        String promise,

        boolean confirms,
        String confirmDays,
        @Size(max = Limits.LABELS) String labels,
        boolean hasForm,
        @Size(max = Limits.ADDRESS) String onward,
        boolean welcomes,
        @Size(max = Limits.SUBJECT) String subject,
        @Size(max = Limits.MESSAGE) String body) {
    static final int MOST_DAYS = 30;
    static final int USUAL_DAYS = 7;

    /** What a welcome may name. */
    static final Set<String> FIELDS = Set.of("business", "list");

    static ListForm of(TypedFields typed) {
        return new ListForm(
                typed.text("name"),
                typed.text("promise"),
                typed.is("confirms", "yes"),
                typed.text("confirmDays", String.valueOf(USUAL_DAYS)),
                typed.text("labels"),
                typed.is("hasForm", "yes"),
                address(typed.text("onward")),
                typed.is("welcomes", "yes"),
                typed.text("subject"),
                typed.raw("body").replace("\r\n", "\n").strip());
    }

    /** As it is kept, if it is one. */
    private static String address(String typed) {
        try {
            return typed.isEmpty() ? "" : WebAddress.of(typed).toString();
        } catch (AddressRefused e) {
            return typed;
        }
    }

    static ListForm empty() {
        return new ListForm("", "", true, String.valueOf(USUAL_DAYS), "", true, "", false, "", "");
    }

    /** One that asks nothing more of whoever came by a link. */
    static ListForm first(String name, String promise) {
        return new ListForm(name, promise, false, String.valueOf(USUAL_DAYS), "", false, "", false, "", "");
    }

    LabelLine labelLine() {
        return LabelLine.of(labels);
    }

    /** 0 if it is no number of days. */
    int days() {
        int days = confirmDays.matches("\\d{1,3}") ? Integer.parseInt(confirmDays) : 0;
        return days > MOST_DAYS ? 0 : days;
    }

    Map<String, String> faults() {
        Map<String, String> faults = new HashMap<>(FormRules.faults(this));
        if (days() == 0) {
            faults.put("confirmDays", Texts.of("place.subscribers.days-between", MOST_DAYS));
        }
        labelLine().fault().ifPresent(fault -> faults.putIfAbsent("labels", fault));
        if (!onward.isEmpty()) {
            try {
                WebAddress.of(onward);
            } catch (AddressRefused e) {
                faults.put("onward", Texts.said(e));
            }
        }
        if (welcomes) {
            welcome(faults);
        }
        return faults;
    }

    private void welcome(Map<String, String> faults) {
        if (subject.isBlank()) {
            faults.put("subject", Texts.of("place.subscribers.subject-missing"));
        }
        if (body.isBlank()) {
            faults.put("body", Texts.of("place.subscribers.body-missing"));
        }
        new MergeText(subject + "\n" + body)
                .fields().stream()
                        .filter(field -> !FIELDS.contains(field))
                        .findFirst()
                        .ifPresent(field ->
                                faults.putIfAbsent("body", Texts.of("place.subscribers.unknown-field", field)));
    }
}
