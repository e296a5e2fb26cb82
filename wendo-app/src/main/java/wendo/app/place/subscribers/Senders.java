package wendo.app.place.subscribers;

import java.util.HashMap;
import java.util.List;
import java.util.Map;
import java.util.Optional;
import java.util.UUID;
import org.springframework.stereotype.Service;
import org.springframework.transaction.annotation.Transactional;
import wendo.app.platform.business.EditedVersion;
import wendo.app.platform.site.InvalidForm;
import wendo.app.platform.site.Limits;
import wendo.app.platform.site.Texts;
import wendo.core.media.Placeholder;

/** The systems that a business sends its newsletters with; each is told of once. */
@Service
public class Senders {
    private final SenderRepository repository;

    Senders(SenderRepository repository) {
        this.repository = repository;
    }

    /** @param hasFile whether the columns of the file that it takes are known */
    public record Listed(UUID id, String name, Placeholder placeholder, boolean hasFile) {}

    @Transactional(readOnly = true)
    public List<Listed> list() {
        return repository.findAll().stream().map(Sender::listed).toList();
    }

    /** Adds it, or says what is wrong by field: {@code name} and {@code placeholder}. */
    @Transactional
    public Map<String, String> add(String name, String placeholder) {
        Map<String, String> faults = new HashMap<>();
        if (name.isBlank()) {
            faults.put("name", Texts.of("place.newsletters.name-the-sender-like-our"));
        }
        InvalidForm.tooLong(faults, "name", name, Limits.SHORT_NAME);
        try {
            Placeholder stands = new Placeholder(placeholder);
            if (faults.isEmpty()) {
                save(name.strip(), stands);
            }
        } catch (IllegalArgumentException e) {
            faults.put("placeholder", Texts.said(e));
        }
        return faults;
    }

    /** A name that is there already means the new placeholder from now on. */
    private void save(String name, Placeholder placeholder) {
        Sender sender = repository.findByName(name).orElseGet(() -> new Sender(name, placeholder));
        sender.write(placeholder);
        repository.save(sender);
    }

    @Transactional(readOnly = true)
    Optional<SenderFile> file(UUID id) {
        return repository.findById(id).map(Sender::file);
    }

    @Transactional(readOnly = true)
    int version(UUID id) {
        return repository.findById(id).map(Sender::version).orElse(0);
    }

    @Transactional
    void take(UUID id, EditedVersion edited, SenderFile file) {
        Sender sender = repository.findById(id).orElseThrow();
        sender.mustStillBe(edited);
        sender.take(file);
    }

    @Transactional
    public void remove(UUID id) {
        repository.deleteById(id);
    }
}
