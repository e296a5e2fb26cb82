package wendo.app.site;

import java.util.List;

/** What the bar shows of the person and the business they work in. Templates know it as {@code frame}. */
public record Frame(String businessName, String personName, List<Choice> otherBusinesses) {

    /** Another business that the person may switch to. */
    public record Choice(String id, String name) {}
}
