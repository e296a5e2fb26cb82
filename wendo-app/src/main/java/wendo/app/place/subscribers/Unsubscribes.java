package wendo.app.place.subscribers;

import java.util.Arrays;
import java.util.LinkedHashSet;
import java.util.List;
import java.util.Optional;
import java.util.Set;
import org.springframework.stereotype.Service;
import org.springframework.transaction.annotation.Transactional;
import wendo.app.platform.consent.ConsentPurpose;
import wendo.app.platform.consent.Consents;
import wendo.app.platform.consent.Withdrawal;
import wendo.core.media.EmailAddress;

/** Takes back what readers did at the system that sent them the newsletter: they unsubscribed there. */
@Service
class Unsubscribes {
    private final Consents consents;

    Unsubscribes(Consents consents) {
        this.consents = consents;
    }

    /** @param unknown addresses that had agreed to nothing, or had withdrawn before */
    record Taken(int withdrawn, int unknown) {}

    /** The addresses in a text: one a line, or the columns of a file that a sending system exports. */
    static List<String> addresses(String text) {
        return Arrays.stream(text.split("[\\s,;\"<>]+", -1))
                .flatMap(one -> EmailAddress.find(one).stream())
                .map(EmailAddress::value)
                .distinct()
                .toList();
    }

    @Transactional
    Taken take(List<String> typed, String by) {
        Set<String> emails = new LinkedHashSet<>();
        typed.stream()
                .map(EmailAddress::find)
                .flatMap(Optional::stream)
                .map(EmailAddress::value)
                .forEach(emails::add);
        Set<String> agreed = consents.allowed(emails, ConsentPurpose.EMAIL_NEWS);
        agreed.forEach(email -> consents.withdraw(email, ConsentPurpose.EMAIL_NEWS, Withdrawal.SENDER, by));
        return new Taken(agreed.size(), typed.size() - agreed.size());
    }
}
