package wendo.app.platform.site;

import java.util.Optional;

/** The page of a link domain for an address that leads nowhere, in the name of its business. */
public interface OwnErrorPage {
    /**
     * Empty if nobody's links have this host.
     *
     * @param acceptLanguage what the browser says it would like to read; empty text if it does not say
     */
    Optional<String> of(String host, String acceptLanguage);
}
