package wendo.app.place.newsletters;

import jakarta.persistence.Entity;
import java.util.UUID;
import wendo.app.platform.business.BusinessEntity;
import wendo.core.media.Placeholder;

/** A system that a business sends its newsletters with. */
@Entity
class Sender extends BusinessEntity {
    private String name;
    private String placeholder;

    @SuppressWarnings("NullAway.Init")
    protected Sender() {}

    Sender(String name, Placeholder placeholder) {
        super(UUID.randomUUID());
        this.name = name;
        this.placeholder = placeholder.text();
    }

    void write(Placeholder newPlaceholder) {
        this.placeholder = newPlaceholder.text();
    }

    Senders.Listed listed() {
        return new Senders.Listed(id(), name, new Placeholder(placeholder));
    }
}
