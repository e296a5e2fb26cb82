package wendo.app.audience.visitortags;

import java.sql.Timestamp;
import java.util.Optional;
import java.util.UUID;
import org.springframework.jdbc.core.simple.JdbcClient;
import org.springframework.stereotype.Component;
import org.springframework.transaction.annotation.Transactional;
import wendo.app.platform.business.BusinessScope;
import wendo.core.visits.ClickId;

/** Which link, of which campaign and brand, a visit of a person came by; what a site asked is decided for that. */
@Component
public class TaggedVisits {
    private static final String VISIT = """
            select v.link_id, v.visitor, l.campaign_id, coalesce(l.brand_id, h.brand_id)
            from visit v join link l on l.id = v.link_id join link_host h on h.id = l.host_id
            where v.click_id = ? and v.arrived_at = ? and v.kind in ('person', 'repeat')
            """;

    private final JdbcClient jdbc;
    private final TagDirectory directory;

    TaggedVisits(JdbcClient jdbc, TagDirectory directory) {
        this.jdbc = jdbc;
        this.directory = directory;
    }

    public record Visit(UUID link, UUID visitor, TagsOfLink tags) {}

    /** Empty where the visit is not known, or its link has no tags. */
    @Transactional(readOnly = true)
    public Optional<Visit> find(ClickId click) {
        return jdbc.sql(VISIT)
                .params(click.uuid(), Timestamp.from(click.arrivedAt()))
                .query((row, number) -> {
                    UUID link = row.getObject(1, UUID.class);
                    UUID visitor = row.getObject(2, UUID.class);
                    return directory
                            .find(
                                    BusinessScope.current(),
                                    link,
                                    row.getObject(3, UUID.class),
                                    Optional.ofNullable(row.getObject(4, UUID.class)))
                            .map(tags -> new Visit(link, visitor, tags));
                })
                .optional()
                .flatMap(found -> found);
    }
}
