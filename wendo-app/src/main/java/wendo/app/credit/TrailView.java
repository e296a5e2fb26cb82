package wendo.app.credit;

import java.time.Duration;
import java.time.Instant;
import java.util.ArrayList;
import java.util.Comparator;
import java.util.HashMap;
import java.util.HashSet;
import java.util.List;
import java.util.Map;
import java.util.Optional;
import java.util.Set;
import java.util.UUID;
import java.util.function.Function;
import java.util.stream.Collectors;
import wendo.core.credit.Allocation;
import wendo.core.links.Channel;
import wendo.core.visits.Touch;

/**
 * One person's touches and outcomes, the earliest first, each with its place on a line.
 *
 * @param unearned outcomes that no touch earned
 */
record TrailView(List<Step> steps, Set<UUID> unearned) {
    private static final double WHOLE = 100;

    /**
     * A touch or an outcome.
     *
     * @param place in hundredths of the line
     * @param by the link or the page that it came by
     */
    record Step(
            Instant at,
            double place,
            Optional<String> source,
            Optional<Channel> channel,
            String by,
            Optional<TrailQueries.Did> outcome,
            List<CreditableTouches> earned) {
        Step with(double other) {
            return new Step(at, other, source, channel, by, outcome, earned);
        }
    }

    /** What a touch has of an outcome: a part of 1, and money. */
    record CreditableTouches(TrailQueries.Did outcome, double share, long minor) {}

    static TrailView of(List<TrailQueries.Came> came, List<TrailQueries.Did> did, List<TrailQueries.Share> shares) {
        Map<UUID, TrailQueries.Did> outcomes =
                did.stream().collect(Collectors.toMap(TrailQueries.Did::id, Function.identity()));
        List<TrailQueries.Share> left = new ArrayList<>(shares);
        List<Step> steps = new ArrayList<>();
        for (TrailQueries.Came touch : touches(came)) {
            List<TrailQueries.Share> own =
                    left.stream().filter(share -> isOf(share, touch)).toList();
            left.removeAll(own);
            steps.add(new Step(
                    touch.at(),
                    0,
                    touch.sourceName(),
                    touch.channel(),
                    touch.by(),
                    Optional.empty(),
                    earned(own, outcomes)));
        }
        given(left).forEach((what, own) -> {
            TrailQueries.Share first = own.get(0);
            steps.add(new Step(
                    first.touchedAt(),
                    0,
                    first.sourceName(),
                    first.channel(),
                    "",
                    Optional.empty(),
                    earned(own, outcomes)));
        });
        did.forEach(outcome -> steps.add(
                new Step(outcome.at(), 0, Optional.empty(), Optional.empty(), "", Optional.of(outcome), List.of())));
        Set<UUID> unearned = new HashSet<>(outcomes.keySet());
        shares.forEach(share -> unearned.remove(share.outcome()));
        return new TrailView(placed(steps), unearned);
    }

    /** Visits and arrivals as the touches they join into. */
    private static List<TrailQueries.Came> touches(List<TrailQueries.Came> came) {
        Set<UUID> begun = new HashSet<>();
        Touch.join(came.stream()
                        .map(one -> new Touch.Step(
                                one.source().orElse(Touch.DIRECT),
                                one.channel().orElse(Channel.OTHER),
                                one.id(),
                                one.at()))
                        .toList())
                .forEach(touch -> begun.add(touch.id()));
        return came.stream().filter(one -> begun.contains(one.id())).toList();
    }

    private static boolean isOf(TrailQueries.Share share, TrailQueries.Came touch) {
        return share.click().isPresent()
                ? share.click().get().equals(touch.id())
                : touch.how().equals("arrival")
                        && share.touchedAt().equals(touch.at())
                        && share.source().equals(touch.source());
    }

    /** What came with an outcome and is no visit, or one that is forgotten. */
    private static Map<List<Object>, List<TrailQueries.Share>> given(List<TrailQueries.Share> shares) {
        Map<List<Object>, List<TrailQueries.Share>> bySource = new HashMap<>();
        shares.forEach(
                share -> bySource.computeIfAbsent(List.of(share.source(), share.touchedAt()), key -> new ArrayList<>())
                        .add(share));
        return bySource;
    }

    private static List<CreditableTouches> earned(
            List<TrailQueries.Share> shares, Map<UUID, TrailQueries.Did> outcomes) {
        return shares.stream()
                .filter(share -> share.millionths() > 0)
                .flatMap(share -> Optional.ofNullable(outcomes.get(share.outcome())).stream()
                        .map(outcome -> new CreditableTouches(
                                outcome, (double) share.millionths() / Allocation.WHOLE, share.minor())))
                .toList();
    }

    private static List<Step> placed(List<Step> steps) {
        if (steps.isEmpty()) {
            return List.of();
        }
        List<Step> inOrder = steps.stream()
                .sorted(Comparator.comparing(Step::at)
                        .thenComparing(step -> step.outcome().isPresent()))
                .toList();
        Instant first = inOrder.get(0).at();
        double all = Math.max(
                1, Duration.between(first, inOrder.get(inOrder.size() - 1).at()).toMillis());
        return inOrder.stream()
                .map(step ->
                        step.with(WHOLE * Duration.between(first, step.at()).toMillis() / all))
                .toList();
    }
}
