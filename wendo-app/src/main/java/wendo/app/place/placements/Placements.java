package wendo.app.place.placements;

import java.time.Clock;
import java.time.LocalDate;
import java.util.List;
import java.util.Optional;
import java.util.UUID;
import org.springframework.jdbc.core.simple.JdbcClient;
import org.springframework.stereotype.Service;
import org.springframework.transaction.annotation.Transactional;
import wendo.app.issue.links.LinkListed;
import wendo.app.money.spend.Spends;
import wendo.app.platform.site.Limits;
import wendo.core.measure.LumpSpend;
import wendo.core.measure.Period;
import wendo.core.measure.Rate;

/** The record of where links were put out. What has a price becomes spend of the link's source. */
@Service
class Placements {
    private static final int MAX_SPEND_NOTE = Limits.SPEND_NOTE;

    private final JdbcClient jdbc;
    private final PlacementRepository repository;
    private final Spends spends;
    private final Clock clock;

    Placements(JdbcClient jdbc, PlacementRepository repository, Spends spends, Clock clock) {
        this.jdbc = jdbc;
        this.repository = repository;
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
                new Spends.LinkCost(
                        link.belongs().source(),
                        link.id(),
                        new LumpSpend(amount, Period.ofDays(placement.placedOn(), placement.endsOn()))),
                note.length() <= MAX_SPEND_NOTE ? note : note.substring(0, MAX_SPEND_NOTE),
                by));
        repository.save(new Placement(link.id(), placement, spend, clock.instant(), by));
    }

    /** Takes its cost out of Spend along with it. */
    @Transactional
    boolean remove(UUID link, UUID id) {
        Optional<Placement> placement = repository.findByIdAndLinkId(id, link);
        placement.ifPresent(repository::delete);
        placement.flatMap(Placement::spend).ifPresent(spends::remove);
        return placement.isPresent();
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
