package wendo.app.visit.sitetag;

import com.github.kagkarlsson.scheduler.task.helper.RecurringTask;
import com.github.kagkarlsson.scheduler.task.helper.Tasks;
import com.github.kagkarlsson.scheduler.task.schedule.FixedDelay;
import jakarta.servlet.http.HttpServletRequest;
import java.sql.Timestamp;
import java.time.Clock;
import java.time.Duration;
import java.time.Instant;
import java.util.ArrayList;
import java.util.List;
import java.util.UUID;
import org.slf4j.Logger;
import org.slf4j.LoggerFactory;
import org.springframework.context.annotation.Bean;
import org.springframework.context.annotation.Configuration;
import org.springframework.dao.DataAccessException;
import org.springframework.jdbc.core.simple.JdbcClient;
import org.springframework.transaction.TransactionException;
import org.springframework.transaction.annotation.Transactional;
import tools.jackson.databind.JsonNode;
import tools.jackson.databind.json.JsonMapper;
import wendo.app.platform.business.BusinessId;
import wendo.app.platform.business.BusinessScope;
import wendo.app.platform.site.CallLimit;

/** The calls of the last day, for people who set the tag up. What it misses when there are too many is no loss. */
@Configuration
class TagCallLog {
    private static final Logger LOG = LoggerFactory.getLogger(TagCallLog.class);
    static final Duration KEPT_FOR = Duration.ofDays(1);
    private static final int SHOWN = 50;
    private static final int KEPT_PER_MINUTE = 300;
    static final int MAX_PAGE = 300;
    private static final int MAX_FAULT = 1000;
    private static final int MAX_VALUE = 200;

    private final JdbcClient jdbc;
    private final BusinessScope scope;
    private final JsonMapper json;
    private final Clock clock;
    private final CallLimit limit = new CallLimit(KEPT_PER_MINUTE);

    TagCallLog(JdbcClient jdbc, BusinessScope scope, JsonMapper json, Clock clock) {
        this.jdbc = jdbc;
        this.scope = scope;
        this.json = json;
        this.clock = clock;
    }

    record Field(String name, String value) {}

    /** @param fault what was wrong with it; empty text if nothing was */
    record Call(Instant at, String what, String page, List<Field> fields, String fault) {}

    /** What was told of what, and by which request. */
    record Heard(HttpServletRequest request, String what, JsonNode body) {}

    void keep(BusinessId business, Heard call, String fault) {
        if (!limit.allows(business.value().toString())) {
            return;
        }
        String from = call.request().getHeader("Referer");
        String page = plain(from == null ? "" : from.replaceFirst("[?#].*$", ""), MAX_PAGE);
        try {
            scope.within(
                    business,
                    () -> jdbc.sql("insert into tag_call values (?, ?, ?, ?, ?, cast(? as json), ?)")
                            .params(business.value(), UUID.randomUUID(), Timestamp.from(clock.instant()))
                            .params(
                                    call.what(),
                                    page,
                                    json.writeValueAsString(call.body()).replace("\\u0000", ""),
                                    plain(fault, MAX_FAULT))
                            .update());
        } catch (DataAccessException | TransactionException e) {
            LOG.warn("A call of the site tag is not listed: {}", e.getMessage());
        }
    }

    private static String plain(String text, int most) {
        String printable = text.replaceAll("\\p{Cntrl}", " ");
        return printable.length() <= most ? printable : printable.substring(0, most - 1) + "…";
    }

    @Transactional(readOnly = true)
    List<Call> latest() {
        return jdbc.sql("select at, what, page, fields::text, fault from tag_call order by at desc limit ?")
                .param(SHOWN)
                .query((row, number) -> new Call(
                        row.getTimestamp(1).toInstant(),
                        row.getString(2),
                        row.getString(3),
                        fields(row.getString(4)),
                        row.getString(5)))
                .list();
    }

    private List<Field> fields(String body) {
        List<Field> fields = new ArrayList<>();
        json.readTree(body).properties().forEach(entry -> {
            JsonNode value = entry.getValue();
            String text = value.isValueNode() ? value.asString("") : value.toString();
            if (!text.isEmpty() && !entry.getKey().equals("site")) {
                fields.add(new Field(plain(entry.getKey(), MAX_VALUE), plain(text, MAX_VALUE)));
            }
        });
        return fields;
    }

    @Bean
    RecurringTask<Void> tagCallsForgettingTask() {
        return Tasks.recurring("tag-calls-forgetting", FixedDelay.ofMinutes(10))
                .execute((task, context) -> jdbc.sql("select forget_tag_calls(?)")
                        .param(Timestamp.from(clock.instant().minus(KEPT_FOR)))
                        .query(row -> {}));
    }
}
