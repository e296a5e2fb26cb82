package wendo.app.issue.links;

import java.net.URI;
import java.sql.ResultSet;
import java.sql.SQLException;
import java.sql.Timestamp;
import java.time.Clock;
import java.time.Instant;
import java.util.List;
import java.util.Locale;
import java.util.Optional;
import java.util.Set;
import java.util.UUID;
import java.util.stream.Collectors;
import org.springframework.jdbc.core.simple.JdbcClient;
import org.springframework.stereotype.Service;
import org.springframework.transaction.annotation.Transactional;
import wendo.core.links.Slug;

/** The hosts whose links Wendo answers for the current business. */
@Service
public class LinkHosts {
    private static final String HOSTS = """
            select h.id, h.name, h.origin, h.is_default, h.retired_at, h.checked_at, h.problem, h.forwards_to, h.brand_id,
                (select count(*) from link l where l.host_id = h.id) as links,
                (select o.origin || '/' || f.slug from link f join link_host o on o.id = f.host_id
                    where f.id = h.forwards_to) as forward_address
            from link_host h
            """;

    private final JdbcClient jdbc;
    private final LinkHostRepository repository;
    private final LinkRepository links;
    private final Clock clock;

    /**
     * A link host.
     *
     * @param origin what is printed: scheme, name and, where needed, port
     * @param problem what the last check found; empty text if it answered as Wendo, or was not checked yet
     */
    public record LinkHost(UUID id, String origin, String problem) {
        public String address(Slug slug) {
            return origin + "/" + slug;
        }

        public String name() {
            return URI.create(origin).getHost();
        }

        /** As it is printed, without the scheme: with the port, where it needs one. */
        public String shown() {
            return URI.create(origin).getAuthority();
        }
    }

    /**
     * A host with what Setup shows of it.
     *
     * @param forwardAddress the link that all its other paths go by way of; empty text if none
     * @param brand whose links are made here unless they are another one's
     */
    public record Detail(
            LinkHost host,
            boolean isDefault,
            boolean isRetired,
            Optional<Instant> checkedAt,
            String forwardAddress,
            long links,
            Optional<UUID> brand) {
        public String problem() {
            return host.problem();
        }
    }

    /**
     * What became of the links of a host that were moved to another.
     *
     * @param stayed those whose ending is taken there
     */
    public record Moved(int moved, int stayed) {}

    LinkHosts(JdbcClient jdbc, LinkHostRepository repository, LinkRepository links, Clock clock) {
        this.jdbc = jdbc;
        this.repository = repository;
        this.links = links;
        this.clock = clock;
    }

    @Transactional(readOnly = true)
    public LinkHost defaultHost() {
        return repository.findByIsDefaultTrue().orElseThrow().host();
    }

    /** Those that new links may be made on, the default first. */
    @Transactional(readOnly = true)
    public List<LinkHost> inUse() {
        return repository.findByRetiredAtIsNullOrderByIsDefaultDescNameAsc().stream()
                .map(StoredHost::host)
                .toList();
    }

    @Transactional(readOnly = true)
    public List<Detail> list() {
        return jdbc.sql(HOSTS + "order by h.is_default desc, h.retired_at nulls first, h.name")
                .query(LinkHosts::detail)
                .list();
    }

    @Transactional(readOnly = true)
    Optional<Detail> find(UUID id) {
        return jdbc.sql(HOSTS + "where h.id = ?")
                .param(id)
                .query(LinkHosts::detail)
                .optional();
    }

    /** The names of all of them: pages that links may not lead to. */
    @Transactional(readOnly = true)
    public Set<String> names() {
        return repository.findAll().stream().map(StoredHost::name).collect(Collectors.toUnmodifiableSet());
    }

    /** Makes the host of this origin the business's default, or changes how its address is written. */
    @Transactional
    public void open(String origin) {
        Optional<StoredHost> known = repository.findByName(nameOf(origin));
        known.ifPresent(host -> host.beAt(origin));
        if (known.isEmpty()) {
            StoredHost host = new StoredHost(nameOf(origin), origin);
            host.beDefault(true);
            repository.saveAndFlush(host);
        }
    }

    /** Adds a host. A name that is a host already, of this business or of another, is refused by its unique key. */
    @Transactional
    UUID add(String origin) {
        StoredHost host = new StoredHost(nameOf(origin), origin);
        repository.saveAndFlush(host);
        return host.id();
    }

    private static String nameOf(String origin) {
        return URI.create(origin).getHost().toLowerCase(Locale.ROOT);
    }

    @Transactional
    void checked(UUID id, String problem) {
        repository.findById(id).ifPresent(host -> host.found(problem, clock.instant()));
    }

    /** New links are made on this host from now on, unless another is chosen. False if it is out of use. */
    @Transactional
    boolean makeDefault(UUID id) {
        List<StoredHost> all = repository.lockAll();
        Optional<StoredHost> chosen = all.stream()
                .filter(host -> host.id().equals(id) && !host.isRetired())
                .findFirst();
        chosen.ifPresent(host -> {
            all.stream().filter(StoredHost::isDefault).forEach(before -> {
                before.beDefault(false);
                repository.saveAndFlush(before); // there is never more than one
            });
            host.beDefault(true);
        });
        return chosen.isPresent();
    }

    /** Takes a host out of use for new links, or back; its old links live on. The default one stays in use. */
    @Transactional
    boolean retire(UUID id, boolean away) {
        Optional<StoredHost> host = repository.lockAll().stream()
                .filter(one -> one.id().equals(id) && !one.isDefault())
                .findFirst();
        host.ifPresent(one -> {
            if (away) {
                one.retire(clock.instant());
            } else {
                one.useAgain();
            }
        });
        return host.isPresent();
    }

    /** Its links are this brand's, unless they say otherwise; with none they are the business's own. */
    @Transactional
    void giveTo(UUID id, Optional<UUID> brand) {
        repository.findById(id).ifPresent(host -> host.belongTo(brand.orElse(null)));
    }

    /** All paths that are no links of this host's own go by way of a link, or are dead ends again. */
    @Transactional
    void forward(UUID id, Optional<UUID> link) {
        UUID own = link.flatMap(links::findById).map(Link::id).orElse(null);
        repository.findById(id).ifPresent(host -> host.forwardTo(own));
    }

    /** Gives links the same endings on another host. Their addresses on this one keep answering. */
    @Transactional
    Moved move(UUID from, UUID to, String person) {
        jdbc.sql("select 1 from link_host where id = any(?) order by id for no key update")
                .param(new UUID[] {from, to})
                .query(row -> {});
        int moved = jdbc.sql("""
                        with going as materialized (
                            select l.id, l.business_id, l.slug, l.skeleton from link l
                            where l.host_id = :from and not exists (
                                select from link t where t.host_id = :to and t.skeleton = l.skeleton)
                                and not exists (select from link_former_address f
                                    where f.host_id = :to and f.skeleton = l.skeleton and f.link_id <> l.id)),
                        back as (
                            delete from link_former_address f using going g where f.host_id = :to and f.link_id = g.id),
                        former as (
                            insert into link_former_address
                            select business_id, :from, slug, skeleton, id, :now, :person from going)
                        update link l set host_id = :to, version = l.version + 1 from going g where l.id = g.id
                        """)
                .param("from", from)
                .param("to", to)
                .param("now", Timestamp.from(clock.instant()))
                .param("person", person)
                .update();
        int stayed = jdbc.sql("select count(*) from link where host_id = ?")
                .param(from)
                .query(Integer.class)
                .single();
        return new Moved(moved, stayed);
    }

    /** Where a link answered before it was moved, and does still. */
    @Transactional(readOnly = true)
    public List<String> formerAddresses(UUID link) {
        return jdbc.sql("""
                        select h.origin || '/' || f.slug from link_former_address f join link_host h on h.id = f.host_id
                        where f.link_id = ? order by f.moved_at desc
                        """).param(link).query(String.class).list();
    }

    private static LinkHost host(ResultSet row) throws SQLException {
        return new LinkHost(row.getObject("id", UUID.class), row.getString("origin"), row.getString("problem"));
    }

    private static Detail detail(ResultSet row, int number) throws SQLException {
        Timestamp checked = row.getTimestamp("checked_at");
        String forward = row.getString("forward_address");
        return new Detail(
                host(row),
                row.getBoolean("is_default"),
                row.getTimestamp("retired_at") != null,
                Optional.ofNullable(checked).map(Timestamp::toInstant),
                forward == null ? "" : forward,
                row.getLong("links"),
                Optional.ofNullable(row.getObject("brand_id", UUID.class)));
    }
}
