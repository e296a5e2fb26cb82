package wendo.app.place.messages;

import jakarta.persistence.Column;
import jakarta.persistence.Entity;
import java.util.List;
import java.util.UUID;
import org.hibernate.annotations.DynamicUpdate;
import org.hibernate.annotations.JdbcTypeCode;
import org.hibernate.type.SqlTypes;
import org.jspecify.annotations.Nullable;
import wendo.app.platform.business.BusinessEntity;
import wendo.app.platform.site.Texts;

/** Somebody on a list: a line of its file, the contact that was read from it, and the code of their link. */
@Entity
@DynamicUpdate // the cells of a line are long and never change
class Recipient extends BusinessEntity {
    private static final int MAX_NAME = 200;

    @Column(updatable = false)
    private UUID listId;

    @Column(updatable = false)
    private UUID linkId;

    @Column(updatable = false)
    private int line;

    @Column(updatable = false)
    @JdbcTypeCode(SqlTypes.ARRAY)
    private String[] cells;

    private String name;
    private String phone;
    private String email;
    private @Nullable String code;
    private String fault;
    private boolean heldOut;

    @SuppressWarnings("NullAway.Init")
    protected Recipient() {}

    Recipient(UUID list, UUID link, int line, List<String> cells) {
        super(UUID.randomUUID());
        this.listId = list;
        this.linkId = link;
        this.line = line;
        this.cells = cells.toArray(String[]::new);
        this.name = "";
        this.phone = "";
        this.email = "";
        this.fault = "";
    }

    RecipientLists.Person person() {
        return new RecipientLists.Person(line, List.of(cells), name, phone, email, code == null ? "" : code, fault);
    }

    int line() {
        return line;
    }

    /** Whether a link can be given to them. */
    boolean isSound() {
        return fault.isEmpty();
    }

    /** What stands in a column of their line; empty text for none. */
    String cell(int column) {
        return column >= 0 && column < cells.length ? cells[column].strip() : "";
    }

    /** What was read of them; a fault is told instead of their link. */
    void read(String called, Contact contact, String why) {
        this.name = called.length() <= MAX_NAME ? called : called.substring(0, MAX_NAME);
        this.phone = contact.phone();
        this.email = contact.email();
        this.fault = why;
    }

    void leaveOut(String why) {
        this.fault = why;
    }

    void holdOut() {
        this.heldOut = true;
        this.fault = Texts.of("place.messages.held-out-by-lot-send");
    }

    void give(String ownCode) {
        this.code = ownCode;
    }
}
