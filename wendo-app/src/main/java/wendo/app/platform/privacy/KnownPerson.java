package wendo.app.platform.privacy;

import java.util.HashSet;
import java.util.Set;
import java.util.UUID;

/**
 * One person, by what the business knows them by.
 *
 * @param contacts e-mail addresses in small letters, and phone numbers (E.164)
 * @param outcomes their leads, bookings, purchases and subscriptions
 */
public record KnownPerson(Set<String> contacts, Set<UUID> outcomes) {
    public KnownPerson {
        contacts = Set.copyOf(contacts);
        outcomes = Set.copyOf(outcomes);
    }

    public static KnownPerson none() {
        return new KnownPerson(Set.of(), Set.of());
    }

    public KnownPerson plus(KnownPerson more) {
        Set<String> allContacts = new HashSet<>(contacts);
        allContacts.addAll(more.contacts);
        Set<UUID> allOutcomes = new HashSet<>(outcomes);
        allOutcomes.addAll(more.outcomes);
        return new KnownPerson(allContacts, allOutcomes);
    }

    public String[] contactArray() {
        return contacts.stream().sorted().toArray(String[]::new);
    }

    public UUID[] outcomeArray() {
        return outcomes.stream().sorted().toArray(UUID[]::new);
    }
}
