package wendo.app.money.spend;

import java.time.Clock;
import java.time.Instant;
import java.util.List;
import java.util.Locale;
import java.util.Map;
import java.util.Optional;
import java.util.UUID;
import java.util.stream.Collectors;
import org.springframework.stereotype.Service;
import org.springframework.transaction.annotation.Transactional;
import wendo.app.platform.tables.Table;

/** Files from ad accounts, and what is remembered of how they are read. */
@Service
class SpendFiles {
    private final SpendFileRepository repository;
    private final SpendLayoutRepository layouts;
    private final SpendNameRepository names;
    private final SpendFileRows rows;
    private final Clock clock;

    SpendFiles(
            SpendFileRepository repository,
            SpendLayoutRepository layouts,
            SpendNameRepository names,
            SpendFileRows rows,
            Clock clock) {
        this.repository = repository;
        this.layouts = layouts;
        this.names = names;
        this.rows = rows;
        this.clock = clock;
    }

    /** Read as the last one with the same heading was, if there was one. */
    @Transactional
    UUID add(String name, Table table, Locale locale, String by) {
        SpendLayout layout = remembered(table.columns())
                .map(known -> known.heldAgainst(table))
                .orElseGet(() -> SpendLayout.guess(table, locale));
        StoredSpendFile file = new StoredSpendFile(name, table.columns(), clock.instant(), by);
        file.read(layout);
        repository.save(file);
        rows.add(file.id(), table.rows());
        return file.id();
    }

    private Optional<SpendLayout> remembered(List<String> columns) {
        return layouts.findById(SpendLayout.heading(columns)).map(StoredLayout::layout);
    }

    @Transactional(readOnly = true)
    Optional<SpendFile> find(UUID id) {
        return repository.findById(id).map(file -> file.file(rows.of(id)));
    }

    void imported(UUID id, Instant now) {
        repository.findById(id).orElseThrow().imported(now);
    }

    /** Which source a name stands for, by the name's key. */
    @Transactional(readOnly = true)
    Map<String, UUID> names() {
        return names.findAll().stream().collect(Collectors.toMap(SpendName::key, SpendName::source));
    }

    /** Keeps how a file is read, for it and for all with the same heading. */
    @Transactional
    void match(SpendFile file, SpendLayout layout, Map<String, UUID> named) {
        repository.findById(file.id()).orElseThrow().read(layout);
        String heading = SpendLayout.heading(file.table().columns());
        StoredLayout remembered = layouts.findById(heading).orElseGet(() -> new StoredLayout(heading));
        remembered.become(layout);
        layouts.save(remembered);
        named.forEach((key, source) -> {
            SpendName name = names.findById(key).orElseGet(() -> new SpendName(key));
            name.standFor(source);
            names.save(name);
        });
    }
}
