package wendo.app.money.spend;

import java.util.ArrayList;
import java.util.HashMap;
import java.util.List;
import java.util.Map;
import java.util.UUID;
import org.springframework.jdbc.core.simple.JdbcClient;
import org.springframework.stereotype.Component;
import wendo.core.credit.Allocation;
import wendo.core.measure.Period;

/** How the sources of campaigns share what these cost. */
@Component
class CampaignShares {
    private final JdbcClient jdbc;

    CampaignShares(JdbcClient jdbc) {
        this.jdbc = jdbc;
    }

    private record Weight(UUID source, long copies, long visits) {
        long by(SharedBy rule) {
            return switch (rule) {
                case EQUALLY -> 1;
                case COPIES -> copies;
                case VISITS -> visits;
            };
        }
    }

    /** Each source's part of an amount, which add up to it; none if no link belongs to the campaign. */
    Map<UUID, Long> share(UUID campaign, SharedBy rule, long minor, Period period) {
        List<Weight> weights = weights(campaign, period);
        if (weights.isEmpty()) {
            return Map.of();
        }
        boolean tells = weights.stream().anyMatch(weight -> weight.by(rule) > 0);
        List<Long> parts = Allocation.split(
                minor,
                weights.stream().map(weight -> tells ? weight.by(rule) : 1L).toList());
        Map<UUID, Long> shares = new HashMap<>();
        for (int i = 0; i < parts.size(); i++) {
            shares.put(weights.get(i).source(), parts.get(i));
        }
        return shares;
    }

    private List<Weight> weights(UUID campaign, Period period) {
        return new ArrayList<>(jdbc.sql("""
                        select l.source_id, sum((select coalesce(sum(p.copies), 0) from placement p where p.link_id = l.id)),
                            sum((select coalesce(sum(v.visits), 0) from visit_sum v
                                where v.link_id = l.id and v.kind = 'person' and v.day >= :start and v.day < :end))
                        from link l where l.campaign_id = :campaign group by 1 order by 1
                        """)
                .param("campaign", campaign)
                .param("start", period.startInclusive())
                .param("end", period.endExclusive())
                .query((row, number) -> new Weight(row.getObject(1, UUID.class), row.getLong(2), row.getLong(3)))
                .list());
    }
}
