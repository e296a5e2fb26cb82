package wendo.app.money.partners;

import java.util.List;
import java.util.Map;
import org.springframework.jdbc.core.simple.JdbcClient;
import org.springframework.stereotype.Component;
import wendo.app.platform.privacy.KnownPerson;
import wendo.app.platform.privacy.PersonalQuery;
import wendo.app.platform.privacy.PersonalRecords;

/** People whom the business talks to at partners. What a partner earned stays, and so does how it is paid. */
@Component
class PartnerPersonalRecords implements PersonalRecords {
    private static final PersonalQuery KEPT = PersonalQuery.of(
            """
            select s.name, p.contact, p.email, p.phone, p.note from partner p join source s on s.id = p.id
            where (p.phone = any(:contacts) or lower(p.email) = any(:contacts)) order by s.name
            """, "money.partners.partner", "common.name", "common.e-mail", "common.phone", "common.note");

    private final JdbcClient jdbc;
    private final PartnerRepository repository;

    PartnerPersonalRecords(JdbcClient jdbc, PartnerRepository repository) {
        this.jdbc = jdbc;
        this.repository = repository;
    }

    @Override
    public String heading() {
        return "money.partners.contacts";
    }

    @Override
    public List<Map<String, String>> find(KnownPerson person) {
        return KEPT.find(jdbc, person);
    }

    @Override
    public void erase(KnownPerson person) {
        repository.erase(person.contacts());
    }
}
