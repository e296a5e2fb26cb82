package wendo.app.visit.disclosure;

import java.util.ArrayList;
import java.util.LinkedHashMap;
import java.util.List;
import java.util.Locale;
import java.util.Map;
import java.util.Optional;
import org.springframework.jdbc.core.simple.JdbcClient;
import org.springframework.stereotype.Service;
import org.springframework.transaction.annotation.Transactional;
import wendo.app.platform.business.EditedVersion;
import wendo.app.platform.site.Texts;
import wendo.app.visit.outbound.PayingNetworks;
import wendo.core.visits.OutgoingPattern;

/** What the current business says beside links that earn, and which links these are. */
@Service
class Disclosures {
    /** The latest paid links that the site tag is told of; a page's tag has to stay small. */
    static final int MOST_LINKS = 1000;

    private static final String USUAL = "visit.disclosure.usual";

    private final JdbcClient jdbc;
    private final DisclosureRepository repository;
    private final PayingNetworks networks;

    Disclosures(JdbcClient jdbc, DisclosureRepository repository, PayingNetworks networks) {
        this.jdbc = jdbc;
        this.repository = repository;
        this.networks = networks;
    }

    /**
     * What is set.
     *
     * @param texts the business's own, by language
     * @param version 0 until something was set
     */
    record Setting(DisclosurePlace place, Map<String, String> texts, int version) {
        Setting {
            texts = Map.copyOf(texts);
        }

        /** What is said to readers of a language: the business's own words, else the usual ones. */
        String text(Locale language) {
            String own = texts.getOrDefault(language.getLanguage(), "");
            return own.isEmpty() ? Texts.in(language, USUAL) : own;
        }

        /** In every language that there is. */
        Map<String, String> all() {
            Map<String, String> all = new LinkedHashMap<>();
            Texts.PUBLIC.forEach(language -> all.put(language.getLanguage(), text(language)));
            return all;
        }
    }

    @Transactional(readOnly = true)
    Setting setting() {
        return stored().map(one -> new Setting(one.place(), one.texts(), one.version()))
                .orElseGet(() -> new Setting(DisclosurePlace.OFF, Map.of(), 0));
    }

    private Optional<Disclosure> stored() {
        return repository.findAll().stream().findFirst();
    }

    /** Of two who are the first at once, one is refused by the unique key. */
    @Transactional
    void say(EditedVersion edited, DisclosurePlace place, Map<String, String> texts) {
        Disclosure disclosure = stored().orElseGet(Disclosure::new);
        disclosure.mustStillBe(edited);
        disclosure.say(place, texts);
        repository.save(disclosure);
    }

    /**
     * The addresses of links that earn, as patterns: those of networks that pay, and our own links that are paid for or
     * lead to such a network.
     */
    @Transactional(readOnly = true)
    List<OutgoingPattern> earning() {
        List<OutgoingPattern> earning = new ArrayList<>(networks.addresses());
        String[] likes = earning.stream().map(OutgoingPattern::like).toArray(String[]::new);
        jdbc.sql("""
                        select h.origin || '/' || l.slug
                        from link l join link_host h on h.id = l.host_id join destination d on d.id = l.destination_id
                        where l.is_paid or exists (
                            select from unnest(:likes) p,
                                regexp_replace(lower(d.address), '^https?://(www\\.)?', '') address
                            where address like p or address like p || '/%' or address like p || '?%')
                        order by l.created_at desc limit :most
                        """)
                .param("likes", likes)
                .param("most", MOST_LINKS)
                .query(String.class)
                .list()
                .forEach(address -> OutgoingPattern.find(address).ifPresent(earning::add));
        return earning;
    }
}
