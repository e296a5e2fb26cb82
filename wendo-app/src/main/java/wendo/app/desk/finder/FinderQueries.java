package wendo.app.desk.finder;

import java.util.List;
import java.util.Locale;
import java.util.Optional;
import java.util.UUID;
import org.springframework.jdbc.core.simple.JdbcClient;
import org.springframework.stereotype.Component;
import org.springframework.transaction.annotation.Transactional;
import wendo.app.platform.site.FilterValues;
import wendo.core.links.Channel;
import wendo.core.links.PastedLink;

/** The SQL of the finder: one statement over all that has a name. */
@Component
class FinderQueries {
    /** Of each kind; more are in its own list. */
    static final int OF_EACH = 8;

    private final JdbcClient jdbc;

    FinderQueries(JdbcClient jdbc) {
        this.jdbc = jdbc;
    }

    /**
     * Something found.
     *
     * @param kind link, source, campaign, destination, outcome, recipient, subscriber, audience, mailing or list
     * @param id of the thing, or of what it is listed on
     * @param detail a link's address, or what else tells it apart
     */
    record Found(
            String kind,
            UUID id,
            String name,
            String detail,
            Optional<Channel> channel,
            boolean isExact,
            boolean isAway) {
        boolean isContact() {
            return kind.equals("recipient") || kind.equals("subscriber");
        }

        /** Whether only who sets things up may open it. */
        boolean isOfSetup() {
            return kind.equals("audience") || kind.equals("mailing") || kind.equals("list");
        }

        public String path() {
            return switch (kind) {
                case "link" -> "/links/" + id;
                case "source" -> "/setup/sources/" + id;
                case "campaign" -> "/setup/campaigns/" + id;
                case "destination" -> "/setup/destinations/" + id;
                case "recipient" -> "/recipients/" + id;
                case "audience" -> "/audiences/" + id;
                case "mailing" -> "/audiences/mailings/" + id;
                case "list" -> "/subscribers/lists/" + id;
                case "subscriber" -> "/subscribers?state=all&person=" + id;
                default -> "/outcomes/" + id;
            };
        }
    }

    /** Links first; what was named exactly comes before what holds the fragment; archived links come last. */
    @Transactional(readOnly = true)
    List<Found> find(String typed) {
        String text = typed.strip().toLowerCase(Locale.ROOT);
        if (text.isEmpty()) {
            return List.of();
        }
        return jdbc.sql("""
                        (select 1 as rank, 'link' as kind, l.id, l.name, h.origin || '/' || l.slug as detail, s.channel,
                            l.slug = :slug as is_exact, l.archived_at is not null as is_away
                        from link l join link_host h on h.id = l.host_id join source s on s.id = l.source_id
                        where l.slug = :slug or l.words like :like
                            or l.id in (select p.link_id from placement p where p.words like :like)
                        order by l.slug = :slug desc, l.archived_at is not null, l.created_at desc limit :most)
                        union all
                        (select 2, 'source', id, name, contact, channel, lower(name) = :text, archived_at is not null
                        from source where lower(name || ' ' || contact || ' ' || note) like :like and merged_into is null
                        order by lower(name) = :text desc, archived_at is not null, name limit :most)
                        union all
                        (select 3, 'campaign', id, name, note, null, lower(name) = :text, archived_at is not null
                        from campaign where lower(name || ' ' || note) like :like
                        order by lower(name) = :text desc, archived_at is not null, name limit :most)
                        union all
                        (select 4, 'destination', id, coalesce(nullif(name, ''), address), address, null,
                            lower(address) = :text, archived_at is not null
                        from destination where lower(name || ' ' || address || ' ' || note) like :like
                        order by archived_at is not null, name, address limit :most)
                        union all
                        (select 5, 'outcome', id, reference, kind, null, lower(reference) = :text, false
                        from outcome where lower(reference) like :start and not is_proof
                        order by lower(reference) = :text desc, occurred_at desc limit :most)
                        union all
                        (select 6, 'recipient', list_id, concat_ws(', ', nullif(name, ''), nullif(phone, ''), nullif(email, '')),
                            '', null, email = :text or phone = :text, false
                        from recipient where (email like :start or phone like :start or lower(name) like :start)
                            and (email <> '' or phone <> '')
                        order by email, phone limit :most)
                        union all
                        (select 7, 'subscriber', id, email, '', null, email = :text, false
                        from subscriber where email like :start and proof_id is null
                        order by email limit :most)
                        union all
                        (select 8, 'audience', id, name, '', null, lower(name) = :text, archived_at is not null
                        from audience where lower(name) like :like and archived_at is null order by name limit :most)
                        union all
                        (select 9, 'mailing', id, name, subject, null, lower(name) = :text, false
                        from mailing where lower(name || ' ' || subject) like :like order by made_at desc limit :most)
                        union all
                        (select 10, 'list', id, name, promise, null, lower(name) = :text, false
                        from newsletter_list where lower(name || ' ' || promise) like :like and archived_at is null
                        order by name limit :most)
                        order by rank, is_exact desc, is_away
                        """)
                .param("text", text)
                .param("slug", new PastedLink(text).slug())
                .param("like", "%" + FilterValues.needle(text) + "%")
                .param("start", FilterValues.needle(text) + "%")
                .param("most", OF_EACH)
                .query((row, number) -> new Found(
                        row.getString("kind"),
                        row.getObject("id", UUID.class),
                        row.getString("name"),
                        row.getString("detail"),
                        Optional.ofNullable(row.getString("channel")).map(Channel::valueOf),
                        row.getBoolean("is_exact"),
                        row.getBoolean("is_away")))
                .list();
    }
}
