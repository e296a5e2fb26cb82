package wendo.app.money.registration;

import java.util.List;
import java.util.Map;
import org.springframework.jdbc.core.simple.JdbcClient;
import org.springframework.stereotype.Component;
import wendo.app.platform.privacy.KnownPerson;
import wendo.app.platform.privacy.PersonalQuery;
import wendo.app.platform.privacy.PersonalRecords;

/** Who would have liked to be a partner. */
@Component
class RegistrationPersonalRecords implements PersonalRecords {
    private static final PersonalQuery KEPT = PersonalQuery.of(
            """
            select r.name, r.contact, r.email, r.website, r.said from partner_registration r
            where lower(r.email) = any(:contacts) order by r.made_at
            """, "money.partners.partner", "common.name", "common.e-mail", "money.registration.website", "common.note");

    private final JdbcClient jdbc;
    private final PartnerRegistrationRepository repository;

    RegistrationPersonalRecords(JdbcClient jdbc, PartnerRegistrationRepository repository) {
        this.jdbc = jdbc;
        this.repository = repository;
    }

    @Override
    public String heading() {
        return "money.registration.title";
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
