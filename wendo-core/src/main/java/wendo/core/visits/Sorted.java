package wendo.core.visits;

/** The kind of a visit and, in words, why it was sorted so. */
public record Sorted(VisitKind kind, String reason) {}
