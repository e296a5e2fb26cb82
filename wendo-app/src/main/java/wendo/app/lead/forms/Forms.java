package wendo.app.lead.forms;

import java.time.Clock;
import java.util.List;
import java.util.Optional;
import java.util.UUID;
import org.springframework.jdbc.core.simple.JdbcClient;
import org.springframework.stereotype.Service;
import org.springframework.transaction.annotation.Transactional;
import wendo.app.platform.business.BusinessId;
import wendo.app.platform.business.EditedVersion;

/** Entry forms, and which link shows which. */
@Service
class Forms {
    private final JdbcClient jdbc;
    private final FormRepository repository;
    private final LinkFormRepository links;
    private final Clock clock;

    Forms(JdbcClient jdbc, FormRepository repository, LinkFormRepository links, Clock clock) {
        this.jdbc = jdbc;
        this.repository = repository;
        this.links = links;
        this.clock = clock;
    }

    /** One of the list, with how many links show it and how often it was filled in. */
    record Listed(UUID id, String name, Purpose purpose, boolean isArchived, long links, long filled) {}

    /** A form with its version. */
    record Stored(int version, EntryForm form) {}

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
    Optional<Stored> find(UUID id) {
        return repository.findById(id).map(stored -> new Stored(stored.version(), stored.form()));
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

    /** A name that another form has is refused by its unique key. */
    @Transactional
    UUID add(EntryForm form, String by) {
        StoredForm stored = new StoredForm(form, clock.instant(), by);
        repository.save(stored);
        return stored.id();
    }

    @Transactional
    void change(UUID id, EditedVersion edited, EntryForm form) {
        StoredForm stored = repository.findById(id).orElseThrow();
        stored.mustStillBe(edited);
        stored.become(form);
    }

    @Transactional
    void archive(UUID id, boolean away) {
        repository.findById(id).orElseThrow().archive(away);
    }

    /** 0 until a form was chosen for it. */
    @Transactional(readOnly = true)
    int shownVersion(UUID link) {
        return links.findById(link).map(LinkForm::version).orElse(0);
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
    void show(UUID link, EditedVersion edited, Shown shown) {
        LinkForm form = links.findById(link).orElseGet(() -> new LinkForm(link));
        form.mustStillBe(edited);
        form.become(shown);
        links.save(form);
    }
}
