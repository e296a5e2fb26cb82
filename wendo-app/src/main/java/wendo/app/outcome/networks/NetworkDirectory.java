package wendo.app.outcome.networks;

import java.util.ArrayList;
import java.util.HashMap;
import java.util.List;
import java.util.Map;
import java.util.Objects;
import java.util.Optional;
import java.util.UUID;
import java.util.concurrent.ConcurrentHashMap;
import java.util.concurrent.TimeUnit;
import org.slf4j.Logger;
import org.slf4j.LoggerFactory;
import org.springframework.dao.DataAccessException;
import org.springframework.jdbc.core.simple.JdbcClient;
import org.springframework.scheduling.annotation.Scheduled;
import org.springframework.stereotype.Component;
import org.springframework.transaction.TransactionException;
import org.springframework.transaction.support.TransactionTemplate;
import wendo.app.platform.business.BusinessId;
import wendo.app.platform.business.BusinessScope;
import wendo.core.links.SubIdForm;
import wendo.core.links.Tagging;
import wendo.core.visits.ClickId;
import wendo.core.visits.OutgoingPattern;

/** The networks of all businesses in memory, so that a visit is led on to one without the database. */
@Component
public class NetworkDirectory {
    private static final Logger LOG = LoggerFactory.getLogger(NetworkDirectory.class);

    /** So many are set aside for this process at a time: they last for a busy hour without the database. */
    private static final int SET_ASIDE = 10_000;

    private final JdbcClient jdbc;
    private final TransactionTemplate transactions;
    private final BusinessScope scope;
    private final Map<UUID, Aliases> aliases = new ConcurrentHashMap<>();
    private volatile Map<BusinessId, List<Known>> networks = Map.of();
    private String asOf = "";

    NetworkDirectory(JdbcClient jdbc, TransactionTemplate transactions, BusinessScope scope) {
        this.jdbc = jdbc;
        this.transactions = transactions;
        this.scope = scope;
        refresh();
    }

    private record Known(UUID id, String pattern, SubIdForm form) {
        boolean isLedToBy(String normal) {
            return normal.startsWith(pattern)
                    && (normal.length() == pattern.length() || "/?".indexOf(normal.charAt(pattern.length())) >= 0);
        }
    }

    /**
     * An address with what tells the visit again when its outcome comes back.
     *
     * @param alias the network and the alias that went out instead of the click identifier, a space between; or empty text
     */
    public record Redirect(String address, String alias) {}

    /** The address with a network's sub-ID; of any other page with the click identifier. */
    public Redirect lead(BusinessId business, String address, ClickId click) {
        List<Known> own = networks.get(business);
        Optional<Known> network = own == null ? Optional.empty() : find(own, address);
        if (network.isEmpty()) {
            return new Redirect(Tagging.append(address, ClickId.PARAMETER, click.toString()), "");
        }
        SubIdForm form = network.get().form();
        if (form.takesClickIds()) {
            return new Redirect(Tagging.append(address, form.parameter(), click.toString()), "");
        }
        Optional<String> alias = alias(network.get());
        if (alias.isEmpty()) {
            LOG.warn(
                    "A visit went on to network {} without a sub-ID: there was none left",
                    network.get().id());
        }
        return alias.map(text -> new Redirect(
                        Tagging.append(address, form.parameter(), text),
                        network.get().id() + " " + text))
                .orElseGet(() -> new Redirect(address, ""));
    }

    /**
     * How a network takes sub-IDs.
     *
     * @param parameter its name in the address
     * @param value what names the link to it; empty if the network takes nothing that does
     */
    public record LinkSubId(String parameter, Optional<String> value) {}

    /**
     * The sub-ID for an address that leads to a network without passing through Wendo, where no visit can be named;
     * empty for other addresses.
     */
    public Optional<LinkSubId> subIdOf(BusinessId business, String address, String slug) {
        List<Known> own = networks.get(business);
        return (own == null ? Optional.<Known>empty() : find(own, address))
                .map(network ->
                        new LinkSubId(network.form().parameter(), network.form().ofLink(slug)));
    }

    private static Optional<Known> find(List<Known> own, String address) {
        String normal = OutgoingPattern.normal(address);
        return own.stream().filter(network -> network.isLedToBy(normal)).findFirst();
    }

    private Optional<String> alias(Known network) {
        Aliases left = aliases.get(network.id());
        return left == null
                ? Optional.empty()
                : left.take().stream().boxed().findFirst().flatMap(network.form()::alias);
    }

    /**
     * Listens for changes by any process, and reserves aliases. While the database is away everything stays as it was.
     */
    @Scheduled(fixedDelay = 500, timeUnit = TimeUnit.MILLISECONDS)
    final void refresh() {
        try {
            String now =
                    Objects.requireNonNull(transactions.execute(status -> jdbc.sql("select door_networks_changed()")
                            .query(String.class)
                            .single()));
            Map<BusinessId, List<Known>> known =
                    now.equals(asOf) ? networks : Objects.requireNonNull(transactions.execute(status -> read()));
            // A network is led to with sub-IDs from its first visit on: none is known before it has any.
            known.forEach((business, own) -> own.forEach(network -> setAside(business, network)));
            networks = known;
            asOf = now;
        } catch (DataAccessException | TransactionException e) {
            LOG.warn("Partner networks go on as last known: {}", e.getMessage());
        }
    }

    private Map<BusinessId, List<Known>> read() {
        Map<BusinessId, List<Known>> read = new HashMap<>();
        jdbc.sql("select business_id, id, pattern, parameter, alphabet, max_length from door_networks()")
                .query(row -> {
                    read.computeIfAbsent(new BusinessId(row.getObject(1, UUID.class)), id -> new ArrayList<>())
                            .add(new Known(
                                    row.getObject(2, UUID.class),
                                    row.getString(3),
                                    new SubIdForm(
                                            row.getString(4),
                                            SubIdForm.Alphabet.find(row.getString(5))
                                                    .orElseThrow(),
                                            row.getInt(6))));
                });
        return Map.copyOf(read);
    }

    private void setAside(BusinessId business, Known network) {
        Aliases left = aliases.computeIfAbsent(network.id(), id -> new Aliases());
        if (network.form().takesClickIds() || !left.needsMore()) {
            return;
        }
        long count = Math.min(SET_ASIDE, Math.max(1, network.form().aliases().orElse(Long.MAX_VALUE) / 100));
        long end = scope.within(
                business,
                () -> jdbc.sql(
                                "update partner_network set next_alias = next_alias + ? where id = ? returning next_alias")
                        .params(count, network.id())
                        .query(Long.class)
                        .single());
        left.add(end - count, end);
    }
}
