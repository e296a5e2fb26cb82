package wendo.app.place.newsletters;

import java.util.List;
import java.util.UUID;
import org.springframework.stereotype.Service;
import org.springframework.transaction.annotation.Transactional;
import wendo.app.platform.site.Limits;
import wendo.core.media.Placeholder;

/** The systems that a business sends its newsletters with; each is told of once. */
@Service
class Senders {
    static final int MAX_NAME = Limits.SHORT_NAME;

    private final SenderRepository repository;

    Senders(SenderRepository repository) {
        this.repository = repository;
    }

    record Listed(UUID id, String name, Placeholder placeholder) {}

    @Transactional(readOnly = true)
    List<Listed> list() {
        return repository.findAll().stream().map(Sender::listed).toList();
    }

    /** A name that is there already means the new placeholder from now on. */
    @Transactional
    void save(String name, Placeholder placeholder) {
        Sender sender = repository.findByName(name).orElseGet(() -> new Sender(name, placeholder));
        sender.write(placeholder);
        repository.save(sender);
    }

    @Transactional
    void remove(UUID id) {
        repository.deleteById(id);
    }
}
