package wendo.app.audience.audiences;

import java.util.List;
import java.util.Locale;
import java.util.Map;
import java.util.UUID;
import java.util.stream.Collectors;
import java.util.stream.Stream;
import org.springframework.jdbc.core.simple.JdbcClient;
import org.springframework.stereotype.Component;
import org.springframework.transaction.annotation.Transactional;
import wendo.app.platform.site.FilterValues;
import wendo.core.links.Device;

/** What there is to choose in a rule, and what it is called. */
@Component
class RuleChoices {
    /** A list that is longer nobody chooses from; the others are looked for by a part of their name. Ours. */
    private static final int MOST_LINKS = 300;

    private final JdbcClient jdbc;

    RuleChoices(JdbcClient jdbc) {
        this.jdbc = jdbc;
    }

    /** @param id an identifier, or the key of what has one */
    record Choice(String id, String name) {}

    /**
     * @param personal links that were sent to people as links of their own
     * @param joining links that subscribe
     */
    record Choices(
            List<Choice> sources,
            List<Choice> campaigns,
            List<Choice> channels,
            List<Choice> links,
            List<Choice> personal,
            List<Choice> joining,
            List<Choice> lists,
            List<Choice> forms,
            List<Choice> labels,
            List<Choice> audiences,
            List<Choice> countries,
            List<Choice> languages,
            List<Choice> devices) {

        /** The links that a rule looks for, and those that it has; all of them where it looks for none. */
        public List<Choice> links(RuleDraft rule) {
            return links.stream()
                    .filter(one -> rule.all("which").contains(one.id())
                            || one.name().toLowerCase(Locale.ROOT).contains(rule.sought()))
                    .toList();
        }

        /** The names of whatever can be chosen, by identifier. */
        Map<String, String> names() {
            return Stream.of(sources, campaigns, links, personal, joining, lists, forms, audiences)
                    .flatMap(List::stream)
                    .collect(Collectors.toMap(Choice::id, Choice::name, (one, other) -> one));
        }
    }

    /** @param rules whose links can be chosen though they are older than others, and those that they look for */
    @Transactional(readOnly = true)
    Choices choices(List<RuleDraft> rules) {
        List<RuleDraft> all = rules.stream().flatMap(RuleDraft::all).toList();
        return new Choices(
                read("select id::text, name from source where archived_at is null order by lower(name), id"),
                read("select id::text, name from campaign order by lower(name), id"),
                read("select distinct lower(channel), lower(channel) from source where archived_at is null order by 1"),
                links(all),
                read("""
                        select distinct l.id::text, l.name from link l join recipient_list r on r.link_id = l.id
                        where r.made_at is not null order by 2, 1"""),
                read(
                        "select l.id::text, l.name from link l join opt_in o on o.link_id = l.id order by lower(l.name), l.id"),
                read("select id::text, name from newsletter_list where archived_at is null order by lower(name), id"),
                read("select id::text, name from entry_form order by lower(name), id"),
                read("""
                        select distinct label, label from (
                            select unnest(labels) as label from lead
                            union all select unnest(labels) from subscriber where proof_id is null) one
                        order by 1"""),
                read("select id::text, name from audience where archived_at is null order by lower(name), id"),
                read("select distinct country, country from audience_person where country <> '' order by 1"),
                read("select distinct language, language from audience_person where language <> '' order by 1"),
                Stream.of(Device.values())
                        .map(one -> new Choice(one.key(), one.key()))
                        .toList());
    }

    private List<Choice> links(List<RuleDraft> all) {
        return jdbc.sql("""
                        (select id::text, name from link order by created_at desc, id limit :most)
                        union
                        select id::text, name from link where id = any(cast(:chosen as uuid[]))
                        union
                        (select id::text, name from link
                            where exists (select from unnest(cast(:sought as text[])) s where strpos(lower(name), s) > 0 or slug = s)
                            order by created_at desc, id limit :most)
                        order by 2, 1
                        """)
                .param("most", MOST_LINKS)
                .param(
                        "chosen",
                        all.stream()
                                .flatMap(rule -> Stream.concat(rule.all("which").stream(), rule.all("link").stream()))
                                .flatMap(text -> FilterValues.id(text).stream())
                                .toArray(UUID[]::new))
                .param(
                        "sought",
                        all.stream()
                                .map(RuleDraft::sought)
                                .filter(text -> !text.isEmpty())
                                .toArray(String[]::new))
                .query((row, number) -> new Choice(row.getString(1), row.getString(2)))
                .list();
    }

    private List<Choice> read(String sql) {
        return jdbc.sql(sql)
                .query((row, number) -> new Choice(row.getString(1), row.getString(2)))
                .list();
    }
}
