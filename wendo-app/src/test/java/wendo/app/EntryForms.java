package wendo.app;

import java.util.List;
import java.util.stream.Stream;

/** An entry form as an owner makes it. */
public final class EntryForms {
    private static final String NEW = "/setup/forms/new";
    private static final List<String> GROUP_DAYS = List.of(
            "name",
            "Group days",
            "title",
            "Ask for a day",
            "button",
            "Ask",
            "thanks",
            "We ring you.",
            "purpose",
            "enquiry");

    private EntryForms() {}

    /** @param more names and values of other fields in turn */
    public static void make(Http owner, String... more) {
        owner.form(NEW, NEW, Stream.concat(GROUP_DAYS.stream(), Stream.of(more)).toArray(String[]::new));
    }
}
