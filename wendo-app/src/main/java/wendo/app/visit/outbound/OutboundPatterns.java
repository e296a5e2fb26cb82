package wendo.app.visit.outbound;

import java.sql.Timestamp;
import java.time.Clock;
import java.time.LocalDate;
import java.util.List;
import java.util.Map;
import java.util.Optional;
import java.util.OptionalDouble;
import java.util.OptionalLong;
import java.util.UUID;
import java.util.function.Function;
import java.util.stream.Collectors;
import org.springframework.jdbc.core.simple.JdbcClient;
import org.springframework.stereotype.Service;
import org.springframework.transaction.annotation.Transactional;
import wendo.app.platform.business.Business;
import wendo.core.measure.Period;
import wendo.core.visits.OutgoingPattern;

/** The patterns of a business, and what each is worth. */
@Service
class OutboundPatterns {
    /** What was measured within this many days, of outcomes at most this long after the click, is the average. */
    static final int MEASURED_DAYS = 90;

    static final int OUTCOME_WITHIN_DAYS = 30;

    private final JdbcClient jdbc;
    private final PatternRepository repository;
    private final PayingNetworks networks;
    private final Clock clock;

    OutboundPatterns(JdbcClient jdbc, PatternRepository repository, PayingNetworks networks, Clock clock) {
        this.jdbc = jdbc;
        this.repository = repository;
        this.networks = networks;
        this.clock = clock;
    }

    /** What one is worth: an amount, or what a visit to a network earns; if it is neither, what was measured counts. */
    record Worth(OptionalLong setMinor, Optional<UUID> network) {
        static final Worth MEASURED = new Worth(OptionalLong.empty(), Optional.empty());
    }

    /**
     * A pattern with what its links brought within the last 90 days.
     *
     * @param worth what the business says that one is worth
     * @param paying the network whose earnings count, if it is one that pays
     */
    record Kept(
            UUID id,
            String name,
            String pattern,
            Worth worth,
            Optional<PayingNetworks.Paying> paying,
            long clicks,
            long valueMinor) {

        /** What one is worth in minor units, not rounded; empty if there is nothing to measure it by. */
        public OptionalDouble worthMinor() {
            if (worth.network().isPresent()) {
                return paying.map(PayingNetworks.Paying::perVisitMinor).orElse(OptionalDouble.empty());
            }
            if (worth.setMinor().isPresent()) {
                return OptionalDouble.of(worth.setMinor().getAsLong());
            }
            return clicks == 0 ? OptionalDouble.empty() : OptionalDouble.of((double) valueMinor / clicks);
        }

        /** What so many are worth, rounded half up. */
        public OptionalLong worthMinor(long times) {
            OptionalDouble one = worthMinor();
            return one.isPresent() ? OptionalLong.of(Math.round(one.getAsDouble() * times)) : OptionalLong.empty();
        }
    }

    /** The networks that pay, with what their visits earned within the last 90 days. */
    @Transactional(readOnly = true)
    List<PayingNetworks.Paying> paying(Business business) {
        LocalDate today = business.today(clock);
        return networks.within(Period.ofDays(today.minusDays(MEASURED_DAYS - 1L), today), business.zone());
    }

    @Transactional(readOnly = true)
    List<Kept> all(Business business) {
        return repository.existsByWorthNetworkIdNotNull() ? all(paying(business)) : all(List.of());
    }

    /** @param networks those that pay, as {@link #paying} tells them */
    @Transactional(readOnly = true)
    List<Kept> all(List<PayingNetworks.Paying> networks) {
        Map<UUID, PayingNetworks.Paying> paying =
                networks.stream().collect(Collectors.toMap(PayingNetworks.Paying::id, Function.identity()));
        return jdbc.sql(OutboundQueries.MATCHED + """
                        , worth as (
                            select m.pattern_id, count(*) as clicks, coalesce(sum((
                                select sum(o.kept_minor) from outcome o
                                where o.visitor = m.visitor and o.kind <> 'lead' and not o.is_proof and o.counts
                                    and o.occurred_at > m.clicked_at
                                    and o.occurred_at <= m.clicked_at + make_interval(days => :within)
                                    and not exists (select from matched later
                                        where later.visitor = m.visitor and later.pattern_id = m.pattern_id
                                            and later.clicked_at > m.clicked_at and later.clicked_at < o.occurred_at))), 0)
                                as value_minor
                            from matched m group by 1)
                        select p.id, p.name, p.pattern, p.worth_minor, p.worth_network_id, coalesce(w.clicks, 0),
                            coalesce(w.value_minor, 0)
                        from outbound_pattern p left join worth w on w.pattern_id = p.id order by p.name, p.pattern
                        """)
                .param("from", Timestamp.from(clock.instant().minusSeconds(MEASURED_DAYS * 86_400L)))
                .param("to", Timestamp.from(clock.instant().plusSeconds(1)))
                .param("within", OUTCOME_WITHIN_DAYS)
                .query((row, number) -> {
                    Optional<UUID> network = Optional.ofNullable(row.getObject(5, UUID.class));
                    return new Kept(
                            row.getObject(1, UUID.class),
                            row.getString(2),
                            row.getString(3),
                            new Worth(
                                    row.getObject(4) == null ? OptionalLong.empty() : OptionalLong.of(row.getLong(4)),
                                    network),
                            network.map(paying::get),
                            row.getLong(6),
                            row.getLong(7));
                })
                .list();
    }

    /** A pattern that is there already is refused by its unique key. */
    @Transactional
    void add(String name, OutgoingPattern pattern, Worth worth, String by) {
        repository.save(new StoredPattern(name, pattern, worth, clock.instant(), by));
    }

    @Transactional
    void remove(UUID id) {
        repository.deleteById(id);
    }
}
