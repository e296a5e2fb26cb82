package wendo.app.links;

import java.net.URI;
import wendo.app.business.Business;
import wendo.core.links.AddressRefused;
import wendo.core.links.HostName;
import wendo.core.links.Tagging;
import wendo.core.links.WebAddress;
import wendo.core.visits.ClickId;

/** Which addresses a business's links may lead to. */
final class DestinationRules {
    private DestinationRules() {}

    /** Throws {@link AddressRefused} with a reason for the person who pasted it. */
    static WebAddress check(String pasted, Business business, String linkOrigin) {
        // A click identifier pasted along belongs to one visit; each visit gets its own.
        WebAddress address = Tagging.drop(WebAddress.of(pasted), ClickId.PARAMETER);
        if (address.host().equals(URI.create(linkOrigin).getHost())) {
            throw new AddressRefused("This is itself a link of yours; paste the page that it should lead to.");
        }
        if (!business.allowsLocalDestinations() && HostName.isLocal(address.host())) {
            throw new AddressRefused("Only your own network can open \"%s\"; people who follow the link could not."
                    .formatted(address.host()));
        }
        return address;
    }
}
