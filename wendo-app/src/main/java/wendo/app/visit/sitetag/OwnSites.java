package wendo.app.visit.sitetag;

import java.time.Clock;
import java.util.List;
import java.util.OptionalLong;
import org.springframework.jdbc.core.simple.JdbcClient;
import org.springframework.stereotype.Service;
import org.springframework.transaction.annotation.Transactional;
import wendo.app.platform.business.Businesses;

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
    private final OwnSiteRepository repository;
    private final Businesses businesses;
    private final Clock clock;

    OwnSites(JdbcClient jdbc, OwnSiteRepository repository, Businesses businesses, Clock clock) {
        this.jdbc = jdbc;
        this.repository = repository;
        this.businesses = businesses;
        this.clock = clock;
    }

    @Transactional(readOnly = true)
    public List<String> list() {
        return repository.findAllByOrderByHost().stream().map(OwnSite::host).toList();
    }

    @Transactional
    public void add(String host, String by) {
        if (!repository.existsById(host)) {
            repository.save(new OwnSite(host, clock.instant(), by));
        }
    }

    @Transactional
    void remove(String host) {
        repository.deleteById(host);
    }

    @Transactional(readOnly = true)
    public boolean isOwn(String host) {
        return repository.existsById(host);
    }

    /**
     * The greatest value of one report that is believed: as set, else ten times the 99th percentile of the last 90 days,
     * and at least the dearest that the business reported itself. Ours.
     */
    @Transactional(readOnly = true)
    public long mostBelievedMinor() {
        OptionalLong set = businesses.mostBelievedMinor();
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
}
