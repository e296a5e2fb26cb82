package wendo.app.credit;

import java.util.List;
import java.util.Map;
import org.springframework.jdbc.core.simple.JdbcClient;
import org.springframework.stereotype.Component;
import wendo.app.platform.privacy.KnownPerson;
import wendo.app.platform.privacy.PersonalQuery;
import wendo.app.platform.privacy.PersonalRecords;

/** By what somebody is recognised as one person. */
@Component
class IdentityPersonalRecords implements PersonalRecords {
    private static final PersonalQuery KEPT =
            PersonalQuery.of("""
            select i.kind, i.key from identity i
            where i.kind in ('email', 'phone') and lower(i.key) = any(:contacts) order by i.kind, i.key
            """, "platform.privacy.kind", "platform.privacy.recognised-by");

    private final JdbcClient jdbc;
    private final CreditRuleRepository repository;

    IdentityPersonalRecords(JdbcClient jdbc, CreditRuleRepository repository) {
        this.jdbc = jdbc;
        this.repository = repository;
    }

    @Override
    public String heading() {
        return "platform.privacy.recognised";
    }

    @Override
    public List<Map<String, String>> find(KnownPerson person) {
        return KEPT.find(jdbc, person);
    }

    @Override
    public void erase(KnownPerson person) {
        repository.eraseIdentities(person.contactArray());
        repository.eraseClues(person.outcomeArray());
    }
}
