package wendo.app.place.messages;

import java.time.Clock;
import java.util.ArrayList;
import java.util.List;
import java.util.UUID;
import org.springframework.stereotype.Service;
import org.springframework.transaction.annotation.Transactional;
import wendo.app.platform.site.Texts;
import wendo.app.platform.tables.Brought;
import wendo.app.platform.tables.Table;

/** Links of their own for people whom another feature writes to. They stand as a list of recipients of the link. */
@Service
public class PersonalLinks {
    private final RecipientListRepository lists;
    private final Recipients people;
    private final Clock clock;

    PersonalLinks(RecipientListRepository lists, Recipients people, Clock clock) {
        this.lists = lists;
        this.people = people;
        this.clock = clock;
    }

    /** Somebody who is to get a link; {@code contact} is an e-mail address in lower case or a phone number (E.164). */
    public record Addressee(String name, String contact) {}

    /** @param code behind the link's own address; empty text for who is held out */
    public record Given(UUID recipient, String code) {
        public boolean isHeldOut() {
            return code.isEmpty();
        }
    }

    /** @param given in the order of the addressees */
    public record Listed(UUID list, List<Given> given) {
        public Listed {
            given = List.copyOf(given);
        }
    }

    /** A list of this name whose links are made at once. Consent is for the caller to look at. */
    @Transactional
    public Listed give(UUID link, String name, List<Addressee> all, int heldOutPercent, String by) {
        List<String> columns = List.of(Texts.of("common.name"), Texts.of("place.messages.contact"));
        StoredList list =
                new StoredList(link, new Brought(name, "", new Table(columns, List.of())), clock.instant(), by);
        list.match(new RecipientLists.Columns(0, 1, 1), "");
        list.make("", clock.instant());
        lists.save(list);
        List<Recipient> recipients = new ArrayList<>();
        for (Addressee one : all) {
            Recipient recipient =
                    new Recipient(list.id(), link, recipients.size() + 1, List.of(one.name(), one.contact()));
            boolean isEmail = one.contact().indexOf('@') >= 0;
            recipient.read(one.name(), new Contact(isEmail ? "" : one.contact(), isEmail ? one.contact() : "", ""), "");
            recipients.add(recipient);
        }
        people.add(link, recipients, heldOutPercent);
        return new Listed(
                list.id(),
                recipients.stream()
                        .map(one -> new Given(one.id(), one.person().code()))
                        .toList());
    }
}
