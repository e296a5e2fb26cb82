package wendo.app.outcome.networks;

import java.security.SecureRandom;
import java.time.Clock;
import java.time.Instant;
import java.util.HashMap;
import java.util.HexFormat;
import java.util.List;
import java.util.Map;
import java.util.Optional;
import java.util.UUID;
import org.springframework.jdbc.core.simple.JdbcClient;
import org.springframework.stereotype.Service;
import org.springframework.transaction.annotation.Transactional;
import wendo.app.outcome.income.ReportedIncome;
import wendo.app.platform.business.EditedVersion;
import wendo.core.visits.ClickId;

/** The partner networks of a business. */
@Service
public class Networks {
    private static final int TOKEN_BYTES = 16;
    private static final int SHOWN = 50;
    private final JdbcClient jdbc;
    private final NetworkRepository repository;
    private final Clock clock;
    private final SecureRandom random = new SecureRandom();

    Networks(JdbcClient jdbc, NetworkRepository repository, Clock clock) {
        this.jdbc = jdbc;
        this.repository = repository;
        this.clock = clock;
    }

    /** What a network reported. */
    record Received(Instant at, String told, String result, boolean isTaken) {}

    @Transactional(readOnly = true)
    List<Network> list() {
        return repository.findAllByOrderByArchivedAscNameAsc().stream()
                .map(StoredNetwork::network)
                .toList();
    }

    @Transactional(readOnly = true)
    Optional<Network> find(UUID id) {
        return repository.findById(id).map(StoredNetwork::network);
    }

    @Transactional(readOnly = true)
    int version(UUID id) {
        return repository.findById(id).map(StoredNetwork::version).orElse(0);
    }

    @Transactional(readOnly = true)
    List<Received> received(UUID network) {
        return jdbc.sql("select at, told, result, is_taken from postback where network_id = ? order by at desc limit ?")
                .params(network, SHOWN)
                .query((row, number) -> new Received(
                        row.getTimestamp(1).toInstant(), row.getString(2), row.getString(3), row.getBoolean(4)))
                .list();
    }

    /** The new or changed network. A name that another has is refused by its unique key. */
    @Transactional
    UUID save(Optional<UUID> known, EditedVersion edited, NetworkForm.Checked typed, String by) {
        StoredNetwork network = known.flatMap(repository::findById).orElseGet(() -> new StoredNetwork(token()));
        network.mustStillBe(edited);
        network.become(typed, clock.instant(), by);
        repository.save(network);
        return network.id();
    }

    private String token() {
        byte[] token = new byte[TOKEN_BYTES];
        random.nextBytes(token);
        return HexFormat.of().formatHex(token);
    }

    @Transactional
    void archive(UUID id, boolean away, String by) {
        repository.findById(id).ifPresent(network -> network.archive(away, clock.instant(), by));
    }

    /** The network of a source whose reports are income. */
    @Transactional(readOnly = true)
    public Optional<ReportedIncome.Payer> payer(UUID source) {
        return repository.findAllByOrderByArchivedAscNameAsc().stream()
                .map(StoredNetwork::network)
                .filter(one -> one.pay().pays() && one.source().equals(source))
                .findFirst()
                .map(one -> new ReportedIncome.Payer(one.id(), one.pay().afterDays()));
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
}
