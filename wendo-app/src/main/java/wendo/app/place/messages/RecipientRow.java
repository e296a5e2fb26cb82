package wendo.app.place.messages;

import java.time.Instant;
import java.util.Optional;

/**
 * Somebody a message went to, and what they did with their link.
 *
 * @param fault why they are not written to: what was wrong with their line, or what they want no more
 */
record RecipientRow(RecipientLists.Person person, Optional<RecipientTaps.Tapped> tapped, String fault) {
    public boolean isReachable() {
        return fault.isEmpty();
    }

    public String who() {
        return person.name().isEmpty() ? contact() : person.name();
    }

    /** Empty text where it stands in place of a name. */
    public String contactBeside() {
        return person.name().isEmpty() ? "" : contact();
    }

    private String contact() {
        return person.contact();
    }

    public long taps() {
        return tapped.map(RecipientTaps.Tapped::taps).orElse(0L);
    }

    public Optional<Instant> first() {
        return tapped.map(RecipientTaps.Tapped::first);
    }

    public Optional<Instant> last() {
        return tapped.map(RecipientTaps.Tapped::last);
    }

    public String outcomes() {
        return tapped.map(RecipientTaps.Tapped::outcomes).orElse("");
    }

    public long valueMinor() {
        return tapped.map(RecipientTaps.Tapped::valueMinor).orElse(0L);
    }
}
