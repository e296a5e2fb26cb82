package wendo.app.audience.visitortags;

import java.util.List;
import java.util.Map;
import org.springframework.jdbc.core.simple.JdbcClient;
import org.springframework.stereotype.Component;
import wendo.app.platform.privacy.KnownPerson;
import wendo.app.platform.privacy.PersonalQuery;
import wendo.app.platform.privacy.PersonalRecords;

/** What somebody answered on the visits that their outcomes came from; other visits are nobody's by name. */
@Component
class VisitorConsentPersonalRecords implements PersonalRecords {
    private static final PersonalQuery KEPT = PersonalQuery.of(
            """
            select c.words, c.answer, c.purposes, to_char(c.answered_at at time zone 'UTC', 'YYYY-MM-DD HH24:MI') || ' UTC', c.page
            from visitor_consent c where c.click_id in (select o.click_id from outcome o where o.id = any(:outcomes))
            order by c.answered_at
            """,
            "platform.consent.words",
            "audience.visitortags.answer",
            "common.purpose",
            "common.when",
            "common.page");

    private final JdbcClient jdbc;
    private final VisitorConsentRepository repository;

    VisitorConsentPersonalRecords(JdbcClient jdbc, VisitorConsentRepository repository) {
        this.jdbc = jdbc;
        this.repository = repository;
    }

    @Override
    public String heading() {
        return "audience.visitortags.visitor-tags";
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
