package wendo.app.forms;

import java.sql.ResultSet;
import java.sql.SQLException;
import java.sql.Timestamp;
import java.time.Clock;
import java.util.List;
import java.util.Optional;
import java.util.UUID;
import org.springframework.jdbc.core.simple.JdbcClient;
import org.springframework.stereotype.Service;
import org.springframework.transaction.annotation.Transactional;
import wendo.app.business.BusinessId;
import wendo.app.business.BusinessScope;

/** Entry forms, and which link shows which. */
@Service
class Forms {
    private static final String COLUMNS =
            "select name, purpose, title, intro, button, thanks, accent, promise, answers, covers, asks from entry_form ";

    private final JdbcClient jdbc;
    private final Clock clock;

    Forms(JdbcClient jdbc, Clock clock) {
        this.jdbc = jdbc;
        this.clock = clock;
    }

    /** One of the list, with how many links show it and how often it was filled in. */
    record Listed(UUID id, String name, Purpose purpose, boolean isArchived, long links, long filled) {}

    /** When a link shows its form: {@code shows} is first, after, own or never. */
    record Shown(Optional<UUID> form, String shows, int looks, Strictness strictness) {
        static Shown never() {
            return new Shown(Optional.empty(), "never", 3, Strictness.USUAL);
        }
    }

    @Transactional(readOnly = true)
    List<Listed> list() {
        return jdbc.sql("""
                        select f.id, f.name, f.purpose, f.archived,
                            (select count(*) from link_form l where l.form_id = f.id and l.shows <> 'never'),
                            (select count(*) from outcome o where o.form_id = f.id and not o.is_proof)
                        from entry_form f order by f.archived, f.name
                        """)
                .query((row, number) -> new Listed(
                        row.getObject(1, UUID.class),
                        row.getString(2),
                        Purpose.find(row.getString(3)).orElseThrow(),
                        row.getBoolean(4),
                        row.getLong(5),
                        row.getLong(6)))
                .list();
    }

    @Transactional(readOnly = true)
    Optional<EntryForm> find(UUID id) {
        return jdbc.sql(COLUMNS + "where id = ?").param(id).query(Forms::read).optional();
    }

    /** The business whose form this is; asked by anybody. */
    @Transactional(readOnly = true)
    Optional<BusinessId> businessOf(UUID form) {
        return jdbc.sql("select door_form(?)")
                .param(form)
                .query(UUID.class)
                .optional()
                .map(BusinessId::new);
    }

    @Transactional(readOnly = true)
    boolean isTaken(String name, Optional<UUID> except) {
        return jdbc.sql("select exists (select from entry_form where name = ? and id is distinct from cast(? as uuid))")
                .param(name)
                .param(except.map(UUID::toString).orElse(null))
                .query(Boolean.class)
                .single();
    }

    @Transactional
    UUID add(EntryForm form, String by) {
        UUID id = UUID.randomUUID();
        jdbc.sql("""
                        insert into entry_form (id, business_id, name, purpose, title, intro, button, thanks, accent, promise,
                            answers, covers, asks, archived, created_at, created_by)
                        values (?, ?, ?, ?, ?, ?, ?, ?, ?, ?, ?, ?, ?, false, ?, ?)
                        """)
                .params(id, BusinessScope.current().value())
                .params(values(form))
                .params(Timestamp.from(clock.instant()), by)
                .update();
        return id;
    }

    @Transactional
    void change(UUID id, EntryForm form) {
        jdbc.sql("""
                        update entry_form set name = ?, purpose = ?, title = ?, intro = ?, button = ?, thanks = ?,
                            accent = ?, promise = ?, answers = ?, covers = ?, asks = ?
                        where id = ?
                        """).params(values(form)).param(id).update();
    }

    @Transactional
    void archive(UUID id, boolean away) {
        jdbc.sql("update entry_form set archived = ? where id = ?")
                .params(away, id)
                .update();
    }

    private static List<String> values(EntryForm form) {
        return List.of(
                form.name(),
                form.purpose().key(),
                form.title(),
                form.intro(),
                form.button(),
                form.thanks(),
                form.accent(),
                form.promise(),
                form.answers(),
                form.coversAsText(),
                form.asksAsText());
    }

    /** An archived form stands before no link. */
    @Transactional(readOnly = true)
    Shown of(UUID link) {
        return jdbc.sql("""
                        select l.form_id, case when f.archived then 'never' else l.shows end, l.looks, l.strictness
                        from link_form l join entry_form f on f.id = l.form_id where l.link_id = ?
                        """)
                .param(link)
                .query((row, number) -> new Shown(
                        Optional.of(row.getObject(1, UUID.class)),
                        row.getString(2),
                        row.getInt(3),
                        Strictness.of(row.getString(4))))
                .optional()
                .orElse(Shown.never());
    }

    @Transactional
    void show(UUID link, Shown shown) {
        jdbc.sql("""
                        insert into link_form values (?, ?, ?, ?, ?, ?)
                        on conflict (link_id) do update set form_id = excluded.form_id, shows = excluded.shows,
                            looks = excluded.looks, strictness = excluded.strictness
                        """)
                .params(link, BusinessScope.current().value(), shown.form().orElseThrow(), shown.shows())
                .params(shown.looks(), shown.strictness().key())
                .update();
    }

    /** Tells by which form an outcome came. Answers whether it is a test's. */
    @Transactional
    boolean came(UUID form, UUID outcome) {
        return jdbc.sql("update outcome set form_id = ? where id = ? returning is_proof")
                .params(form, outcome)
                .query(Boolean.class)
                .single();
    }

    private static EntryForm read(ResultSet row, int number) throws SQLException {
        return new EntryForm(
                row.getString(1),
                Purpose.find(row.getString(2)).orElseThrow(),
                row.getString(3),
                row.getString(4),
                row.getString(5),
                row.getString(6),
                row.getString(7),
                row.getString(8),
                row.getString(9),
                EntryForm.covers(row.getString(10)),
                EntryForm.asks(row.getString(11)));
    }
}
