package wendo.app.prepare.destinations;

import java.util.UUID;

/** A page is now found at another address; whatever leads to it has to follow, in the same transaction. */
public record DestinationMoved(UUID destination, String newAddress, String movedBy, String reason) {}
