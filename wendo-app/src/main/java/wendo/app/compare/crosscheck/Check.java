package wendo.app.compare.crosscheck;

import java.time.ZoneId;
import java.util.UUID;

/**
 * Another system's count of something for a source, or of the visits of a link domain.
 *
 * @param zone whose days theirs are
 * @param tolerancePercent how far its count may be from ours before it is worth looking
 */
record Check(UUID id, Subject subject, Counted counted, String system, ZoneId zone, int tolerancePercent) {

    /** The source or the link domain. */
    record Subject(UUID id, String name, boolean isDomain) {}

    public String sourceName() {
        return subject.name();
    }
}
