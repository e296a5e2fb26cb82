package wendo.app.sending;

import java.sql.Timestamp;
import java.time.Clock;
import java.util.HexFormat;
import java.util.List;
import java.util.Map;
import java.util.Optional;
import java.util.UUID;
import org.springframework.beans.factory.annotation.Value;
import org.springframework.jdbc.core.simple.JdbcClient;
import org.springframework.stereotype.Service;
import org.springframework.transaction.annotation.Transactional;
import wendo.app.business.BusinessId;
import wendo.app.business.BusinessScope;

/** Pictures and short clips that go along with messages. */
@Service
public class Clips {
    /** What mail servers and text gateways still take. */
    public static final int MAX_BYTES = 2 * 1024 * 1024;

    private final JdbcClient jdbc;
    private final Clock clock;
    private final String origin;

    Clips(JdbcClient jdbc, Clock clock, @Value("${wendo.link-origin}") String origin) {
        this.jdbc = jdbc;
        this.clock = clock;
        this.origin = origin;
    }

    /** {@code address} is where anybody who has it can fetch the clip. */
    public record Clip(UUID id, String name, String type, byte[] content, String address) {}

    public record Listed(UUID id, String name, String type) {}

    /** The media type of a file that can be sent along, by its first bytes; its name proves nothing. */
    public static Optional<String> type(byte[] file) {
        for (Map.Entry<String, String> start : Map.of(
                        "89504e47",
                        "image/png",
                        "ffd8ff",
                        "image/jpeg",
                        "47494638",
                        "image/gif",
                        "494433",
                        "audio/mpeg",
                        "fffb",
                        "audio/mpeg")
                .entrySet()) {
            if (hex(file, 0, start.getKey().length() / 2).equals(start.getKey())) {
                return Optional.of(start.getValue());
            }
        }
        return hex(file, 4, 4).equals("66747970") ? Optional.of("video/mp4") : Optional.empty();
    }

    private static String hex(byte[] file, int from, int length) {
        return file.length < from + length ? "" : HexFormat.of().formatHex(file, from, from + length);
    }

    @Transactional
    public UUID add(String name, String type, byte[] content, String by) {
        UUID id = UUID.randomUUID();
        jdbc.sql("insert into clip values (?, ?, ?, ?, ?, ?, ?)")
                .params(id, BusinessScope.current().value(), name, type, content)
                .params(Timestamp.from(clock.instant()), by)
                .update();
        return id;
    }

    @Transactional(readOnly = true)
    public List<Listed> list() {
        return jdbc.sql("select id, name, type from clip order by name, added_at")
                .query((row, number) -> new Listed(row.getObject(1, UUID.class), row.getString(2), row.getString(3)))
                .list();
    }

    @Transactional(readOnly = true)
    public Optional<Clip> find(UUID id) {
        return jdbc.sql("select name, type, content from clip where id = ?")
                .param(id)
                .query((row, number) ->
                        new Clip(id, row.getString(1), row.getString(2), row.getBytes(3), origin + "/t/clips/" + id))
                .optional();
    }

    @Transactional(readOnly = true)
    Optional<BusinessId> businessOf(UUID clip) {
        return jdbc.sql("select door_clip(?)")
                .param(clip)
                .query(UUID.class)
                .optional()
                .map(BusinessId::new);
    }
}
