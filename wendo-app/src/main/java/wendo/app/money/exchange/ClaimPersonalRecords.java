package wendo.app.money.exchange;

import java.util.List;
import java.util.Map;
import org.springframework.jdbc.core.simple.JdbcClient;
import org.springframework.stereotype.Component;
import wendo.app.platform.privacy.KnownPerson;
import wendo.app.platform.privacy.PersonalQuery;
import wendo.app.platform.privacy.PersonalRecords;

/** What partners wrote about outcomes of customers when they claimed them. */
@Component
class ClaimPersonalRecords implements PersonalRecords {
    private static final PersonalQuery KEPT =
            PersonalQuery.of("""
            select s.name, c.reference, c.said, c.reason from partner_claim c join source s on s.id = c.partner_id
            join outcome o on o.kind = c.outcome_kind and o.reference_key = c.reference_key
            where o.id = any(:outcomes) and (c.said <> '' or c.reason <> '') order by c.made_at
            """, "money.partners.partner", "common.reference", "common.note", "common.reason");

    private final JdbcClient jdbc;
    private final PartnerClaimRepository repository;

    ClaimPersonalRecords(JdbcClient jdbc, PartnerClaimRepository repository) {
        this.jdbc = jdbc;
        this.repository = repository;
    }

    @Override
    public String heading() {
        return "money.exchange.claims";
    }

    @Override
    public List<Map<String, String>> find(KnownPerson person) {
        return KEPT.find(jdbc, person);
    }

    @Override
    public void erase(KnownPerson person) {
        repository.erase(person.outcomeArray());
    }
}
