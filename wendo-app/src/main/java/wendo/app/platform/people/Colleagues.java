package wendo.app.platform.people;

import java.util.HashMap;
import java.util.List;
import java.util.Map;
import java.util.Optional;
import java.util.UUID;
import org.springframework.context.ApplicationEventPublisher;
import org.springframework.jdbc.core.simple.JdbcClient;
import org.springframework.stereotype.Service;
import org.springframework.transaction.annotation.Transactional;
import wendo.app.platform.accounts.Accounts;
import wendo.app.platform.accounts.Colleague;
import wendo.app.platform.accounts.ColleagueLeft;
import wendo.app.platform.accounts.Role;
import wendo.app.platform.business.Businesses;

/** Takes people out of the business, and hands it on. */
@Service
class Colleagues {
    private final Accounts accounts;
    private final Businesses businesses;
    private final JdbcClient jdbc;
    private final ApplicationEventPublisher events;

    Colleagues(Accounts accounts, Businesses businesses, JdbcClient jdbc, ApplicationEventPublisher events) {
        this.accounts = accounts;
        this.businesses = businesses;
        this.jdbc = jdbc;
        this.events = events;
    }

    /** What somebody has that goes to somebody else when they leave. */
    record Owned(long leads, long links, long sources, long tasks) {
        public boolean isNothing() {
            return leads + links + sources + tasks == 0;
        }
    }

    @Transactional(readOnly = true)
    Owned owned(UUID person) {
        return jdbc.sql("""
                        select (select count(*) from lead where owner_id = :person and stage not in ('won', 'lost')),
                            (select count(*) from link where owner_id = :person),
                            (select count(*) from source where owner_id = :person),
                            (select count(*) from lead_task t join lead l on l.outcome_id = t.lead_id
                                where l.owner_id = :person and t.done_at is null)
                        """)
                .param("person", person)
                .query((row, number) -> new Owned(row.getLong(1), row.getLong(2), row.getLong(3), row.getLong(4)))
                .single();
    }

    /** Everything in one step: what was theirs is handed over, their keys and sessions end. False for the last owner. */
    @Transactional
    public boolean leave(UUID person, Optional<UUID> successor) {
        if (accounts.isLastOwner(person)) {
            return false;
        }
        events.publishEvent(new ColleagueLeft(person, successor));
        return accounts.leave(person);
    }

    @Transactional
    public void handOn(UUID to, UUID from) {
        accounts.change(to, Role.OWNER);
        if (!to.equals(from)) {
            accounts.change(from, Role.MANAGER);
        }
    }

    boolean needsSecondFactor() {
        return businesses.needsSecondFactor();
    }

    @Transactional
    public void needSecondFactor(boolean needed) {
        businesses.needSecondFactor(needed);
    }

    /** Who has one. */
    Map<UUID, Boolean> secondFactors(List<Colleague> colleagues) {
        Map<UUID, Boolean> has = new HashMap<>();
        colleagues.forEach(one -> has.put(one.id(), accounts.hasSecondFactor(one.id())));
        return Map.copyOf(has);
    }
}
