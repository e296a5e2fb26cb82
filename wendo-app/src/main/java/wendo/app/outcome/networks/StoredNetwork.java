package wendo.app.outcome.networks;

import jakarta.persistence.Column;
import jakarta.persistence.Entity;
import jakarta.persistence.Table;
import java.time.Instant;
import java.util.List;
import java.util.UUID;
import wendo.app.platform.business.BusinessEntity;
import wendo.core.links.SubIdForm;
import wendo.core.outcomes.OutcomeKind;

/** A partner network as it is kept. The address it reports to stays the same for ever. */
@Entity
@Table(name = "partner_network")
@SuppressWarnings("UnusedVariable") // written for the database, not read in Java
class StoredNetwork extends BusinessEntity {
    private String name;
    private UUID sourceId;
    private String pattern;
    private String parameter;
    private String alphabet;
    private int maxLength;
    private String kind;

    @Column(updatable = false)
    private String token;

    private String[] placeholders = {};
    private boolean pays;
    private int paysAfterDays;
    private boolean archived;
    private Instant changedAt;
    private String changedBy;

    @SuppressWarnings("NullAway.Init")
    protected StoredNetwork() {}

    @SuppressWarnings("NullAway.Init")
    StoredNetwork(String token) {
        super(UUID.randomUUID());
        this.token = token;
    }

    void become(NetworkForm.Checked typed, Instant now, String by) {
        this.name = typed.name();
        this.sourceId = typed.source();
        this.pattern = typed.pattern();
        this.parameter = typed.form().parameter();
        this.alphabet = typed.form().alphabet().key();
        this.maxLength = typed.form().maxLength();
        this.kind = typed.kind().key();
        this.placeholders = typed.placeholders().toArray(String[]::new);
        this.pays = typed.pay().pays();
        this.paysAfterDays = typed.pay().afterDays();
        changed(now, by);
    }

    void archive(boolean away, Instant now, String by) {
        this.archived = away;
        changed(now, by);
    }

    private void changed(Instant now, String by) {
        this.changedAt = now;
        this.changedBy = by;
    }

    Network network() {
        return new Network(
                id(),
                name,
                sourceId,
                pattern,
                new SubIdForm(parameter, SubIdForm.Alphabet.find(alphabet).orElseThrow(), maxLength),
                OutcomeKind.find(kind).orElseThrow(),
                token,
                List.of(placeholders),
                new Network.Pay(pays, paysAfterDays),
                archived);
    }
}
