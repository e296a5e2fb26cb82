package wendo.app.networks;

import java.security.SecureRandom;
import java.sql.ResultSet;
import java.sql.SQLException;
import java.sql.Timestamp;
import java.time.Clock;
import java.time.Instant;
import java.util.Arrays;
import java.util.HashMap;
import java.util.HexFormat;
import java.util.List;
import java.util.Map;
import java.util.Optional;
import java.util.UUID;
import org.springframework.jdbc.core.simple.JdbcClient;
import org.springframework.stereotype.Service;
import org.springframework.transaction.annotation.Transactional;
import wendo.app.business.BusinessScope;
import wendo.core.links.SubIdForm;
import wendo.core.outcomes.OutcomeKind;
import wendo.core.visits.ClickId;

/** The partner networks of a business. */
@Service
public class Networks {
    private static final int TOKEN_BYTES = 16;
    private static final int SHOWN = 50;
    private static final String COLUMNS = """
            select id, name, source_id, pattern, parameter, alphabet, max_length, kind, token, placeholders, archived
            from partner_network
            """;

    private final JdbcClient jdbc;
    private final Clock clock;
    private final SecureRandom random = new SecureRandom();

    Networks(JdbcClient jdbc, Clock clock) {
        this.jdbc = jdbc;
        this.clock = clock;
    }

    /** What a network reported. */
    record Received(Instant at, String told, String result, boolean isTaken) {}

    @Transactional(readOnly = true)
    List<Network> list() {
        return jdbc.sql(COLUMNS + "order by archived, name")
                .query(Networks::read)
                .list();
    }

    @Transactional(readOnly = true)
    Optional<Network> find(UUID id) {
        return jdbc.sql(COLUMNS + "where id = ?")
                .param(id)
                .query(Networks::read)
                .optional();
    }

    @Transactional(readOnly = true)
    List<Received> received(UUID network) {
        return jdbc.sql("select at, told, result, is_taken from postback where network_id = ? order by at desc limit ?")
                .params(network, SHOWN)
                .query((row, number) -> new Received(
                        row.getTimestamp(1).toInstant(), row.getString(2), row.getString(3), row.getBoolean(4)))
                .list();
    }

    /** The new or changed network; empty if another has its name. The address it reports to stays the same for ever. */
    @Transactional
    Optional<UUID> keep(Optional<UUID> known, NetworkTyped.Checked typed, String by) {
        boolean isTaken = jdbc.sql(
                        "select exists (select from partner_network where name = ? and id is distinct from cast(? as uuid))")
                .param(typed.name())
                .param(known.map(UUID::toString).orElse(null))
                .query(Boolean.class)
                .single();
        if (isTaken) {
            return Optional.empty();
        }
        UUID id = known.orElseGet(UUID::randomUUID);
        byte[] token = new byte[TOKEN_BYTES];
        random.nextBytes(token);
        jdbc.sql("""
                        insert into partner_network (business_id, id, name, source_id, pattern, parameter, alphabet,
                            max_length, kind, token, placeholders, changed_at, changed_by)
                        values (?, ?, ?, ?, ?, ?, ?, ?, ?, ?, ?, ?, ?)
                        on conflict (business_id, id) do update set name = excluded.name, source_id = excluded.source_id,
                            pattern = excluded.pattern, parameter = excluded.parameter, alphabet = excluded.alphabet,
                            max_length = excluded.max_length, kind = excluded.kind,
                            placeholders = excluded.placeholders, changed_at = excluded.changed_at,
                            changed_by = excluded.changed_by
                        """)
                .params(BusinessScope.current().value(), id, typed.name(), typed.source(), typed.pattern())
                .params(
                        typed.form().parameter(),
                        typed.form().alphabet().key(),
                        typed.form().maxLength())
                .params(typed.kind().key(), HexFormat.of().formatHex(token))
                .param(typed.placeholders().toArray(String[]::new))
                .params(Timestamp.from(clock.instant()), by)
                .update();
        return Optional.of(id);
    }

    @Transactional
    void archive(UUID id, boolean away, String by) {
        jdbc.sql("update partner_network set archived = ?, changed_at = ?, changed_by = ? where id = ?")
                .params(away, Timestamp.from(clock.instant()), by, id)
                .update();
    }

    /** The visits that these sub-IDs of a source's networks stand for, as far as they are aliases. */
    @Transactional(readOnly = true)
    public Map<String, ClickId> clicks(UUID source, List<String> subIds) {
        Map<String, ClickId> clicks = new HashMap<>();
        jdbc.sql("""
                        select a.alias, a.click_id from visit_alias a join partner_network n on n.id = a.network_id
                        where n.source_id = ? and a.alias = any(?)
                        """).param(source).param(subIds.toArray(String[]::new)).query(row -> {
            clicks.put(row.getString(1), new ClickId(row.getObject(2, UUID.class)));
        });
        return clicks;
    }

    private static Network read(ResultSet row, int number) throws SQLException {
        return new Network(
                row.getObject(1, UUID.class),
                row.getString(2),
                row.getObject(3, UUID.class),
                row.getString(4),
                new SubIdForm(
                        row.getString(5),
                        SubIdForm.Alphabet.find(row.getString(6)).orElseThrow(),
                        row.getInt(7)),
                OutcomeKind.find(row.getString(8)).orElseThrow(),
                row.getString(9),
                Arrays.asList((String[]) row.getArray(10).getArray()),
                row.getBoolean(11));
    }
}
