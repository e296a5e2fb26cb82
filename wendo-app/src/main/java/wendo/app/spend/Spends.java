package wendo.app.spend;

import java.sql.Timestamp;
import java.time.Clock;
import java.time.LocalDate;
import java.util.ArrayList;
import java.util.Comparator;
import java.util.List;
import java.util.Map;
import java.util.Optional;
import java.util.UUID;
import java.util.stream.Collectors;
import org.springframework.jdbc.core.simple.JdbcClient;
import org.springframework.stereotype.Service;
import org.springframework.transaction.annotation.Transactional;
import wendo.app.business.BusinessScope;
import wendo.core.links.Channel;
import wendo.core.measure.LumpSpend;
import wendo.core.measure.Period;

/** What sources cost. */
@Service
public class Spends {
    private final JdbcClient jdbc;
    private final SpendQueries queries;
    private final CampaignShares shares;
    private final Clock clock;

    Spends(JdbcClient jdbc, SpendQueries queries, CampaignShares shares, Clock clock) {
        this.jdbc = jdbc;
        this.queries = queries;
        this.shares = shares;
        this.clock = clock;
    }

    /** An amount for some days, for a source as a whole. */
    @Transactional
    public UUID enter(UUID source, LumpSpend lump, String note, String enteredBy) {
        return enter(Cost.of(source, Optional.empty(), lump, note), enteredBy);
    }

    /** An amount for some days, for one link of a source. */
    @Transactional
    public UUID enter(UUID source, UUID link, LumpSpend lump, String note, String enteredBy) {
        return enter(Cost.of(source, Optional.of(link), lump, note), enteredBy);
    }

    @Transactional
    UUID enter(Cost cost, String enteredBy) {
        UUID id = UUID.randomUUID();
        written(jdbc.sql("""
                        insert into spend (id, business_id, source_id, link_id, campaign_id, shared_by, way, amount_minor,
                            unit_millis, first_day, last_day, note, created_at, created_by)
                        values (:id, :business, :source, :link, :campaign, :sharedBy, :way, :amount, :price, :first, :last, :note,
                            :at, :by)
                        """), cost)
                .param("id", id)
                .param("business", BusinessScope.current().value())
                .param("link", cost.link().orElse(null))
                .param("at", Timestamp.from(clock.instant()))
                .param("by", enteredBy)
                .update();
        return id;
    }

    private static JdbcClient.StatementSpec written(JdbcClient.StatementSpec statement, Cost cost) {
        return statement
                .param("source", cost.source().orElse(null))
                .param("campaign", cost.campaign().orElse(null))
                .param("sharedBy", cost.sharedBy().map(SharedBy::key).orElse(""))
                .param("way", cost.way().key())
                .param("amount", cost.amountMinor())
                .param("price", cost.price().millis())
                .param("first", cost.firstDay())
                .param("last", cost.lastDay().orElse(null))
                .param("note", cost.note());
    }

    /** @param said what the entry said until now, which is kept */
    @Transactional
    void correct(UUID id, Cost cost, String said, String by) {
        written(jdbc.sql("""
                        update spend set source_id = :source, campaign_id = :campaign, shared_by = :sharedBy, way = :way,
                            amount_minor = :amount, unit_millis = :price, first_day = :first, last_day = :last, note = :note,
                            link_id = case when source_id = :source then link_id end
                        where id = :id
                        """), cost).param("id", id).update();
        jdbc.sql("insert into spend_correction values (?, ?, ?, ?, ?)")
                .params(BusinessScope.current().value(), id, said, Timestamp.from(clock.instant()), by)
                .update();
    }

    /** It counts no more; it can be put back. */
    @Transactional
    public boolean remove(UUID id) {
        return jdbc.sql("update spend set removed_at = ? where id = ? and removed_at is null")
                        .params(Timestamp.from(clock.instant()), id)
                        .update()
                == 1;
    }

    @Transactional
    boolean putBack(UUID id) {
        return jdbc.sql("update spend set removed_at = null where id = ? and removed_at is not null")
                        .param(id)
                        .update()
                == 1;
    }

    /**
     * What of a spend falls in a period, for a source.
     *
     * @param link if it was spent on this link of it alone
     * @param campaign if it is a source's share of what this campaign cost
     * @param firstDay of the period that it is for
     */
    public record Part(UUID source, Optional<UUID> link, Optional<UUID> campaign, LocalDate firstDay, long minor) {}

    @Transactional(readOnly = true)
    public List<Part> parts(Period period) {
        List<Part> parts = new ArrayList<>();
        for (SpendQueries.Row row : queries.list(period)) {
            Cost cost = row.cost();
            LocalDate first =
                    cost.firstDay().isBefore(period.startInclusive()) ? period.startInclusive() : cost.firstDay();
            cost.source()
                    .ifPresent(source ->
                            parts.add(new Part(source, cost.link(), Optional.empty(), first, row.inPeriodMinor())));
            cost.campaign()
                    .ifPresent(campaign -> shares.share(
                                    campaign, cost.sharedBy().orElse(SharedBy.EQUALLY), row.inPeriodMinor(), period)
                            .forEach((source, minor) -> parts.add(
                                    new Part(source, Optional.empty(), Optional.of(campaign), first, minor))));
        }
        return List.copyOf(parts);
    }

    /** The first day of the period that something was spent on a source; empty if nothing was. */
    @Transactional(readOnly = true)
    public Optional<LocalDate> firstDay(UUID source, Period period) {
        return parts(period).stream()
                .filter(part -> part.source().equals(source) && part.minor() > 0)
                .map(Part::firstDay)
                .min(Comparator.naturalOrder());
    }

    /** A source that people came by, and that nothing is entered for. */
    public record Missing(UUID source, String name, Channel channel, long people) {}

    /** Most people first. */
    @Transactional(readOnly = true)
    public List<Missing> missing(Period period) {
        return queries.missing(period, List.copyOf(bySource(period).keySet()));
    }

    /** What of each source's spend falls in the period, in minor units. A source without any is absent. */
    @Transactional(readOnly = true)
    public Map<UUID, Long> bySource(Period period) {
        return parts(period).stream().collect(Collectors.groupingBy(Part::source, Collectors.summingLong(Part::minor)));
    }
}
