package wendo.core.visits;

import java.time.Instant;

/** What is known of an arrival when it is sorted. {@code purpose} is the value of Sec-Purpose or Purpose, or empty. */
public record Arrival(String visitor, String link, Instant at, String userAgent, String purpose) {}
