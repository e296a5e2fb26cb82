package wendo.app.issue.linklist;

import java.util.List;
import java.util.Locale;
import java.util.UUID;
import org.springframework.jdbc.core.simple.JdbcClient;
import org.springframework.stereotype.Component;
import org.springframework.transaction.annotation.Transactional;
import wendo.app.platform.site.Texts;
import wendo.core.measure.Period;

/** The SQL of what is known of the visits that people made by one link, from the moment its figures count from. */
@Component
class LinkTraits {
    private static final int TOP = 6;

    private final JdbcClient jdbc;

    LinkTraits(JdbcClient jdbc) {
        this.jdbc = jdbc;
    }

    /** What is known of visits: a referring page, a country. Those beyond the most frequent are put together. */
    record Known(Trait trait, String value, long visits, boolean isRest) {}

    /** What of a visit is summed, by the words that head its table. */
    enum Trait {
        REFERRER("issue.linklist.link-traits.referring-page"),
        PAGE("issue.linklist.link-traits.destination"),
        COUNTRY("issue.linklist.link-traits.country"),
        LANGUAGE("issue.linklist.link-traits.language"),
        DEVICE("issue.linklist.link-traits.device"),
        SYSTEM("issue.linklist.link-traits.system"),
        BROWSER("issue.linklist.link-traits.browser");

        private final String heading;

        Trait(String heading) {
            this.heading = heading;
        }

        public String heading() {
            return Texts.of(heading);
        }

        private static Trait of(String key) {
            return valueOf(key.toUpperCase(Locale.ROOT));
        }
    }

    /** The most frequent of each trait, and the rest of it in one. */
    @Transactional(readOnly = true)
    List<Known> known(UUID link, Period period) {
        return LinkFigures.within(jdbc.sql("""
                        with told as materialized (
                            select trait, value, sum(visits) as visits from visit_trait_sum
                            where link_id = :link and counted and day >= :first and day < :end and trait <> 'hour'
                            group by 1, 2),
                        ranked as materialized (
                            select trait, value, visits,
                                row_number() over (partition by trait order by visits desc, value) as place
                            from told)
                        select trait, value, visits, place, false from ranked where place <= :top
                        union all
                        select trait, '', sum(visits), :top + 1, true from ranked where place > :top group by trait
                        order by 1, 4
                        """), link, period)
                .param("top", TOP)
                .query((row, number) ->
                        new Known(Trait.of(row.getString(1)), row.getString(2), row.getLong(3), row.getBoolean(5)))
                .list();
    }
}
