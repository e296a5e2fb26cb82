package wendo.app.place.messages;

import java.util.LinkedHashMap;
import java.util.List;
import java.util.Map;
import java.util.Optional;
import java.util.Set;
import java.util.stream.Collectors;
import java.util.stream.Stream;
import org.springframework.stereotype.Component;
import wendo.app.platform.accounts.CurrentPerson;
import wendo.app.platform.consent.ConsentGiven;
import wendo.app.platform.consent.ConsentPlace;
import wendo.app.platform.consent.ConsentPurpose;
import wendo.app.platform.consent.Consents;
import wendo.app.platform.consent.Withdrawal;
import wendo.app.platform.sending.Outbox;
import wendo.app.platform.site.Texts;

/** What recipients agreed to: as the business states it for a list, and as it stands whenever a message goes out. */
@Component
class RecipientConsent {
    private final Consents consents;
    private final Outbox outbox;

    RecipientConsent(Consents consents, Outbox outbox) {
        this.consents = consents;
        this.outbox = outbox;
    }

    void state(RecipientLists.Listed list, String source, List<RecipientLists.Person> people) {
        List<String> contacts = people.stream()
                .filter(person -> person.fault().isEmpty())
                .map(RecipientLists.Person::contact)
                .toList();
        consents.state(new ConsentGiven(
                contacts,
                Set.of(ConsentPurpose.EMAIL_NEWS, ConsentPurpose.TEXT_NEWS),
                source,
                ConsentPlace.LIST,
                list.id(),
                Optional.of(list.link()),
                Optional.empty(),
                ""));
    }

    void withdraw(RecipientLists.Person recipient, CurrentPerson by) {
        consents.withdraw(recipient.contact(), Withdrawal.OFFICE, by.name());
    }

    /** By their line in the file, why people are not to be written to now. */
    Map<Integer, String> missing(List<RecipientLists.Person> people) {
        List<String> contacts = people.stream()
                .filter(person -> person.fault().isEmpty())
                .map(RecipientLists.Person::contact)
                .toList();
        Set<String> gone = outbox.optedOut(contacts);
        Set<String> allowed = Stream.of(ConsentPurpose.EMAIL_NEWS, ConsentPurpose.TEXT_NEWS)
                .flatMap(purpose -> consents.allowed(contacts, purpose).stream())
                .collect(Collectors.toSet());
        Map<Integer, String> missing = new LinkedHashMap<>();
        for (RecipientLists.Person person : people) {
            if (person.fault().isEmpty() && gone.contains(person.contact())) {
                missing.put(person.line(), Texts.of("place.messages.they-want-no-more-messages"));
            } else if (person.fault().isEmpty() && !allowed.contains(person.contact())) {
                missing.put(person.line(), Texts.of("place.messages.they-withdrew-their-consent"));
            }
        }
        return missing;
    }
}
