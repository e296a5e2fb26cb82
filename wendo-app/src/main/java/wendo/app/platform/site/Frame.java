package wendo.app.platform.site;

import java.util.List;
import java.util.Set;

/** What the bar shows of the person and the business they work in. Templates know it as {@code frame}. */
public record Frame(String businessName, String personName, Set<String> permissions, List<Choice> otherBusinesses) {

    /** Whether the person may do this; what they may not do is not offered. */
    public boolean may(String permission) {
        return permissions.contains(permission);
    }

    /** Another business that the person may switch to. */
    public record Choice(String id, String name) {}
}
