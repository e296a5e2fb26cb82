package wendo.app.place.subscribers;

import java.util.List;
import java.util.Map;
import org.springframework.jdbc.core.simple.JdbcClient;
import org.springframework.stereotype.Component;
import wendo.app.platform.privacy.KnownPerson;
import wendo.app.platform.privacy.PersonalQuery;
import wendo.app.platform.privacy.PersonalRecords;

/** Subscribers to newsletters. */
@Component
class SubscriberPersonalRecords implements PersonalRecords {
    private static final PersonalQuery KEPT = PersonalQuery.of(
            """
            select u.email, to_char(u.subscribed_at at time zone 'UTC', 'YYYY-MM-DD HH24:MI') || ' UTC',
                coalesce(l.name, ''), array_to_string(u.labels, ', '), coalesce((
                    select string_agg(n.name || ': ' || to_char(m.asked_at at time zone 'UTC', 'YYYY-MM-DD HH24:MI') || ' UTC'
                        || coalesce(' – ' || to_char(m.left_at at time zone 'UTC', 'YYYY-MM-DD HH24:MI') || ' UTC', ''),
                        '; ' order by n.name)
                    from list_member m join newsletter_list n on n.id = m.list_id where m.subscriber_id = u.id), '')
            from subscriber u left join link l on l.id = u.link_id
            where lower(u.email) = any(:contacts)
            union all
            select r.email, to_char(r.asked_at at time zone 'UTC', 'YYYY-MM-DD HH24:MI') || ' UTC', coalesce(l.name, ''),
                array_to_string(r.labels, ', '), n.name || ' …'
            from join_request r join newsletter_list n on n.id = r.list_id left join link l on l.id = r.link_id
            where lower(r.email) = any(:contacts) and r.confirmed_at is null
            order by 2
            """, "common.e-mail", "common.when", "common.link", "common.labels", "place.subscribers.lists");

    private final JdbcClient jdbc;
    private final SubscriberRepository repository;
    private final JoinRequestRepository requests;

    SubscriberPersonalRecords(JdbcClient jdbc, SubscriberRepository repository, JoinRequestRepository requests) {
        this.jdbc = jdbc;
        this.repository = repository;
        this.requests = requests;
    }

    @Override
    public String heading() {
        return "common.subscribers";
    }

    @Override
    public List<Map<String, String>> find(KnownPerson person) {
        return KEPT.find(jdbc, person);
    }

    @Override
    public void erase(KnownPerson person) {
        requests.erase(person.contactArray());
        repository.erase(person.contactArray());
    }
}
