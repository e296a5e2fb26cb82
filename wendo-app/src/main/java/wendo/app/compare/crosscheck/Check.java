package wendo.app.compare.crosscheck;

import java.time.ZoneId;
import java.util.UUID;

/**
 * Another system's count of something for a source.
 *
 * @param zone whose days theirs are
 * @param tolerancePercent how far its count may be from ours before it is worth looking
 */
record Check(
        UUID id, UUID source, String sourceName, Counted counted, String system, ZoneId zone, int tolerancePercent) {}
