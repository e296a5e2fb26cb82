package wendo.app.targets;

import java.sql.ResultSet;
import java.sql.SQLException;
import java.util.EnumMap;
import java.util.HashMap;
import java.util.Map;
import java.util.Optional;
import java.util.OptionalInt;
import java.util.UUID;
import org.springframework.jdbc.core.simple.JdbcClient;
import org.springframework.stereotype.Service;
import org.springframework.transaction.annotation.Transactional;
import wendo.app.business.BusinessScope;
import wendo.core.outcomes.OutcomeKind;

/** What the current business aims for, and what it aims for with single sources. */
@Service
public class Targets {
    private final JdbcClient jdbc;

    Targets(JdbcClient jdbc) {
        this.jdbc = jdbc;
    }

    /**
     * All that were set.
     *
     * @param bySource only of sources that have their own
     */
    public record All(Target business, Map<UUID, Target> bySource) {
        public static final All NONE = new All(Target.NONE, Map.of());

        public All {
            bySource = Map.copyOf(bySource);
        }

        public Target of(UUID source) {
            return bySource.getOrDefault(source, Target.NONE);
        }
    }

    @Transactional(readOnly = true)
    public All all() {
        Map<Optional<UUID>, Target> all = new HashMap<>();
        jdbc.sql("select source_id, lead_minor, booking_minor, purchase_minor, margin_percent from target")
                .query(row -> {
                    all.put(Optional.ofNullable(row.getObject(1, UUID.class)), target(row));
                });
        Target business = all.getOrDefault(Optional.empty(), Target.NONE);
        Map<UUID, Target> bySource = new HashMap<>();
        all.forEach((source, target) -> source.ifPresent(id -> bySource.put(id, target)));
        return new All(business, bySource);
    }

    private static Target target(ResultSet row) throws SQLException {
        Map<OutcomeKind, Long> ceilings = new EnumMap<>(OutcomeKind.class);
        for (OutcomeKind kind : OutcomeKind.values()) {
            long minor = row.getLong(kind.key() + "_minor");
            if (!row.wasNull()) {
                ceilings.put(kind, minor);
            }
        }
        int margin = row.getInt("margin_percent");
        return new Target(ceilings, row.wasNull() ? OptionalInt.empty() : OptionalInt.of(margin));
    }

    /** For a source, or without one for the business. None takes away what was set. */
    @Transactional
    public void set(Optional<UUID> source, Target target) {
        if (target.isNone()) {
            jdbc.sql("delete from target where source_id is not distinct from ?")
                    .param(source.orElse(null))
                    .update();
            return;
        }
        jdbc.sql("""
                        insert into target values (?, ?, ?, ?, ?, ?)
                        on conflict (business_id, source_id) do update set lead_minor = excluded.lead_minor,
                            booking_minor = excluded.booking_minor, purchase_minor = excluded.purchase_minor,
                            margin_percent = excluded.margin_percent
                        """)
                .param(BusinessScope.current().value())
                .param(source.orElse(null))
                .param(target.ceilingMinor(OutcomeKind.LEAD).orElse(null))
                .param(target.ceilingMinor(OutcomeKind.BOOKING).orElse(null))
                .param(target.ceilingMinor(OutcomeKind.PURCHASE).orElse(null))
                .param(
                        target.marginPercent().isPresent()
                                ? target.marginPercent().getAsInt()
                                : null)
                .update();
    }
}
