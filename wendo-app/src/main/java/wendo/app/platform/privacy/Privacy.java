package wendo.app.platform.privacy;

import java.time.Clock;
import java.util.List;
import java.util.Map;
import java.util.Set;
import org.springframework.data.domain.Limit;
import org.springframework.stereotype.Service;
import org.springframework.transaction.annotation.Transactional;
import wendo.core.media.EmailAddress;
import wendo.core.media.PhoneNumber;

/** Finds everything that is known of a person, in all features, and erases it. */
@Service
class Privacy {
    private static final int SHOWN = 50;

    private final List<PersonFinder> finders;
    private final List<PersonalRecords> records;
    private final ErasureRepository erasures;
    private final Clock clock;

    Privacy(List<PersonFinder> finders, List<PersonalRecords> records, ErasureRepository erasures, Clock clock) {
        this.finders = finders;
        this.records = records;
        this.erasures = erasures;
        this.clock = clock;
    }

    /** What one feature keeps of them. */
    record Section(String heading, List<Map<String, String>> records) {}

    /** Nobody, for what is not typed; a contact is somebody even if nothing else is known of them. */
    @Transactional(readOnly = true)
    public KnownPerson find(String typed, String country) {
        String text = typed.strip();
        if (text.isEmpty()) {
            return KnownPerson.none();
        }
        KnownPerson found = EmailAddress.find(text)
                .map(EmailAddress::value)
                .or(() -> PhoneNumber.find(text, country).map(PhoneNumber::value))
                .map(contact -> new KnownPerson(Set.of(contact), Set.of()))
                .orElse(KnownPerson.none());
        for (PersonFinder finder : finders) {
            found = found.plus(finder.find(text));
        }
        for (String contact : found.contacts()) {
            for (PersonFinder finder : finders) {
                found = found.plus(finder.find(contact));
            }
        }
        return found;
    }

    @Transactional(readOnly = true)
    public List<Section> sections(KnownPerson person) {
        return records.stream()
                .map(one -> new Section(one.heading(), one.find(person)))
                .filter(section -> !section.records().isEmpty())
                .toList();
    }

    /** Answers how many records that were. */
    @Transactional
    public int erase(KnownPerson person, String by, String reason) {
        int all = sections(person).stream()
                .mapToInt(section -> section.records().size())
                .sum();
        records.forEach(one -> one.erase(person));
        erasures.save(new Erasure(by, all, reason, clock.instant()));
        return all;
    }

    @Transactional(readOnly = true)
    public List<Erasure.Shown> erasures() {
        return erasures.findAllByOrderByAtDesc(Limit.of(SHOWN)).stream()
                .map(Erasure::shown)
                .toList();
    }
}
