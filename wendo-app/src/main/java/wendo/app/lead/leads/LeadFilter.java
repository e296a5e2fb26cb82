package wendo.app.lead.leads;

import java.time.Duration;
import java.time.Instant;
import java.util.LinkedHashMap;
import java.util.List;
import java.util.Map;
import java.util.Optional;
import java.util.UUID;
import wendo.app.platform.site.FilterValues;
import wendo.app.platform.site.ListLook;
import wendo.app.platform.site.TypedFields;

/**
 * Which leads a list shows, as it stands in the address.
 *
 * @param whose mine, nobodys, open or all
 * @param days those that came within so many days; 0 for all
 */
record LeadFilter(String find, String whose, Optional<Stage> stage, Optional<UUID> source, int days, ListLook look) {
    static final List<Integer> DAYS = List.of(7, 28, 90, 365);

    static LeadFilter of(TypedFields asked) {
        String whose = asked.raw("whose");
        String days = asked.raw("days");
        return new LeadFilter(
                FilterValues.text(asked.raw("find")),
                List.of("mine", "nobodys", "all").contains(whose) ? whose : "open",
                FilterValues.one(Stage.values(), asked.raw("stage")),
                FilterValues.id(asked.raw("source")),
                DAYS.stream()
                        .filter(one -> one.toString().equals(days))
                        .findFirst()
                        .orElse(0),
                ListLook.of(LeadColumns.ALL, "arrived", asked));
    }

    public LeadFilter of(String others) {
        return new LeadFilter(find, others, stage, source, days, look);
    }

    /** Whether it holds leads back, beside those of others. */
    public boolean isNarrow() {
        return !find.isBlank() || stage.isPresent() || source.isPresent() || days > 0;
    }

    Instant since(Instant now) {
        return days == 0 ? Instant.EPOCH : now.minus(Duration.ofDays(days));
    }

    public String query() {
        return look.behind(rest());
    }

    /** The same, but for how the list is sorted and which columns it has. */
    public String rest() {
        Map<String, String> said = new LinkedHashMap<>();
        said.put("whose", whose);
        said.put("find", find);
        said.put("stage", stage.map(Stage::key).orElse(""));
        said.put("source", source.map(UUID::toString).orElse(""));
        said.put("days", days == 0 ? "" : String.valueOf(days));
        return FilterValues.query(said);
    }

    /** The part of an address that holds back less. */
    public String without(String name) {
        return FilterValues.without(query(), name);
    }
}
