package wendo.app.compare.verdict;

import java.util.UUID;

/** A source that is judged otherwise than before. */
public record VerdictChange(UUID source, String name, String before, String now) {}
