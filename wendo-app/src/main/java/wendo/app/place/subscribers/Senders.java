package wendo.app.place.subscribers;

import java.util.List;
import java.util.Optional;
import java.util.UUID;
import org.springframework.stereotype.Service;
import org.springframework.transaction.annotation.Transactional;
import wendo.app.platform.business.EditedVersion;
import wendo.app.platform.site.Limits;
import wendo.core.media.Placeholder;

/** The systems that a business sends its newsletters with; each is told of once. */
@Service
public class Senders {
    public static final int MAX_NAME = Limits.SHORT_NAME;

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

    /** A name that is there already means the new placeholder from now on. */
    @Transactional
    public void save(String name, Placeholder placeholder) {
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
