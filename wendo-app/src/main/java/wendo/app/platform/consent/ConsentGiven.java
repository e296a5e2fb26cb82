package wendo.app.platform.consent;

import java.util.List;
import java.util.Optional;
import java.util.Set;
import java.util.UUID;

/**
 * Somebody's consent as they give it.
 *
 * @param contacts their e-mail address and phone number, as far as they are known; empty ones are left out
 * @param words exactly as they were shown
 * @param placeId the form, link or list where the words stood
 * @param link the link by which they came, if one is known
 * @param page the address of the page that showed the words; empty text where there was none
 */
public record ConsentGiven(
        List<String> contacts,
        Set<ConsentPurpose> purposes,
        String words,
        ConsentPlace place,
        UUID placeId,
        Optional<UUID> link,
        Optional<UUID> outcome,
        String page) {
    private static final int MAX_PAGE = 500; // longer addresses are cut; the form or link tells the rest

    public ConsentGiven {
        contacts = contacts.stream().filter(contact -> !contact.isBlank()).toList();
        purposes = Set.copyOf(purposes);
        page = page.length() <= MAX_PAGE ? page : page.substring(0, MAX_PAGE);
        if (words.isBlank()) {
            throw new IllegalArgumentException("Words of consent must not be empty");
        }
    }
}
