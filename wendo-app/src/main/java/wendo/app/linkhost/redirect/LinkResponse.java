package wendo.app.linkhost.redirect;

import java.util.Optional;
import java.util.UUID;
import wendo.app.issue.links.LinkDirectory;
import wendo.app.issue.sharecards.ShareCardDirectory;
import wendo.app.linkhost.tagging.TagPage;
import wendo.app.linkhost.tagging.Tagger;
import wendo.app.visit.visits.LoggedVisit;

/** What a link host answers. */
sealed interface LinkResponse {
    /** No link host has this name, or the address is one of the public pages below {@code /t/}. */
    record NotOurs() implements LinkResponse {}

    /** Which link host this is. */
    record Host(UUID id) implements LinkResponse {}

    /** The address leads nowhere. */
    record DeadEnd(LinkDirectory.Host host, String acceptLanguage) implements LinkResponse {}

    /**
     * Shows the card of a link to a program that draws one.
     *
     * @param address where people are led
     */
    record Card(LinkDirectory.Host host, ShareCardDirectory.Shown shown, String address, LoggedVisit visit)
            implements LinkResponse {}

    /**
     * Goes on by way of a page that asks for consent, or uses visitor tags.
     *
     * @param cookie the value of a Set-Cookie header; empty text if none is kept
     */
    record Tagged(Tagger.Plan plan, TagPage.Visit before, LoggedVisit visit, String cookie) implements LinkResponse {}

    /**
     * Goes on to another address.
     *
     * @param visit what has to be on disk first; none for HEAD, which counts as nothing
     * @param cookie the value of a Set-Cookie header; empty text if none is kept
     */
    record Redirect(String location, Optional<LoggedVisit> visit, String cookie) implements LinkResponse {}
}
