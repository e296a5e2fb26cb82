package wendo.app.prepare.destinations;

import java.util.UUID;

/** A page was looked at and answered; this is what it says of itself. */
public record DestinationRead(UUID destination, PageCard card) {}
