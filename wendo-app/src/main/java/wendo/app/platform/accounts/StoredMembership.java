package wendo.app.platform.accounts;

import jakarta.persistence.Entity;
import jakarta.persistence.Id;
import jakarta.persistence.Table;
import java.util.UUID;
import wendo.app.platform.business.BusinessRow;

/** That somebody works for a business, and as what. */
@Entity
@Table(name = "membership")
@SuppressWarnings("UnusedVariable") // written for the database, not read in Java
class StoredMembership extends BusinessRow {
    @Id
    private UUID personId;

    private String role;

    @SuppressWarnings("NullAway.Init")
    protected StoredMembership() {}

    StoredMembership(UUID person, Role role) {
        this.personId = person;
        this.role = role.key();
    }

    UUID personId() {
        return personId;
    }

    Role role() {
        return Role.of(role);
    }

    void become(Role other) {
        this.role = other.key();
    }
}
