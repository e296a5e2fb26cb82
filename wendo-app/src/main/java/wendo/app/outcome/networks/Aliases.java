package wendo.app.outcome.networks;

import java.util.OptionalLong;

/** Numbers that this process may give out, taken from the database ahead of time: a visit waits for nothing. */
final class Aliases {
    private long next;
    private long end;
    private long spareNext;
    private long spareEnd;

    /** Empty while there are none: the database has been away for too long. */
    synchronized OptionalLong take() {
        if (next == end) {
            next = spareNext;
            end = spareEnd;
            spareNext = spareEnd;
        }
        return next == end ? OptionalLong.empty() : OptionalLong.of(next++);
    }

    synchronized boolean needsMore() {
        return spareNext == spareEnd;
    }

    synchronized void add(long startInclusive, long endExclusive) {
        spareNext = startInclusive;
        spareEnd = endExclusive;
    }
}
