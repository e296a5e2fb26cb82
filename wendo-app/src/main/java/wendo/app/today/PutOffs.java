package wendo.app.today;

import java.time.LocalDate;
import java.util.HashMap;
import java.util.Map;
import org.springframework.jdbc.core.simple.JdbcClient;
import org.springframework.stereotype.Component;
import org.springframework.transaction.annotation.Transactional;
import wendo.app.business.BusinessScope;

/** What was put off until a day. */
@Component
class PutOffs {
    static final int MAX_KEY = 120;

    private final JdbcClient jdbc;

    PutOffs(JdbcClient jdbc) {
        this.jdbc = jdbc;
    }

    /** By key, those whose day has not come. */
    @Transactional(readOnly = true)
    Map<String, LocalDate> after(LocalDate today) {
        Map<String, LocalDate> all = new HashMap<>();
        jdbc.sql("select key, until_day from put_off where until_day > ?")
                .param(today)
                .query(row -> {
                    all.put(row.getString(1), row.getObject(2, LocalDate.class));
                });
        return all;
    }

    @Transactional
    void putOff(String key, LocalDate until, String by) {
        jdbc.sql("""
                        insert into put_off values (?, ?, ?, ?)
                        on conflict (business_id, key) do update set until_day = excluded.until_day,
                            put_off_by = excluded.put_off_by
                        """).params(BusinessScope.current().value(), key, until, by).update();
    }

    @Transactional
    void bringBack(String key) {
        jdbc.sql("delete from put_off where key = ?").param(key).update();
    }
}
