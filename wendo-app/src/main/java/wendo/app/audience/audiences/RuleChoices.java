package wendo.app.audience.audiences;

import java.util.List;
import java.util.Map;
import java.util.stream.Collectors;
import java.util.stream.Stream;
import org.springframework.jdbc.core.simple.JdbcClient;
import org.springframework.stereotype.Component;
import org.springframework.transaction.annotation.Transactional;
import wendo.core.links.Device;

/** What there is to choose in a rule, and what it is called. */
@Component
class RuleChoices {
    /** A list that is longer nobody chooses from; the others are reached by source or campaign. Ours. */
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

        /** The names of whatever can be chosen, by identifier. */
        Map<String, String> names() {
            return Stream.of(sources, campaigns, links, personal, joining, lists, forms, audiences)
                    .flatMap(List::stream)
                    .collect(Collectors.toMap(Choice::id, Choice::name, (one, other) -> one));
        }
    }

    @Transactional(readOnly = true)
    Choices choices() {
        return new Choices(
                read("select id::text, name from source where archived_at is null order by lower(name), id"),
                read("select id::text, name from campaign order by lower(name), id"),
                read("select distinct lower(channel), lower(channel) from source where archived_at is null order by 1"),
                read("select id::text, name from link order by created_at desc, id limit " + MOST_LINKS),
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

    private List<Choice> read(String sql) {
        return jdbc.sql(sql)
                .query((row, number) -> new Choice(row.getString(1), row.getString(2)))
                .list();
    }
}
