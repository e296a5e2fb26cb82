package wendo.app.platform.consent;

import java.util.Arrays;
import java.util.EnumSet;
import java.util.List;
import java.util.Map;
import java.util.Optional;
import java.util.Set;
import java.util.UUID;
import java.util.stream.Collectors;
import wendo.app.platform.business.BusinessScope;
import wendo.app.platform.site.InvalidForm;
import wendo.app.platform.site.Limits;
import wendo.app.platform.site.Texts;
import wendo.app.platform.site.TypedFields;

/**
 * Consent that somebody gave by word of mouth, as a colleague notes it.
 *
 * @param words what they were asked, as it was said
 */
public record ToldConsent(Set<ConsentPurpose> purposes, String words) {
    /** Field names begin with this, followed by a purpose's key. */
    public static final String FIELD = "consent-";

    public static final String WORDS = "consentWords";
    private static final int MAX_WORDS = Limits.CONSENT_WORDS;

    public ToldConsent {
        purposes = Set.copyOf(purposes);
    }

    public static ToldConsent none() {
        return new ToldConsent(Set.of(), "");
    }

    public static ToldConsent of(TypedFields typed) {
        return new ToldConsent(
                Arrays.stream(ConsentPurpose.values())
                        .filter(purpose -> typed.isSent(FIELD + purpose.key()))
                        .collect(Collectors.toCollection(() -> EnumSet.noneOf(ConsentPurpose.class))),
                typed.text(WORDS));
    }

    /** Notes what is wrong with it, for these contacts. Nothing ticked is nothing wrong. */
    public void check(List<String> contacts, Map<String, String> faults) {
        List<String> known =
                contacts.stream().filter(contact -> !contact.isBlank()).toList();
        if (!purposes.isEmpty() && words.isEmpty()) {
            faults.put(WORDS, Texts.of("platform.consent.write-what-you-asked-them"));
        }
        InvalidForm.tooLong(faults, WORDS, words, MAX_WORDS);
        for (ConsentPurpose purpose : purposes) {
            if (known.stream().noneMatch(purpose::fits)) {
                faults.putIfAbsent(
                        WORDS,
                        purpose == ConsentPurpose.TEXT_NEWS
                                ? Texts.of("platform.consent.text-news-needs-a-phone")
                                : purpose == ConsentPurpose.EMAIL_NEWS
                                        ? Texts.of("platform.consent.e-mail-news-needs-an")
                                        : Texts.of("platform.consent.an-e-mail-address-or"));
            }
        }
    }

    /** What is kept of it; empty if nothing was ticked. */
    public Optional<ConsentGiven> given(List<String> contacts, UUID outcome, String person) {
        return purposes.isEmpty()
                ? Optional.empty()
                : Optional.of(new ConsentGiven(
                        contacts,
                        purposes,
                        words,
                        ConsentPlace.TOLD,
                        BusinessScope.current().value(),
                        Optional.empty(),
                        Optional.of(outcome),
                        Texts.kept("platform.consent.told-to", person)));
    }
}
