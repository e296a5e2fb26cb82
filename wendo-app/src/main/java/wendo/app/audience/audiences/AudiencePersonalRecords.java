package wendo.app.audience.audiences;

import java.util.List;
import java.util.Map;
import org.springframework.jdbc.core.simple.JdbcClient;
import org.springframework.stereotype.Component;
import wendo.app.platform.privacy.KnownPerson;
import wendo.app.platform.privacy.PersonalQuery;
import wendo.app.platform.privacy.PersonalRecords;

/** The audiences that somebody belongs to, or did. */
@Component
class AudiencePersonalRecords implements PersonalRecords {
    private static final PersonalQuery KEPT = PersonalQuery.of(
            """
            select distinct p.name, c.contact, coalesce(a.name, ''), coalesce(m.joined_at::text, ''), coalesce(m.left_at::text, '')
            from audience_contact c join audience_person p on p.id = c.person_id
            left join audience_member m on m.person_id = p.id left join audience a on a.id = m.audience_id
            where c.contact = any(:contacts) order by 2, 3, 4
            """,
            "common.name",
            "audience.audiences.contact",
            "audience.audiences.audience",
            "audience.audiences.joined",
            "audience.audiences.left");

    private final JdbcClient jdbc;
    private final PeopleIndex people;

    AudiencePersonalRecords(JdbcClient jdbc, PeopleIndex people) {
        this.jdbc = jdbc;
        this.people = people;
    }

    @Override
    public String heading() {
        return "audience.audiences.audiences";
    }

    @Override
    public List<Map<String, String>> find(KnownPerson person) {
        return KEPT.find(jdbc, person);
    }

    @Override
    public void erase(KnownPerson person) {
        people.erase(person.contactArray());
    }
}
