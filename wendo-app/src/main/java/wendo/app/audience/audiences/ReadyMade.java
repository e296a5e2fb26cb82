package wendo.app.audience.audiences;

import java.util.Arrays;
import java.util.LinkedHashMap;
import java.util.Locale;
import java.util.Map;
import java.util.Optional;

/** Audiences that most businesses begin with. */
enum ReadyMade {
    CAME_ONLY,
    TAPPED_TWICE,
    BOUGHT_ONCE,
    QUOTED_SILENT,
    BEST;

    static Optional<ReadyMade> find(String key) {
        return Arrays.stream(values()).filter(one -> one.key().equals(key)).findFirst();
    }

    public String key() {
        return name().toLowerCase(Locale.ROOT);
    }

    /** @param best what the best tenth of customers spent, as it is typed */
    RuleDraft rules(String best) {
        return switch (this) {
            case CAME_ONLY ->
                RuleDraft.group(
                        "all",
                        condition(RuleKind.CAME, "way", "any", "when", "90"),
                        no(RuleKind.DID, "deed", "booking"));
            case TAPPED_TWICE ->
                RuleDraft.group(
                        "all",
                        condition(RuleKind.CAME, "way", "any", "when", "90", "times", "2"),
                        no(RuleKind.DID, "deed", "booking"));
            case BOUGHT_ONCE ->
                RuleDraft.group("all", condition(RuleKind.DID, "deed", "purchase", "times", "1", "most", "1"));
            case QUOTED_SILENT -> RuleDraft.group("all", condition(RuleKind.LEAD, "stage", "quoted", "quiet", "7"));
            case BEST -> RuleDraft.group("all", condition(RuleKind.SPENT, "least", best));
        };
    }

    private static RuleDraft condition(RuleKind kind, String... values) {
        return RuleDraft.condition(kind, pairs(values));
    }

    private static RuleDraft no(RuleKind kind, String... values) {
        Map<String, String> pairs = pairs(values);
        pairs.put("is", "not");
        return RuleDraft.condition(kind, pairs);
    }

    private static Map<String, String> pairs(String... values) {
        Map<String, String> pairs = new LinkedHashMap<>();
        for (int i = 0; i < values.length; i += 2) {
            pairs.put(values[i], values[i + 1]);
        }
        return pairs;
    }
}
