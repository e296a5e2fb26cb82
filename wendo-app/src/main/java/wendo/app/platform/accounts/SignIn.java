package wendo.app.platform.accounts;

import jakarta.persistence.Entity;
import jakarta.persistence.Id;
import java.time.Instant;
import java.util.UUID;

/** That somebody signed in, or was refused. */
@Entity
@SuppressWarnings("UnusedVariable") // written for the database, not read in Java
class SignIn {
    @Id
    private UUID id;

    private UUID personId;
    private Instant at;
    private String way;
    private boolean succeeded;
    private String browser;
    private String address;

    @SuppressWarnings("NullAway.Init")
    protected SignIn() {}

    SignIn(UUID person, SignInWay way, boolean succeeded, Clients.Client client, Instant now) {
        this.id = UUID.randomUUID();
        this.personId = person;
        this.way = way.key();
        this.succeeded = succeeded;
        this.browser = client.browser();
        this.address = client.address();
        this.at = now;
    }

    Shown shown() {
        return new Shown(at, SignInWay.of(way), succeeded, browser, address);
    }

    /** As the account's page shows it. */
    record Shown(Instant at, SignInWay way, boolean succeeded, String browser, String address) {}
}
