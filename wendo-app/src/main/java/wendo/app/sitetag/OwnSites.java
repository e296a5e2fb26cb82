package wendo.app.sitetag;

import java.sql.Timestamp;
import java.time.Clock;
import java.util.List;
import java.util.Optional;
import java.util.OptionalLong;
import org.springframework.jdbc.core.simple.JdbcClient;
import org.springframework.stereotype.Service;
import org.springframework.transaction.annotation.Transactional;
import wendo.app.business.BusinessScope;

/** The business's own sites, and how far their reports are believed. */
@Service
public class OwnSites {
    /** Without any figures of its own to go by, in minor units. */
    private static final long MOST_AT_FIRST = 1_000_000;

    /** So many times what all but one in a hundred outcomes of the last 90 days were worth. */
    private static final int TIMES_USUAL = 10;

    /** So many reports an hour are usual for anybody. */
    private static final long LEAST_AN_HOUR = 60;

    private final JdbcClient jdbc;
    private final Clock clock;

    OwnSites(JdbcClient jdbc, Clock clock) {
        this.jdbc = jdbc;
        this.clock = clock;
    }

    @Transactional(readOnly = true)
    public List<String> list() {
        return jdbc.sql("select host from business_site order by host")
                .query(String.class)
                .list();
    }

    @Transactional
    public void add(String host, String by) {
        jdbc.sql("insert into business_site values (?, ?, ?, ?) on conflict do nothing")
                .params(BusinessScope.current().value(), host, Timestamp.from(clock.instant()), by)
                .update();
    }

    @Transactional
    void remove(String host) {
        jdbc.sql("delete from business_site where host = ?").param(host).update();
    }

    @Transactional(readOnly = true)
    public boolean isOwn(String host) {
        return jdbc.sql("select exists (select from business_site where host = ?)")
                .param(host)
                .query(Boolean.class)
                .single();
    }

    /** The ceiling that the business set, in minor units. */
    @Transactional(readOnly = true)
    OptionalLong ceiling() {
        Optional<Long> set = jdbc.sql("select most_believed_minor from business where id = ?")
                .param(BusinessScope.current().value())
                .query((row, number) -> Optional.ofNullable(row.getObject(1, Long.class)))
                .single();
        return set.isPresent() ? OptionalLong.of(set.get()) : OptionalLong.empty();
    }

    @Transactional
    void setCeiling(OptionalLong minor) {
        jdbc.sql("update business set most_believed_minor = cast(? as bigint) where id = ?")
                .param(minor.isPresent() ? minor.getAsLong() : null)
                .param(BusinessScope.current().value())
                .update();
    }

    /**
     * The greatest value of one report that is believed: as set, else ten times the 99th percentile of the last 90 days,
     * and at least the dearest that the business reported itself. Ours.
     */
    @Transactional(readOnly = true)
    public long mostBelievedMinor() {
        OptionalLong set = ceiling();
        return set.isPresent()
                ? set.getAsLong()
                : jdbc.sql("""
                        select greatest(
                            coalesce(:times * percentile_disc(0.99) within group (order by value_minor)
                                filter (where occurred_at > now() - interval '90 days'), :first),
                            max(value_minor) filter (where reported_by not in ('site-tag', 'image')))
                        from outcome where value_minor > 0 and counts and not is_proof
                        """)
                        .param("times", TIMES_USUAL)
                        .param("first", MOST_AT_FIRST)
                        .query(Long.class)
                        .single();
    }

    /** Whether more reports came from sites within the last hour than ten times the usual. */
    @Transactional(readOnly = true)
    public boolean isFlood() {
        return jdbc.sql("""
                        select count(*) filter (where occurred_at > now() - interval '1 hour')
                            > greatest(:least, :times * count(*) / (90 * 24))
                        from outcome
                        where reported_by in ('site-tag', 'image') and occurred_at > now() - interval '90 days'
                        """)
                .param("least", LEAST_AN_HOUR)
                .param("times", TIMES_USUAL)
                .query(Boolean.class)
                .single();
    }

    @Transactional(readOnly = true)
    public String secret() {
        return jdbc.sql("select site_secret from business where id = ?")
                .param(BusinessScope.current().value())
                .query(String.class)
                .single();
    }
}
