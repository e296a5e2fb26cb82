package wendo.app.desk.setup;

import java.util.List;
import org.springframework.jdbc.core.simple.JdbcClient;
import org.springframework.stereotype.Component;
import org.springframework.transaction.annotation.Transactional;

/** The SQL of the record of processing. */
@Component
class ProcessingQueries {
    private final JdbcClient jdbc;

    ProcessingQueries(JdbcClient jdbc) {
        this.jdbc = jdbc;
    }

    /** The ad desks that are told of visitors who agreed. */
    @Transactional(readOnly = true)
    List<String> taggingDesks() {
        return jdbc.sql("select name from visitor_tag where removed_at is null and is_on order by name")
                .query(String.class)
                .list();
    }

    /** The partner networks that visits are told to. */
    @Transactional(readOnly = true)
    List<String> networks() {
        return jdbc.sql("select name from partner_network where not archived order by name")
                .query(String.class)
                .list();
    }
}
