package wendo.app.place.subscribers;

import java.util.Optional;
import java.util.Set;
import java.util.UUID;
import wendo.app.platform.consent.ConsentPlace;

/**
 * Somebody who presses to join a list.
 *
 * @param words what they were told that they get, as it was shown
 * @param placeId the link or the list where these words stand
 * @param link the link that they came by, if one is known
 * @param click the visit that it counted
 * @param labels what the subscriber gets, beside the list's own
 * @param page the address of the page that showed the words
 */
public record Joiner(
        UUID list,
        String email,
        String words,
        ConsentPlace place,
        UUID placeId,
        Optional<UUID> link,
        Optional<UUID> click,
        Set<String> labels,
        String page) {
    private static final int MAX_PAGE = 500; // longer addresses are cut; the link or list tells the rest

    public Joiner {
        labels = Set.copyOf(labels);
        page = page.length() <= MAX_PAGE ? page : page.substring(0, MAX_PAGE);
    }
}
