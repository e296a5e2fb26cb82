package wendo.core.links;

import java.util.UUID;

/** A page that a link leads to. {@code address} is the page's with the link's tags. */
public record Way(UUID destination, String address) {}
