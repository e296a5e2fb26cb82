package wendo.app.desk.demo;

import org.springframework.jdbc.core.simple.JdbcClient;
import org.springframework.stereotype.Component;

/** What leads of the season were sent, and what they answered: most of it went out, some failed or was stopped. */
@Component
class DemoFollowUp {
    private final JdbcClient jdbc;

    DemoFollowUp(JdbcClient jdbc) {
        this.jdbc = jdbc;
    }

    /** Runs in the business's scope, once. */
    void tell() {
        jdbc.sql("""
                        insert into outgoing (id, business_id, lead_id, purpose, place, road, recipient, subject, body, due_at, state,
                            tries, sent_at, said, kept_at, needs)
                        select md5('first ' || l.outcome_id)::uuid, l.business_id, l.outcome_id, 'plan', 0, 'email', o.email,
                            'Your day on the water, ' || split_part(o.name, ' ', 1),
                            'Hello ' || split_part(o.name, ' ', 1) || E',\\n\\nthank you for asking. Which day would suit you?\\n\\nMaren',
                            l.arrived_at + interval '20 minutes', c.state, 1,
                            case c.state when 'sent' then l.arrived_at + interval '21 minutes' end,
                            case c.state when 'failed' then 'There is no such address.' when 'stopped' then 'They rang us.' else '' end,
                            l.arrived_at, ''
                        from lead l join outcome o on o.id = l.outcome_id
                        cross join lateral (select case ('x' || substr(md5(o.reference), 8, 2))::bit(8)::int % 12
                            when 0 then 'failed' when 1 then 'stopped' else 'sent' end as state) c
                        where l.arrived_at < now() - interval '2 days' and o.email <> ''
                        """).update();
        jdbc.sql("""
                        insert into answer_received
                        select gen_random_uuid(), l.business_id, md5('first ' || l.outcome_id)::uuid, l.outcome_id,
                            (array['Saturday would suit us best. There are nine of us.', 'Do you have a date in the week?',
                                'Thank you, we have found something else.'])[1 + ('x' || substr(md5(o.reference), 10, 2))::bit(8)::int % 3],
                            l.arrived_at + interval '5 hours'
                        from lead l join outcome o on o.id = l.outcome_id
                        where l.arrived_at < now() - interval '2 days' and o.email <> ''
                            and ('x' || substr(md5(o.reference), 8, 2))::bit(8)::int % 12 in (2, 3)
                        """).update();
    }
}
