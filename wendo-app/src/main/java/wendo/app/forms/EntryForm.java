package wendo.app.forms;

import java.util.EnumMap;
import java.util.List;
import java.util.Map;
import java.util.stream.Collectors;

/**
 * A form that Wendo hosts.
 *
 * @param promise what visitors consent to, where it asks for consent
 * @param answers what customers may choose as how they heard of the business, one a line; without any they write
 */
record EntryForm(
        String name,
        Purpose purpose,
        String title,
        String intro,
        String button,
        String thanks,
        String accent,
        String promise,
        String answers,
        Map<FormField, Ask> asks) {
    static final List<String> ACCENTS = List.of("sea", "ink", "plum", "moss", "brick", "plain");

    EntryForm {
        Map<FormField, Ask> all = new EnumMap<>(FormField.class);
        for (FormField field : FormField.values()) {
            all.put(field, asks.getOrDefault(field, Ask.OFF));
        }
        asks = java.util.Collections.unmodifiableMap(all);
    }

    static EntryForm fresh() {
        return new EntryForm(
                "",
                Purpose.ENQUIRY,
                "",
                "",
                "Send",
                "Thank you. We will be in touch.",
                "sea",
                "",
                "",
                Map.of(
                        FormField.NAME,
                        Ask.NEEDED,
                        FormField.EMAIL,
                        Ask.NEEDED,
                        FormField.PHONE,
                        Ask.ASKED,
                        FormField.MESSAGE,
                        Ask.ASKED));
    }

    public Ask ask(FormField field) {
        return asks.getOrDefault(field, Ask.OFF);
    }

    public List<FormField> shown() {
        return asks.keySet().stream().filter(field -> ask(field) != Ask.OFF).toList();
    }

    public List<String> choices() {
        return answers.lines()
                .map(String::strip)
                .filter(line -> !line.isEmpty())
                .toList();
    }

    /** What it asks, as it is kept. */
    String asksAsText() {
        return asks.entrySet().stream()
                .map(entry -> entry.getKey().key() + ":" + entry.getValue().key())
                .collect(Collectors.joining(","));
    }

    static Map<FormField, Ask> asks(String text) {
        Map<FormField, Ask> asks = new EnumMap<>(FormField.class);
        for (String pair : text.split(",")) {
            for (FormField field : FormField.values()) {
                if (pair.startsWith(field.key() + ":")) {
                    asks.put(field, Ask.of(pair.substring(field.key().length() + 1)));
                }
            }
        }
        return asks;
    }
}
