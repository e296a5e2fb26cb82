package wendo.app.place;

import java.sql.Timestamp;
import java.time.Clock;
import java.time.LocalDate;
import java.util.List;
import java.util.Optional;
import java.util.UUID;
import org.springframework.jdbc.core.simple.JdbcClient;
import org.springframework.stereotype.Service;
import org.springframework.transaction.annotation.Transactional;
import wendo.app.business.BusinessScope;
import wendo.app.links.LinkListed;
import wendo.app.spend.Spends;
import wendo.core.measure.LumpSpend;
import wendo.core.measure.Period;
import wendo.core.measure.Rate;

/** The record of where links were put out. What has a price becomes spend of the link's source. */
@Service
class Placements {
    private static final int MAX_SPEND_NOTE = 200;

    private final JdbcClient jdbc;
    private final Spends spends;
    private final Clock clock;

    Placements(JdbcClient jdbc, Spends spends, Clock clock) {
        this.jdbc = jdbc;
        this.spends = spends;
        this.clock = clock;
    }

    /** @param costMinor what it cost in all, while that stands in Spend */
    record Listed(
            UUID id,
            String place,
            LocalDate placedOn,
            LocalDate endsOn,
            Optional<Long> copies,
            Optional<Long> costMinor,
            String note,
            String by) {}

    /** People since the first placement, of all copies and recipients. */
    record Response(Rate rate, LocalDate since) {}

    @Transactional
    void add(LinkListed link, PlacementForm.Placement placement, String by) {
        Optional<Long> cost = placement
                .price()
                .flatMap(price -> placement.copies().map(price::times))
                .filter(amount -> amount > 0);
        String note = "%s: %s".formatted(link.name(), placement.place());
        Optional<UUID> spend = cost.map(amount -> spends.enter(
                link.belongs().source(),
                link.id(),
                new LumpSpend(amount, Period.ofDays(placement.placedOn(), placement.endsOn())),
                note.length() <= MAX_SPEND_NOTE ? note : note.substring(0, MAX_SPEND_NOTE),
                by));
        jdbc.sql("""
                        insert into placement (id, business_id, link_id, place, placed_on, ends_on, copies,
                            unit_price_millis, spend_id, note, created_at, created_by)
                        values (?, ?, ?, ?, ?, ?, ?, ?, ?, ?, ?, ?)
                        """)
                .params(UUID.randomUUID(), BusinessScope.current().value(), link.id(), placement.place())
                .params(placement.placedOn(), placement.endsOn())
                .param(placement.copies().orElse(null))
                .param(placement.price().map(price -> price.millis()).orElse(null))
                .param(spend.orElse(null))
                .params(placement.note(), Timestamp.from(clock.instant()), by)
                .update();
    }

    /** Takes its cost out of Spend along with it. */
    @Transactional
    boolean remove(UUID link, UUID id) {
        Optional<UUID> spend = jdbc.sql(
                        "select spend_id from placement where id = ? and link_id = ? and spend_id is not null")
                .params(id, link)
                .query(UUID.class)
                .optional();
        int removed = jdbc.sql("delete from placement where id = ? and link_id = ?")
                .params(id, link)
                .update();
        spend.ifPresent(spends::remove);
        return removed == 1;
    }

    /** Newest first. */
    @Transactional(readOnly = true)
    List<Listed> list(UUID link) {
        return jdbc.sql("""
                        select p.id, p.place, p.placed_on, p.ends_on, p.copies, e.amount_minor, p.note, p.created_by
                        from placement p left join spend e on e.id = p.spend_id and e.removed_at is null
                        where p.link_id = ? order by p.placed_on desc, p.created_at desc
                        """)
                .param(link)
                .query((row, number) -> new Listed(
                        row.getObject(1, UUID.class),
                        row.getString(2),
                        row.getObject(3, LocalDate.class),
                        row.getObject(4, LocalDate.class),
                        Optional.ofNullable(row.getObject(5, Long.class)),
                        Optional.ofNullable(row.getObject(6, Long.class)),
                        row.getString(7),
                        row.getString(8)))
                .list();
    }

    /** Empty until copies or recipients are known. */
    @Transactional(readOnly = true)
    Optional<Response> response(UUID link) {
        return jdbc.sql("""
                        with placed as (
                            select sum(copies) as copies, min(placed_on) as since from placement
                            where link_id = :link and copies is not null)
                        select copies, since, (
                            select coalesce(sum(people), 0) from visit_person_sum
                            where scope = 'link' and scope_id = :link and counted and day >= since
                                and day_before < since)
                        from placed where copies > 0
                        """)
                .param("link", link)
                .query((row, number) ->
                        new Response(new Rate(row.getLong(3), row.getLong(1)), row.getObject(2, LocalDate.class)))
                .optional();
    }
}
