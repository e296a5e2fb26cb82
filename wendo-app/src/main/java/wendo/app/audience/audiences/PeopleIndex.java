package wendo.app.audience.audiences;

import java.util.List;
import java.util.UUID;
import org.springframework.jdbc.core.simple.JdbcClient;
import org.springframework.stereotype.Component;
import org.springframework.transaction.annotation.Transactional;
import wendo.app.platform.business.BusinessId;
import wendo.app.platform.business.BusinessScope;

/**
 * The people who can be written to, each once, by all that they are known by. A contact belongs to the person whom its
 * outcomes were joined to; a phone number without any, to the e-mail address that stands beside it in a list; else to a
 * person of its own. What changes is noted as due, in the transaction that changes it, and looked at soon after.
 */
@Component
class PeopleIndex {
    /** More rounds than a chain of lists needs; what lies beyond is looked at when it changes itself. */
    private static final int MOST_ROUNDS = 5;

    /** From so many on the database has to look at its tables first: a plan that knows nothing of them takes minutes. Ours. */
    private static final int MANY = 2_000;

    private final JdbcClient jdbc;
    private final BusinessScope scope;

    PeopleIndex(JdbcClient jdbc, BusinessScope scope) {
        this.jdbc = jdbc;
        this.scope = scope;
    }

    /** Notes that something of these contacts has changed. */
    void note(List<String> contacts) {
        jdbc.sql("""
                        insert into audience_due (business_id, contact)
                        select :business, contact from unnest(cast(:contacts as text[])) as c (contact)
                        where contact <> '' order by contact on conflict do nothing
                        """)
                .param("business", business())
                .param("contacts", contacts.stream().distinct().toArray(String[]::new))
                .update();
    }

    /** Notes those whose visits these are, if they are known. The owners are the businesses, one for each visit. */
    @Transactional
    void noteVisits(UUID[] owners, UUID[] clicks) {
        jdbc.sql("select door_audience_visits(?, ?)").params(owners, clicks).query(row -> {});
    }

    /** Notes those who reported these outcomes. */
    void noteOutcomes(List<UUID> outcomes) {
        jdbc.sql("""
                        insert into audience_due (business_id, contact)
                        select distinct :business, other.key
                        from trail t join identity own on own.id = t.identity_id
                        join identity other on other.person = own.person and other.%s
                        where t.outcome_id = any(cast(:outcomes as uuid[])) order by 2 on conflict do nothing
                        """.formatted(PeopleStatements.OF_CONTACTS))
                .param("business", business())
                .param("outcomes", outcomes.toArray(UUID[]::new))
                .update();
    }

    /** Notes whoever is not here yet, and whoever is known no more; once a night, for what no event told. */
    @Transactional
    void noteForgotten() {
        jdbc.sql(PeopleStatements.DUE_ANEW).param("business", business()).update();
        jdbc.sql("""
                        insert into audience_due (business_id, contact)
                        select :business, c.contact from audience_contact c join audience_visit v on v.person_id = c.person_id
                        where v.arrived_at < (select min(arrived_at) from visit)
                        on conflict do nothing
                        """).param("business", business()).update();
    }

    /**
     * Looks at contacts that are due.
     *
     * @return how many; 0 once none is due any more
     */
    @Transactional
    int refresh(int most) {
        jdbc.sql("select pg_advisory_xact_lock(hashtextextended('audiences ' || cast(? as text), 0))")
                .param(business())
                .query(row -> {});
        int taken = jdbc.sql("""
                        update audience_due set is_taken = true
                        where contact in (select contact from audience_due order by contact limit ?)
                        """).param(most).update();
        if (taken == 0) {
            return 0;
        }
        for (int round = 0, more = 1; more > 0 && round < MOST_ROUNDS; round++) {
            more = jdbc.sql(PeopleStatements.WIDEN)
                    .param("business", business())
                    .update();
        }
        PeopleStatements.STEPS.forEach(step -> jdbc.sql(step).update());
        if (taken >= MANY) {
            jdbc.sql("select analyze_audiences()").query(row -> {});
        }
        PeopleStatements.FACTS.forEach(
                step -> jdbc.sql(step).param("business", business()).update());
        jdbc.sql("delete from audience_due where is_taken").update();
        return taken;
    }

    /**
     * Looks at all that are due, each portion in a transaction of its own, so that what is noted meanwhile waits for one of
     * them at most.
     */
    int refreshAll(int portion) {
        BusinessId business = BusinessScope.current();
        int all = 0;
        int taken;
        do {
            taken = scope.within(business, () -> refresh(portion));
            all += taken;
        } while (taken > 0);
        return all;
    }

    /** Takes somebody out at once; what else they are known by is looked at anew, for it may bear their name. */
    void erase(String[] contacts) {
        jdbc.sql("""
                        insert into audience_due (business_id, contact)
                        select distinct :business, other.contact from audience_contact own
                        join audience_contact other on other.person_id = own.person_id
                        where own.contact = any(cast(:contacts as text[])) and other.contact <> all(cast(:contacts as text[]))
                        order by 2 on conflict do nothing
                        """).param("business", business()).param("contacts", contacts).update();
        jdbc.sql("""
                        with gone as (delete from audience_contact where contact = any(cast(? as text[])) returning person_id)
                        delete from audience_person p using gone where p.id = gone.person_id and not exists (
                            select from audience_contact c where c.person_id = p.id and c.contact <> all(cast(? as text[])))
                        """).params(contacts, contacts).update();
        jdbc.sql("delete from audience_due where contact = any(cast(? as text[]))")
                .param(contacts)
                .update();
    }

    private static UUID business() {
        return BusinessScope.current().value();
    }
}
