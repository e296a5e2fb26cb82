package wendo.app.money.partners;

import java.sql.ResultSet;
import java.sql.SQLException;
import java.time.Instant;
import java.time.LocalDate;
import java.util.List;
import java.util.Optional;
import java.util.UUID;
import org.springframework.jdbc.core.simple.JdbcClient;
import org.springframework.stereotype.Component;
import org.springframework.transaction.annotation.Transactional;
import wendo.app.platform.site.FilterValues;
import wendo.core.measure.Period;

/** The list of partners, and what belongs to one. */
@Component
public class PartnerQueries {
    private static final String ROWS = """
            select p.id, s.name, p.contact, p.email, p.ended_at is not null as is_ended,
                p.page_opened_at, p.payout, p.minimum_minor,
                coalesce(l.outcomes, 0) as outcomes, coalesce(l.earned, 0) as earned, coalesce(b.held, 0) as held,
                coalesce(b.settled, 0) - coalesce(m.paid, 0) as due, coalesce(m.paid, 0) as paid,
                (select count(*) from commission_review r where r.partner_id = p.id and r.state = 'open') as waiting
            from partner p join source s on s.id = p.id
            left join (select partner_id, count(distinct outcome_id) filter (where kind = 'earned') as outcomes, sum(minor) as earned
                from commission_line where day >= :start and day < :end group by 1) l on l.partner_id = p.id
            left join (select partner_id, sum(minor) filter (where minor > 0 and due_from > :today) as held,
                sum(minor) filter (where minor <= 0 or due_from <= :today) as settled
                from commission_line group by 1) b on b.partner_id = p.id
            left join (select partner_id, sum(amount_minor) as paid from partner_payment where state = 'paid' group by 1) m
                on m.partner_id = p.id
            """;

    private final JdbcClient jdbc;

    /** What is looked for, and whether in contacts too. */
    record Search(String text, boolean inContacts) {}

    PartnerQueries(JdbcClient jdbc) {
        this.jdbc = jdbc;
    }

    /** A partner, what it earned in a period, and what is owed to it today. */
    public record Row(
            UUID id,
            String name,
            String contact,
            String email,
            boolean isEnded,
            Optional<Instant> pageOpenedAt,
            String payout,
            long minimumMinor,
            long outcomes,
            long earnedMinor,
            long heldMinor,
            long dueMinor,
            long paidMinor,
            long waiting) {}

    /** @param find a part of a name, or of a contact for those who may see contacts; empty text for all */
    @Transactional(readOnly = true)
    List<Row> list(Search find, Period period, LocalDate today) {
        return jdbc.sql(ROWS + """
                        where lower(s.name || case when :contacts then ' ' || p.contact || ' ' || p.email else '' end) like :find
                        order by p.ended_at is not null, s.name
                        """)
                .param("find", "%" + FilterValues.needle(find.text()) + "%")
                .param("contacts", find.inContacts())
                .param("start", period.startInclusive())
                .param("end", period.endExclusive())
                .param("today", today)
                .query((row, number) -> row(row))
                .list();
    }

    @Transactional(readOnly = true)
    public Optional<Row> find(UUID partner, Period period, LocalDate today) {
        return jdbc.sql(ROWS + "where p.id = :id")
                .param("id", partner)
                .param("start", period.startInclusive())
                .param("end", period.endExclusive())
                .param("today", today)
                .query((row, number) -> row(row))
                .optional();
    }

    private static Row row(ResultSet row) throws SQLException {
        return new Row(
                row.getObject("id", UUID.class),
                row.getString("name"),
                row.getString("contact"),
                row.getString("email"),
                row.getBoolean("is_ended"),
                Optional.ofNullable(row.getTimestamp("page_opened_at")).map(java.sql.Timestamp::toInstant),
                row.getString("payout"),
                row.getLong("minimum_minor"),
                row.getLong("outcomes"),
                row.getLong("earned"),
                row.getLong("held"),
                row.getLong("due"),
                row.getLong("paid"),
                row.getLong("waiting"));
    }

    /** A link of a partner, with the people who came by it in a period. */
    public record OwnLink(UUID id, String name, String address, long people) {}

    @Transactional(readOnly = true)
    public List<OwnLink> links(UUID partner, Period period) {
        return jdbc.sql("""
                        select l.id, l.name, h.origin || '/' || l.slug, coalesce((
                            select sum(v.visits) from visit_sum v
                            where v.link_id = l.id and v.kind = 'person' and v.day >= :start and v.day < :end), 0)
                        from link l join link_host h on h.id = l.host_id
                        where l.source_id = :partner and l.archived_at is null order by l.name, l.id
                        """)
                .param("partner", partner)
                .param("start", period.startInclusive())
                .param("end", period.endExclusive())
                .query((row, number) ->
                        new OwnLink(row.getObject(1, UUID.class), row.getString(2), row.getString(3), row.getLong(4)))
                .list();
    }

    /** The codes that stand for a partner, as they are written. */
    @Transactional(readOnly = true)
    public List<String> codes(UUID partner) {
        return jdbc.sql("select shown from source_clue where source_id = ? and kind = 'code' order by shown")
                .param(partner)
                .query(String.class)
                .list();
    }

    /** An outcome to look at. */
    record Review(UUID id, int version, UUID outcome, String kind, String reference, String reason, String said) {}

    @Transactional(readOnly = true)
    List<Review> reviews(UUID partner) {
        return jdbc.sql("""
                        select r.id, r.version, r.outcome_id, o.kind, o.reference, r.reason, r.said
                        from commission_review r join outcome o on o.id = r.outcome_id
                        where r.partner_id = ? and r.state = 'open' order by r.found_at, r.id
                        """)
                .param(partner)
                .query((row, number) -> new Review(
                        row.getObject(1, UUID.class),
                        row.getInt(2),
                        row.getObject(3, UUID.class),
                        row.getString(4),
                        row.getString(5),
                        row.getString(6),
                        row.getString(7)))
                .list();
    }
}
