package wendo.app.prepare.campaigns;

import jakarta.persistence.EntityManager;
import java.time.Clock;
import java.time.LocalDate;
import java.util.List;
import java.util.Optional;
import java.util.UUID;
import org.springframework.jdbc.core.simple.JdbcClient;
import org.springframework.stereotype.Service;
import org.springframework.transaction.annotation.Transactional;
import wendo.app.platform.business.EditedVersion;
import wendo.app.platform.site.Limits;
import wendo.app.platform.site.RibbonLayer;
import wendo.app.platform.site.Texts;
import wendo.core.links.Tag;
import wendo.core.measure.Period;

/** The campaigns of the current business, newest first. */
@Service
public class Campaigns implements RibbonLayer {
    static final int MAX_NAME = Limits.NAME;

    private final CampaignRepository repository;
    private final EntityManager entities;
    private final JdbcClient jdbc;
    private final Clock clock;

    Campaigns(CampaignRepository repository, EntityManager entities, JdbcClient jdbc, Clock clock) {
        this.repository = repository;
        this.entities = entities;
        this.jdbc = jdbc;
        this.clock = clock;
    }

    @Transactional(readOnly = true)
    public List<CampaignListed> list() {
        return repository.findAllByOrderByCreatedAtDesc().stream()
                .filter(campaign -> !campaign.isArchived())
                .map(Campaign::listed)
                .toList();
    }

    /** Why this cannot be the name of a campaign, if it cannot. */
    public static Optional<String> refusal(String name) {
        if (!Tag.isPossible(name)) {
            return Optional.of(Texts.of("prepare.campaigns.choose-a-campaign-or-type"));
        }
        return name.strip().length() > MAX_NAME
                ? Optional.of(Texts.of(
                        "prepare.campaigns.a-name-may-have-characters",
                        MAX_NAME,
                        name.strip().length()))
                : Optional.empty();
    }

    /** The existing campaign of this spelling, back in use if it was archived, or a new one. */
    @Transactional
    public CampaignListed findOrCreate(String name) {
        Optional<Campaign> known = repository.findByTag(Tag.of(name).value());
        known.ifPresent(Campaign::restore);
        return known.map(Campaign::listed).orElseGet(() -> create(name).listed());
    }

    private Campaign create(String name) {
        Campaign campaign = new Campaign(name.strip(), clock.instant());
        entities.persist(campaign);
        entities.flush();
        return campaign;
    }

    /** A name whose tag another campaign has is refused by its unique key. */
    @Transactional
    void add(CampaignForm.Checked form) {
        create(form.name()).describe(form);
    }

    @Transactional(readOnly = true)
    int version(UUID id) {
        return repository.findById(id).map(Campaign::version).orElse(0);
    }

    @Transactional(readOnly = true)
    Optional<CampaignForm.Checked> find(UUID id) {
        return repository.findById(id).map(Campaign::described);
    }

    @Transactional
    void describe(UUID id, EditedVersion edited, CampaignForm.Checked form) {
        Campaign campaign = repository.findById(id).orElseThrow();
        campaign.mustStillBe(edited);
        campaign.describe(form);
    }

    @Transactional
    void archive(UUID id, boolean away) {
        Campaign campaign = repository.findById(id).orElseThrow();
        if (away) {
            campaign.archive(clock.instant());
        } else {
            campaign.restore();
        }
    }

    /** Sets the days that a campaign runs, both included. */
    @Transactional
    public void schedule(CampaignListed campaign, LocalDate first, LocalDate last) {
        repository.findByTag(campaign.tag().value()).orElseThrow().runFrom(first, last);
    }

    @Override
    public List<Span> campaigns(Period period) {
        return jdbc.sql("""
                        select name, starts_on, ends_on from campaign
                        where starts_on < ? and ends_on >= ?
                        order by starts_on, name
                        """)
                .params(period.endExclusive(), period.startInclusive())
                .query((row, number) -> new Span(
                        row.getString(1), row.getObject(2, LocalDate.class), row.getObject(3, LocalDate.class)))
                .list();
    }
}
