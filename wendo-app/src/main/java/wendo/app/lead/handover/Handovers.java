package wendo.app.lead.handover;

import java.util.List;
import java.util.Optional;
import java.util.UUID;
import java.util.stream.Stream;
import org.springframework.jdbc.core.simple.JdbcClient;
import org.springframework.stereotype.Service;
import org.springframework.transaction.annotation.Transactional;
import wendo.app.platform.business.BusinessScope;
import wendo.app.platform.business.EditedVersion;
import wendo.app.platform.site.Texts;

/** The handovers of a business, and the hours in which messages may go out. */
@Service
class Handovers {
    private final JdbcClient jdbc;
    private final HandoverRepository repository;

    Handovers(JdbcClient jdbc, HandoverRepository repository) {
        this.jdbc = jdbc;
        this.repository = repository;
    }

    /** One of the list: {@code name} is the campaign's, source's or link's. */
    record Listed(Reach reach, UUID id, String name, String ownerIs, String owner, String plan, String partner) {}

    /** A handover as it was set, with its version. */
    record Stored(int version, Handover handover) {}

    @Transactional(readOnly = true)
    List<Listed> list() {
        return jdbc.sql("""
                        select h.reach, h.reach_id, coalesce(c.name, s.name, l.name, ''), h.owner_is,
                            coalesce(p.name, r.name, ''), coalesce(f.name, ''), h.partner
                        from handover h
                        left join campaign c on h.reach = 'campaign' and c.id = h.reach_id
                        left join source s on h.reach = 'source' and s.id = h.reach_id
                        left join link l on h.reach = 'link' and l.id = h.reach_id
                        left join person p on p.id = h.person_id
                        left join round r on r.id = h.round_id
                        left join follow_up_plan f on f.id = h.plan_id
                        order by h.reach = 'business' desc, h.reach, 3
                        """)
                .query((row, number) -> new Listed(
                        Reach.find(row.getString(1)).orElseThrow(),
                        row.getObject(2, UUID.class),
                        row.getString(3),
                        row.getString(4),
                        row.getString(5),
                        row.getString(6),
                        row.getString(7)))
                .list();
    }

    @Transactional(readOnly = true)
    Optional<Stored> find(Reach reach, UUID id) {
        return repository
                .findByReachAndReachId(reach.key(), id)
                .map(rule -> new Stored(rule.version(), rule.handover()));
    }

    /** The narrowest that there is: the link's, its source's, its campaign's, the business's, or the usual one. */
    @Transactional(readOnly = true)
    Handover of(Optional<UUID> link, Optional<UUID> source, Optional<UUID> campaign) {
        List<UUID> ids =
                Stream.of(link, source, campaign).flatMap(Optional::stream).toList();
        List<HandoverRule> rules = repository.findForBusinessOr(ids);
        return Stream.of(
                        find(rules, Reach.LINK, link),
                        find(rules, Reach.SOURCE, source),
                        find(rules, Reach.CAMPAIGN, campaign),
                        find(rules, Reach.BUSINESS, Optional.empty()))
                .flatMap(Optional::stream)
                .findFirst()
                .orElse(Handover.usual());
    }

    private static Optional<Handover> find(List<HandoverRule> rules, Reach reach, Optional<UUID> id) {
        return rules.stream()
                .filter(rule -> rule.isOf(reach, id))
                .map(HandoverRule::handover)
                .findFirst();
    }

    @Transactional
    void save(Reach reach, UUID id, EditedVersion edited, Handover handover) {
        HandoverRule rule =
                repository.findByReachAndReachId(reach.key(), id).orElseGet(() -> new HandoverRule(reach, id));
        rule.mustStillBe(edited);
        rule.become(handover);
        repository.save(rule);
    }

    @Transactional
    void remove(Reach reach, UUID id) {
        repository.findByReachAndReachId(reach.key(), id).ifPresent(repository::delete);
    }

    /** The name of what a handover is for; empty if the business has no such thing. */
    @Transactional(readOnly = true)
    Optional<String> nameOf(Reach reach, UUID id) {
        if (reach == Reach.BUSINESS) {
            return id.equals(BusinessScope.current().value())
                    ? Optional.of(Texts.of("lead.handover.all-leads"))
                    : Optional.empty();
        }
        return jdbc.sql("select name from " + reach.key() + " where id = ?")
                .param(id)
                .query(String.class)
                .optional();
    }
}
