package wendo.app.money.spend;

import jakarta.persistence.EntityManager;
import java.io.Serializable;
import java.math.BigDecimal;
import java.time.Clock;
import java.time.LocalDate;
import java.util.HashMap;
import java.util.Map;
import java.util.Optional;
import java.util.UUID;
import org.springframework.stereotype.Service;
import org.springframework.transaction.annotation.Transactional;
import wendo.app.platform.site.Texts;
import wendo.core.measure.LumpSpend;
import wendo.core.measure.Period;

/** Enters what a file from an ad account says; what an earlier file said of the same day is corrected. */
@Service
class SpendFileEntries {
    private final SpendFiles files;
    private final SpendRepository repository;
    private final EntityManager entities;
    private final Clock clock;

    SpendFileEntries(SpendFiles files, SpendRepository repository, EntityManager entities, Clock clock) {
        this.files = files;
        this.repository = repository;
        this.entities = entities;
        this.clock = clock;
    }

    /** What became of a file: entries that are new, that changed, and that were known; the session keeps it for one page. */
    record Imported(int fresh, int changed, int known) implements Serializable {}

    private record Key(UUID source, LocalDate day) {}

    /** One entry for each source and day; what an entry said before it changed is kept. */
    @Transactional
    Imported enter(SpendFile file, int decimals, String by) {
        Map<Key, Long> sums = new HashMap<>();
        file.lines(files.names(), decimals).stream()
                .filter(SpendFile.Line::isGood)
                .forEach(line -> sums.merge(
                        new Key(line.source().orElseThrow(), line.day().orElseThrow()),
                        line.minor().orElseThrow(),
                        Long::sum));
        String origin = SpendLayout.heading(file.table().columns());
        Map<Key, StoredSpend> before = new HashMap<>();
        for (StoredSpend spend : repository.findByOrigin(origin)) {
            spend.source().ifPresent(source -> before.put(new Key(source, spend.firstDay()), spend));
        }
        int fresh = 0;
        int changed = 0;
        for (Map.Entry<Key, Long> sum : sums.entrySet()) {
            StoredSpend was = before.get(sum.getKey());
            if (was == null) {
                repository.save(entry(sum.getKey(), sum.getValue(), file, by));
                fresh++;
            } else if (was.amountMinor() != sum.getValue()) {
                correct(was, sum.getValue(), decimals, by);
                changed++;
            }
        }
        files.imported(file.id(), clock.instant());
        return new Imported(fresh, changed, sums.size() - fresh - changed);
    }

    private StoredSpend entry(Key key, long minor, SpendFile file, String by) {
        LumpSpend lump = new LumpSpend(minor, Period.ofDays(key.day(), key.day()));
        StoredSpend spend =
                new StoredSpend(Cost.of(key.source(), Optional.empty(), lump, file.name()), clock.instant(), by);
        spend.cameFrom(SpendLayout.heading(file.table().columns()));
        return spend;
    }

    private void correct(StoredSpend spend, long minor, int decimals, String by) {
        String said = Texts.kept(
                "money.spend.on",
                BigDecimal.valueOf(spend.amountMinor(), decimals).toPlainString(),
                spend.firstDay().toString(),
                spend.note());
        entities.persist(new SpendCorrection(spend.id(), said, clock.instant(), by));
        spend.cost(minor);
    }
}
