package wendo.core.credit;

import java.time.Duration;
import java.time.Instant;
import java.util.ArrayList;
import java.util.EnumSet;
import java.util.List;
import java.util.Optional;
import java.util.Set;
import wendo.core.outcomes.Evidence;
import wendo.core.visits.Touch;

/** What may earn an outcome: the touches of its person, and what came with it beside them. The order is ours. */
public final class CreditableTouches {
    /** Given at the moment of the outcome, so a touch of its own whatever came before. */
    private static final Set<Evidence> ALWAYS = EnumSet.of(Evidence.CLAIM, Evidence.CODE, Evidence.PARTNER);

    /** Only where no touch is known. */
    private static final Set<Evidence> INSTEAD = EnumSet.of(Evidence.CONTACT, Evidence.ANSWER, Evidence.REFERRER);

    /**
     * Clocks of two machines differ: the click whose own identifier came back counts if it is later than its outcome by
     * no more than this. Ours.
     */
    public static final Duration CLOCK_SKEW = Duration.ofMinutes(5);

    private CreditableTouches() {}

    /**
     * What came with the outcome, as a touch.
     *
     * @param evidence the strongest that points to a source
     */
    public record Given(Evidence evidence, Touch touch) {}

    /** Somebody's word decides alone; a claim, a code or a partner's report is one more touch; weaker evidence stands in for none. */
    public static Trail trail(Instant outcomeAt, List<Touch> touches, Optional<Given> given, LookbackWindows windows) {
        Trail own = Trail.before(outcomeAt, touches, windows);
        if (given.isEmpty()) {
            return own;
        }
        Evidence evidence = given.get().evidence();
        Touch touch = given.get().touch();
        if (evidence == Evidence.SET) {
            return new Trail(outcomeAt, List.of(touch));
        }
        boolean isNeeded = INSTEAD.contains(evidence) && own.touches().stream().allMatch(Touch::isDirect);
        if (!ALWAYS.contains(evidence) && !isNeeded) {
            return own;
        }
        List<Touch> all = new ArrayList<>(own.touches());
        all.add(touch);
        return new Trail(outcomeAt, all);
    }
}
