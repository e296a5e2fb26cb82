package wendo.app.lead.leads;

import java.time.Duration;
import java.time.Instant;
import java.util.LinkedHashMap;
import java.util.List;
import java.util.Map;
import java.util.Optional;
import java.util.UUID;
import java.util.function.Function;
import wendo.app.platform.site.FilterValues;

/**
 * Which leads a list shows, as it stands in the address.
 *
 * @param whose mine, nobodys, open or all
 * @param days those that came within so many days; 0 for all
 */
record LeadFilter(String find, String whose, Optional<Stage> stage, Optional<UUID> source, int days) {
    static final List<Integer> DAYS = List.of(7, 28, 90, 365);

    static LeadFilter of(Function<String, String> parameter) {
        String whose = parameter.apply("whose");
        String days = parameter.apply("days");
        return new LeadFilter(
                FilterValues.text(parameter.apply("find")),
                List.of("mine", "nobodys", "all").contains(whose) ? whose : "open",
                FilterValues.one(Stage.values(), parameter.apply("stage")),
                FilterValues.id(parameter.apply("source")),
                DAYS.stream()
                        .filter(one -> one.toString().equals(days))
                        .findFirst()
                        .orElse(0));
    }

    public LeadFilter of(String others) {
        return new LeadFilter(find, others, stage, source, days);
    }

    /** Whether it holds leads back, beside those of others. */
    public boolean isNarrow() {
        return !find.isBlank() || stage.isPresent() || source.isPresent() || days > 0;
    }

    Instant since(Instant now) {
        return days == 0 ? Instant.EPOCH : now.minus(Duration.ofDays(days));
    }

    public String query() {
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
