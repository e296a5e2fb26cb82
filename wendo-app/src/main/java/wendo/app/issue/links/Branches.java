package wendo.app.issue.links;

import java.time.DayOfWeek;
import java.time.LocalDate;
import java.time.LocalTime;
import java.util.ArrayList;
import java.util.LinkedHashSet;
import java.util.List;
import java.util.Optional;
import java.util.Set;
import java.util.UUID;
import java.util.function.Function;
import java.util.stream.Collectors;
import tools.jackson.databind.JsonNode;
import tools.jackson.databind.json.JsonMapper;
import wendo.core.links.Conditions;
import wendo.core.links.Device;
import wendo.core.links.Routing;
import wendo.core.links.Way;

/** Reads the rows of {@code link_branch} as the database puts them together: an array of objects, in their order. */
final class Branches {
    private static final JsonMapper JSON = JsonMapper.shared();

    private Branches() {}

    static Routing read(String json) {
        List<Routing.Rule> rules = new ArrayList<>();
        List<Routing.Share> split = new ArrayList<>();
        for (JsonNode row : JSON.readTree(json)) {
            Way way = new Way(
                    UUID.fromString(row.get("destination_id").asString()),
                    row.get("tagged_address").asString());
            int share = row.get("share").asInt();
            if (share == 0) {
                rules.add(new Routing.Rule(conditions(row), way));
            } else {
                split.add(new Routing.Share(share, way));
            }
        }
        return new Routing(rules, split);
    }

    private static Conditions conditions(JsonNode row) {
        Optional<Conditions.Hours> hours = text(row, "from_time")
                .map(from -> new Conditions.Hours(
                        LocalTime.parse(from),
                        LocalTime.parse(text(row, "until_time").orElseThrow())));
        return new Conditions(
                text(row, "first_day").map(LocalDate::parse),
                text(row, "last_day").map(LocalDate::parse),
                all(row, "weekdays", DayOfWeek::valueOf),
                hours,
                all(row, "countries", Function.identity()),
                all(row, "devices", Device::valueOf),
                all(row, "languages", Function.identity()));
    }

    private static Optional<String> text(JsonNode row, String name) {
        return row.get(name).isNull()
                ? Optional.empty()
                : Optional.of(row.get(name).asString());
    }

    private static <T> Set<T> all(JsonNode row, String name, Function<String, T> read) {
        return row.get(name)
                .valueStream()
                .map(JsonNode::asString)
                .map(read)
                .collect(Collectors.toCollection(LinkedHashSet::new));
    }
}
