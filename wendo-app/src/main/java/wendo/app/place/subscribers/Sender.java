package wendo.app.place.subscribers;

import jakarta.persistence.Entity;
import java.util.List;
import java.util.UUID;
import java.util.stream.IntStream;
import wendo.app.platform.business.BusinessEntity;
import wendo.core.media.Placeholder;

/** A system that a business sends its newsletters with. */
@Entity
class Sender extends BusinessEntity {
    private String name;
    private String placeholder;
    private String[] headings = {};
    private String[] fields = {};
    private String dateStyle = SenderFile.DateStyle.ISO.key();
    private String separator = ",";

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

    void take(SenderFile file) {
        this.headings = file.headings().toArray(String[]::new);
        this.fields = file.columns().stream().map(one -> one.field().key()).toArray(String[]::new);
        this.dateStyle = file.dates().key();
        this.separator = file.separator();
    }

    SenderFile file() {
        List<SenderFile.Column> columns = IntStream.range(0, headings.length)
                .mapToObj(at -> new SenderFile.Column(
                        headings[at], SubscriberField.find(fields[at]).orElse(SubscriberField.NOTHING)))
                .toList();
        return new SenderFile(columns, SenderFile.DateStyle.of(dateStyle), separator);
    }

    Senders.Listed listed() {
        return new Senders.Listed(id(), name, new Placeholder(placeholder), headings.length > 0);
    }
}
