package wendo.app.desk.demo;

import java.sql.Timestamp;
import java.time.LocalDate;
import java.time.ZoneId;
import java.util.List;
import java.util.Optional;
import java.util.OptionalInt;
import org.springframework.jdbc.core.simple.JdbcClient;
import org.springframework.stereotype.Component;
import wendo.app.issue.links.Links;
import wendo.app.money.spend.Spends;
import wendo.app.money.targets.Target;
import wendo.app.money.targets.Targets;
import wendo.app.prepare.campaigns.CampaignListed;
import wendo.app.prepare.campaigns.Campaigns;
import wendo.app.prepare.sources.SourceListed;
import wendo.app.prepare.sources.Sources;
import wendo.core.measure.LumpSpend;
import wendo.core.measure.Period;
import wendo.simulation.MarramPoint;
import wendo.simulation.TrueSource;

/** The demo business's sources with their links and costs, its campaigns and targets. Runs in the business's scope. */
@Component
class DemoSetting {
    private final JdbcClient jdbc;
    private final Links links;
    private final Campaigns campaigns;
    private final Sources sources;
    private final Spends spends;
    private final Targets targets;

    DemoSetting(JdbcClient jdbc, Links links, Campaigns campaigns, Sources sources, Spends spends, Targets targets) {
        this.jdbc = jdbc;
        this.links = links;
        this.campaigns = campaigns;
        this.sources = sources;
        this.spends = spends;
        this.targets = targets;
    }

    void setUp(LocalDate firstDay, String siteOrigin) {
        for (TrueSource truth : MarramPoint.WORLD.sources()) {
            SourceListed source = sources.findOrCreate(truth.name(), truth.channel());
            truth.links().forEach(link -> issue(truth, link, siteOrigin));
            truth.costs().forEach(cost -> spends.enter(source.id(), lump(firstDay, cost), cost.note(), "Maren Holt"));
        }
        targets.set(
                Optional.empty(), new Target(MarramPoint.CEILINGS_MINOR, OptionalInt.of(MarramPoint.MARGIN_PERCENT)));
        schedule(firstDay);
    }

    /** All links were made shortly before the season, and are labelled by how they reach people. */
    void date(LocalDate firstDay, ZoneId zone) {
        jdbc.sql("""
                        update link l set created_at = ?, created_by = 'Maren Holt', labels = array[
                            case when s.channel in ('PRINT', 'PLACE') then 'Season/Print' when s.channel = 'PARTNER' then 'Harbour'
                                when s.channel in ('AD', 'SOCIAL') then 'Season/Online' else 'Season/Mailings' end]
                        from source s where s.id = l.source_id
                        """)
                .param(Timestamp.from(
                        firstDay.minusDays(3).atTime(10, 0).atZone(zone).toInstant()))
                .update();
        jdbc.sql("""
                        update link_destination d set changed_at = l.created_at, changed_by = l.created_by
                        from link l where l.id = d.link_id
                        """).update();
    }

    private void issue(TrueSource truth, TrueSource.Placed link, String siteOrigin) {
        Links.Issued issued = links.issue(
                siteOrigin + link.page(),
                link.campaign(),
                List.of(new Links.Wish(truth.name(), truth.channel(), link.slug())),
                "Maren Holt");
        if (issued instanceof Links.Issued.Refused refused) {
            throw new IllegalStateException(
                    "The demo's link %s was refused: %s".formatted(link.slug(), refused.faults()));
        }
    }

    private static LumpSpend lump(LocalDate firstDay, TrueSource.Cost cost) {
        LocalDate first = firstDay.plusWeeks(cost.firstWeek());
        return new LumpSpend(cost.amountMinor(), new Period(first, first.plusWeeks(cost.weeks())));
    }

    private void schedule(LocalDate firstDay) {
        for (CampaignListed campaign : campaigns.list()) {
            switch (campaign.name()) {
                case MarramPoint.OPENING -> campaigns.schedule(campaign, firstDay, firstDay.plusWeeks(9));
                case MarramPoint.SUMMER -> campaigns.schedule(campaign, firstDay.plusWeeks(5), firstDay.plusWeeks(18));
                case MarramPoint.AUTUMN -> campaigns.schedule(campaign, firstDay.plusWeeks(16), firstDay.plusWeeks(26));
                default -> {}
            }
        }
    }
}
