package wendo.app.audience.audiences;

import java.sql.ResultSet;
import java.sql.SQLException;
import java.sql.Timestamp;
import java.time.Instant;
import java.util.Iterator;
import java.util.List;
import java.util.Optional;
import java.util.UUID;
import java.util.function.Consumer;
import java.util.stream.Stream;
import org.springframework.jdbc.core.simple.JdbcClient;
import org.springframework.stereotype.Component;
import org.springframework.transaction.annotation.Transactional;
import wendo.app.platform.consent.ConsentPurpose;

/** Who is in an audience, how many they are, and how many of them agreed to be reached. */
@Component
class AudienceQueries {
    static final int EXAMPLES = 10;
    static final int PAGE = 50;

    /** What a person is shown with: where they can be reached, and what they did. */
    private static final String SHOWN = """
            select p.id, p.name,
                coalesce((select string_agg(c.contact, ', ' order by strpos(c.contact, '@') = 0, c.contact)
                    from audience_contact c where c.person_id = p.id), '') as contacts,
                (select count(*) from audience_visit v where v.person_id = p.id) as visits,
                (select max(v.arrived_at) from audience_visit v where v.person_id = p.id) as last_at,
                coalesce(did.outcomes, 0), coalesce(did.minor, 0)
            from %s p
            left join lateral (
                select count(*) as outcomes, sum(o.kept_minor) filter (where o.kind <> 'lead') as minor
                from identity i join trail t on t.identity_id = i.id join outcome o on o.id = t.outcome_id
                where i.person = p.identity_person and not o.is_proof and o.counts) did on true
            """;

    private final JdbcClient jdbc;

    AudienceQueries(JdbcClient jdbc) {
        this.jdbc = jdbc;
    }

    /** How many people there are, and how many of them may be reached in which way. */
    record Size(long people, long byEmail, long byText, long byAds) {}

    /**
     * Somebody of an audience.
     *
     * @param valueMinor of what they booked and bought, after refunds
     */
    record Somebody(
            long id,
            String name,
            String contacts,
            long visits,
            Optional<Instant> lastAt,
            long outcomes,
            long valueMinor) {}

    /** A contact that may be used for a purpose, with the name of who it belongs to. */
    record Reachable(long person, String name, String contact, Instant agreedAt) {}

    /** Who joined or left. */
    record Move(String name, String contacts, Instant at, boolean isJoined) {}

    @Transactional(readOnly = true)
    Size size(RuleSql.Where rule) {
        return rule.in(jdbc, """
                        select count(*), count(*) filter (where p.reach & :email <> 0),
                            count(*) filter (where p.reach & :text <> 0), count(*) filter (where p.reach & :ads <> 0)
                        from audience_person p where {rule}
                        """)
                .param("email", PeopleStatements.REACH.get(ConsentPurpose.EMAIL_NEWS.key()))
                .param("text", PeopleStatements.REACH.get(ConsentPurpose.TEXT_NEWS.key()))
                .param("ads", PeopleStatements.REACH.get(ConsentPurpose.ADVERTISING.key()))
                .query((row, number) -> new Size(row.getLong(1), row.getLong(2), row.getLong(3), row.getLong(4)))
                .single();
    }

    /** A few of them, whoever became known last first. */
    @Transactional(readOnly = true)
    List<Somebody> examples(RuleSql.Where rule) {
        return people(rule, EXAMPLES, 0);
    }

    @Transactional(readOnly = true)
    List<Somebody> page(RuleSql.Where rule, int page) {
        return people(rule, PAGE + 1, page * PAGE);
    }

    private List<Somebody> people(RuleSql.Where rule, int most, int from) {
        return rule.in(
                        jdbc,
                        SHOWN.formatted(
                                        "(select * from audience_person p where {rule} order by p.id desc limit :most offset :from)")
                                + "order by p.id desc")
                .param("most", most)
                .param("from", from)
                .query(AudienceQueries::somebody)
                .list();
    }

    /** Whoever of them agreed to this, each by the contact they agreed with last. */
    @Transactional(readOnly = true)
    public void eachReachable(RuleSql.Where rule, ConsentPurpose purpose, Consumer<Iterator<Reachable>> work) {
        try (Stream<Reachable> all = rule
                .in(jdbc, """
                        select distinct on (p.id) p.id, p.name, c.contact, r.given_at
                        from audience_person p join audience_contact c on c.person_id = p.id
                        join consent_record r on r.contact = c.contact and r.purpose = :purpose and r.withdrawn_at is null
                        where {rule} and not exists (select from opted_out o where o.contact = c.contact)
                                and not exists (select from unreachable u where u.contact = c.contact)
                        order by p.id, r.given_at desc, c.contact
                        """)
                .param("purpose", purpose.key())
                .query((row, number) -> new Reachable(
                        row.getLong(1),
                        row.getString(2),
                        row.getString(3),
                        row.getTimestamp(4).toInstant()))
                .stream()) {
            work.accept(all.iterator());
        }
    }

    /** Who came and went last. */
    @Transactional(readOnly = true)
    List<Move> moves(UUID audience, int most) {
        return jdbc.sql("""
                        select p.name, coalesce((select string_agg(c.contact, ', ' order by strpos(c.contact, '@') = 0, c.contact)
                            from audience_contact c where c.person_id = p.id), ''), m.at, m.joined
                        from (
                            (select person_id, joined_at as at, true as joined from audience_member
                                where audience_id = :audience order by joined_at desc limit :most)
                            union all
                            (select person_id, left_at, false from audience_member
                                where audience_id = :audience and left_at is not null order by left_at desc limit :most)) m
                        join audience_person p on p.id = m.person_id order by m.at desc, p.id desc limit :most
                        """)
                .param("audience", audience)
                .param("most", most)
                .query((row, number) -> new Move(
                        row.getString(1), row.getString(2), row.getTimestamp(3).toInstant(), row.getBoolean(4)))
                .list();
    }

    private static Somebody somebody(ResultSet row, int number) throws SQLException {
        return new Somebody(
                row.getLong(1),
                row.getString(2),
                row.getString(3),
                row.getLong(4),
                Optional.ofNullable(row.getTimestamp(5)).map(Timestamp::toInstant),
                row.getLong(6),
                row.getLong(7));
    }
}
