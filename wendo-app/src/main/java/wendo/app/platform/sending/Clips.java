package wendo.app.platform.sending;

import java.time.Clock;
import java.util.HexFormat;
import java.util.List;
import java.util.Map;
import java.util.Optional;
import java.util.UUID;
import org.springframework.jdbc.core.simple.JdbcClient;
import org.springframework.stereotype.Service;
import org.springframework.transaction.annotation.Transactional;
import wendo.app.platform.business.BusinessId;
import wendo.app.platform.site.Installation;

/** Pictures and short clips that go along with messages. */
@Service
public class Clips {
    /** What mail servers and text gateways still take. */
    public static final int MAX_BYTES = 2 * 1024 * 1024;

    private final JdbcClient jdbc;
    private final ClipRepository repository;
    private final Clock clock;
    private final String origin;

    Clips(JdbcClient jdbc, ClipRepository repository, Clock clock, Installation installation) {
        this.jdbc = jdbc;
        this.repository = repository;
        this.clock = clock;
        this.origin = installation.linkOrigin();
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
        StoredClip clip = new StoredClip(name, type, content, clock.instant(), by);
        repository.save(clip);
        return clip.id();
    }

    @Transactional(readOnly = true)
    public List<Listed> list() {
        return repository.list();
    }

    @Transactional(readOnly = true)
    public Optional<Clip> find(UUID id) {
        return repository.findById(id).map(clip -> clip.at(origin + "/t/clips/" + id));
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
