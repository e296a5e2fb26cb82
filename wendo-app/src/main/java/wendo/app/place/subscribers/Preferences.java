package wendo.app.place.subscribers;

import java.time.Clock;
import java.util.List;
import java.util.Optional;
import java.util.Set;
import java.util.UUID;
import java.util.stream.Collectors;
import org.springframework.stereotype.Service;
import org.springframework.transaction.annotation.Transactional;
import wendo.app.platform.consent.ConsentPlace;
import wendo.app.platform.consent.ConsentPurpose;
import wendo.app.platform.consent.Consents;
import wendo.app.platform.consent.Withdrawal;
import wendo.app.platform.sending.ChoicesPage;
import wendo.core.media.EmailAddress;

/** What a subscriber gets, by their own choice. Whoever holds a mail that went to an address chooses for it. */
@Service
class Preferences implements ChoicesPage {
    private final NewsletterLists lists;
    private final SubscriberRepository subscribers;
    private final ListMemberRepository members;
    private final Joining joining;
    private final Consents consents;
    private final Clock clock;

    Preferences(
            NewsletterLists lists,
            SubscriberRepository subscribers,
            ListMemberRepository members,
            Joining joining,
            Consents consents,
            Clock clock) {
        this.lists = lists;
        this.subscribers = subscribers;
        this.members = members;
        this.joining = joining;
        this.consents = consents;
        this.clock = clock;
    }

    /** A list that they may have, or have. */
    record Choice(UUID list, String name, String promise, boolean isOn) {}

    @Override
    public Optional<String> of(UUID message, String recipient) {
        return EmailAddress.find(recipient)
                .filter(address -> !choices(address.value()).isEmpty())
                .map(address -> "/t/preferences/" + message);
    }

    /** The lists that are open to everybody, and those that they are on. */
    @Transactional(readOnly = true)
    List<Choice> choices(String email) {
        Set<UUID> on = on(email);
        return lists.list().stream()
                .filter(list -> list.hasForm() || on.contains(list.id()))
                .map(list -> new Choice(list.id(), list.name(), list.promise(), on.contains(list.id())))
                .toList();
    }

    private Set<UUID> on(String email) {
        return subscribers.findReal(email).stream()
                .flatMap(one -> members.findOn(one.id()).stream())
                .map(ListMember::list)
                .collect(Collectors.toSet());
    }

    /** Refused by a unique key if they choose the same at the same moment. */
    @Transactional
    List<Choice> choose(String email, Set<UUID> wanted, String page) {
        Set<UUID> before = on(email);
        for (NewsletterLists.Listed list : lists.list()) {
            boolean isWanted = wanted.contains(list.id());
            if (isWanted && !before.contains(list.id()) && list.hasForm()) {
                joining.take(new Joiner(
                        list.id(),
                        email,
                        list.promise(),
                        ConsentPlace.SIGN_UP,
                        list.id(),
                        Optional.empty(),
                        Optional.empty(),
                        Set.of(),
                        page));
            } else if (!isWanted && before.contains(list.id())) {
                leave(email, list.id());
            }
        }
        if (on(email).isEmpty()) { // whoever wants no list any more wants no news
            consents.withdraw(email, ConsentPurpose.EMAIL_NEWS, Withdrawal.CHOICES, "");
        }
        return choices(email);
    }

    private void leave(String email, UUID list) {
        subscribers
                .findReal(email)
                .flatMap(one -> members.findByListIdAndSubscriberId(list, one.id()))
                .ifPresent(member -> {
                    member.leave(clock.instant());
                    members.saveAndFlush(member);
                });
    }
}
