package wendo.app.place.messages;

import java.security.SecureRandom;
import java.util.ArrayList;
import java.util.Collections;
import java.util.HashSet;
import java.util.List;
import java.util.Map;
import java.util.Set;
import java.util.UUID;
import org.springframework.stereotype.Component;
import wendo.app.platform.business.Business;
import wendo.app.platform.site.Texts;
import wendo.app.platform.tables.Table;

/** The people of lists. Hibernate writes them in batches, for they come by thousands. */
@Component
class Recipients {
    /** Without vowels and look-alikes, so that no word comes of it and none is misread. */
    private static final String LETTERS = "0123456789bcdfghjkmnpqrstvwxyz";

    private static final int CODE_LENGTH = 6;

    private final RecipientRepository repository;
    private final RecipientConsent consent;
    private final SecureRandom random = new SecureRandom();

    Recipients(RecipientRepository repository, RecipientConsent consent) {
        this.repository = repository;
        this.consent = consent;
    }

    void add(UUID list, UUID link, Table table) {
        repository.saveAll(table.rows().stream()
                .map(row -> new Recipient(list, link, row.line(), row.cells()))
                .toList());
    }

    /** People of whom it is known already who may be written to: some by lot get none, the others a code each. */
    void add(UUID link, List<Recipient> all, int heldOutPercent) {
        holdOut(all, heldOutPercent);
        giveCodes(link, all);
        repository.saveAll(all);
    }

    /** Reads everybody's contact by these columns. Whoever stands there twice is told so, and gets one link. */
    void match(UUID list, RecipientLists.Columns meant, Business business) {
        Set<String> seen = new HashSet<>();
        for (Recipient one : repository.findByListIdOrderByLine(list)) {
            Contact contact = Contact.of(one.cell(meant.phone()), one.cell(meant.email()), business.locale());
            String who = contact.phone().isEmpty() ? contact.email() : contact.phone();
            boolean isAgain = contact.fault().isEmpty() && !seen.add(who);
            one.read(
                    one.cell(meant.name()),
                    contact,
                    isAgain ? Texts.of("place.messages.this-person-is-in-an") : contact.fault());
        }
    }

    /** Everybody without a fault gets a code, once it is said who is left out and who is held out. */
    void giveCodes(UUID list, UUID link, int heldOutPercent) {
        List<Recipient> people = repository.findByListIdOrderByLine(list);
        leaveOut(people);
        holdOut(people, heldOutPercent);
        giveCodes(link, people);
    }

    private void giveCodes(UUID link, List<Recipient> people) {
        Set<String> taken = new HashSet<>(repository.codes(link));
        people.stream().filter(Recipient::isSound).forEach(one -> one.give(free(taken)));
    }

    /** Nobody without consent gets a link. */
    private void leaveOut(List<Recipient> people) {
        Map<Integer, String> missing =
                consent.missing(people.stream().map(Recipient::person).toList());
        people.stream()
                .filter(one -> missing.containsKey(one.line()))
                .forEach(one -> one.leaveOut(missing.getOrDefault(one.line(), "")));
    }

    private void holdOut(List<Recipient> people, int percent) {
        List<Recipient> drawn =
                new ArrayList<>(people.stream().filter(Recipient::isSound).toList());
        Collections.shuffle(drawn, random);
        drawn.subList(0, drawn.size() * percent / 100).forEach(Recipient::holdOut);
    }

    private String free(Set<String> taken) {
        while (true) {
            StringBuilder code = new StringBuilder();
            for (int i = 0; i < CODE_LENGTH; i++) {
                code.append(LETTERS.charAt(random.nextInt(LETTERS.length())));
            }
            if (taken.add(code.toString())) {
                return code.toString();
            }
        }
    }

    /** In the order of the file. */
    List<RecipientLists.Person> people(UUID list) {
        return repository.findByListIdOrderByLine(list).stream()
                .map(Recipient::person)
                .toList();
    }
}
