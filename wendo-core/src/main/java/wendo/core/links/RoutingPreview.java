package wendo.core.links;

import java.time.LocalDateTime;
import java.util.ArrayList;
import java.util.List;
import java.util.Optional;
import java.util.TreeSet;
import java.util.UUID;
import java.util.stream.IntStream;
import java.util.stream.Stream;

/** Who would go where at one moment: every combination of what the rules tell apart. */
public final class RoutingPreview {
    private static final UUID NOBODY = new UUID(0, 0);

    private RoutingPreview() {}

    /**
     * A group of people and the rule that takes them.
     *
     * @param country empty for every other country, and absent if no rule asks for countries; {@code language} alike
     * @param device absent if no rule asks for devices
     * @param rule the place of the rule, from 0; absent where no rule holds
     */
    public record Group(
            Optional<String> country, Optional<Device> device, Optional<String> language, Optional<Integer> rule) {}

    public static List<Group> of(Routing routing, LocalDateTime at) {
        List<Group> groups = new ArrayList<>();
        for (Optional<String> country : told(routing, one -> one.countries().stream())) {
            for (Optional<Device> device : devices(routing)) {
                for (Optional<String> language : told(routing, one -> one.languages().stream())) {
                    Circumstances now = new Circumstances(
                            at,
                            country.orElse(""),
                            device.orElse(Device.COMPUTER),
                            language.orElse(""),
                            NOBODY,
                            NOBODY);
                    groups.add(new Group(country, device, language, rule(routing, now)));
                }
            }
        }
        return List.copyOf(groups);
    }

    /** The place of the first rule that holds. */
    public static Optional<Integer> rule(Routing routing, Circumstances now) {
        return IntStream.range(0, routing.rules().size())
                .filter(i -> routing.rules().get(i).when().hold(now))
                .boxed()
                .findFirst();
    }

    private interface Asked {
        Stream<String> of(Conditions conditions);
    }

    private static List<Optional<String>> told(Routing routing, Asked asked) {
        TreeSet<String> named = new TreeSet<>();
        routing.rules().forEach(rule -> asked.of(rule.when()).forEach(named::add));
        if (named.isEmpty()) {
            return List.of(Optional.empty());
        }
        return Stream.concat(named.stream(), Stream.of("")).map(Optional::of).toList();
    }

    private static List<Optional<Device>> devices(Routing routing) {
        boolean isAsked =
                routing.rules().stream().anyMatch(rule -> !rule.when().devices().isEmpty());
        return isAsked ? Stream.of(Device.values()).map(Optional::of).toList() : List.of(Optional.empty());
    }
}
