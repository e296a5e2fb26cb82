package wendo.app.audience.visitortags;

import java.time.LocalDate;
import java.util.Comparator;
import java.util.HashMap;
import java.util.Locale;
import java.util.Map;
import java.util.UUID;
import org.springframework.jdbc.core.JdbcTemplate;
import org.springframework.jdbc.core.simple.JdbcClient;
import org.springframework.stereotype.Component;
import wendo.app.platform.business.BusinessScope;

/**
 * How often a tag was used, or why not, by day. These are sums that any number of transactions add to at once, so they are
 * statements; they are locked in one order.
 */
@Component
class TagCounts {
    static final Comparator<Place> ORDER =
            Comparator.comparing(Place::tag).thenComparing(Place::day).thenComparing(Place::result);

    private final JdbcTemplate jdbc;
    private final JdbcClient client;

    TagCounts(JdbcTemplate jdbc, JdbcClient client) {
        this.jdbc = jdbc;
        this.client = client;
    }

    record Place(UUID tag, LocalDate day, TagResult result) {}

    /** Of a tag that was deleted meanwhile nothing is added. */
    void add(Map<Place, Long> sums) {
        UUID business = BusinessScope.current().value();
        jdbc.batchUpdate(
                """
                insert into visitor_tag_count (business_id, tag_id, day, result, number)
                select business_id, id, ?, ?, ? from visitor_tag where id = ? and business_id = ?
                on conflict (tag_id, day, result) do update set number = visitor_tag_count.number + excluded.number
                """,
                sums.entrySet().stream()
                        .map(one -> new Object[] {
                            one.getKey().day(),
                            one.getKey().result().key(),
                            one.getValue(),
                            one.getKey().tag(),
                            business
                        })
                        .toList());
    }

    /** By tag and result, from this day on. */
    Map<UUID, Map<TagResult, Long>> since(LocalDate day) {
        Map<UUID, Map<TagResult, Long>> all = new HashMap<>();
        client.sql("select tag_id, result, sum(number) from visitor_tag_count where day >= ? group by 1, 2")
                .param(day)
                .query(row -> {
                    all.computeIfAbsent(row.getObject(1, UUID.class), tag -> new HashMap<>())
                            .put(TagResult.valueOf(row.getString(2).toUpperCase(Locale.ROOT)), row.getLong(3));
                });
        return all;
    }
}
