package wendo.app.prepare.brands;

import java.util.List;
import java.util.UUID;

/**
 * A brand as other features see it.
 *
 * @param sites host names in lower case, without "www."
 * @param asks whether its link domain asks visitors for consent; else the destination's own banner does
 * @param logo where everybody gets its logo; empty text if it has none
 */
public record BrandListed(UUID id, String name, List<String> sites, boolean asks, String logo) {
    public BrandListed {
        sites = List.copyOf(sites);
    }
}
