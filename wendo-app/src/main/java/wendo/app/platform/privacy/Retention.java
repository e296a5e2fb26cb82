package wendo.app.platform.privacy;

import java.time.Clock;
import java.time.Instant;
import java.util.Arrays;
import java.util.EnumMap;
import java.util.HashSet;
import java.util.List;
import java.util.Map;
import java.util.Set;
import java.util.UUID;
import org.springframework.stereotype.Service;
import org.springframework.transaction.annotation.Transactional;
import wendo.app.platform.business.Business;
import wendo.app.platform.business.Businesses;
import wendo.app.platform.business.EditedVersion;
import wendo.app.platform.site.Texts;

/** How long the current business keeps personal data, and forgetting what is older. */
@Service
public class Retention {
    private final RetentionRepository repository;
    private final ErasureRepository erasures;
    private final List<RetainedRecords> records;
    private final List<PersonalRecords> personal;
    private final Businesses businesses;
    private final Clock clock;

    Retention(
            RetentionRepository repository,
            ErasureRepository erasures,
            List<RetainedRecords> records,
            List<PersonalRecords> personal,
            Businesses businesses,
            Clock clock) {
        this.repository = repository;
        this.erasures = erasures;
        this.records = records;
        this.personal = personal;
        this.businesses = businesses;
        this.clock = clock;
    }

    /** @param version 0 until it was changed */
    record Shown(Map<RetainedKind, Integer> months, int version) {}

    @Transactional(readOnly = true)
    public Map<RetainedKind, Integer> months() {
        return shown().months();
    }

    @Transactional(readOnly = true)
    Shown shown() {
        return repository
                .findFirstBy()
                .map(stored -> new Shown(stored.kept(), stored.version()))
                .orElseGet(() -> new Shown(StoredRetention.usual(), 0));
    }

    /** Of two who are the first at once, one is refused by the unique key. */
    @Transactional
    void keep(EditedVersion edited, Map<RetainedKind, Integer> months) {
        StoredRetention stored = repository.findFirstBy().orElseGet(StoredRetention::new);
        stored.mustStillBe(edited);
        stored.keep(months);
        repository.save(stored);
    }

    /** How many records of each kind the next night would take, if they were kept for so many months. */
    @Transactional(readOnly = true)
    Map<RetainedKind, Integer> due(Map<RetainedKind, Integer> months) {
        Map<RetainedKind, Integer> due = new EnumMap<>(RetainedKind.class);
        Arrays.stream(RetainedKind.values()).forEach(kind -> due.put(kind, count(kind, before(months, kind))));
        return due;
    }

    private int count(RetainedKind kind, Instant before) {
        return records.stream()
                .filter(one -> one.kind() == kind)
                .mapToInt(one -> one.count(before))
                .sum();
    }

    private Instant before(Map<RetainedKind, Integer> months, RetainedKind kind) {
        Business business = businesses.current();
        return business.today(clock)
                .minusMonths(kept(months, kind))
                .atStartOfDay(business.zone())
                .toInstant();
    }

    private static int kept(Map<RetainedKind, Integer> months, RetainedKind kind) {
        return months.getOrDefault(kind, kind.usualMonths());
    }

    /** Forgets what is older, and puts on record that it did; answers how many records that were. */
    @Transactional
    public int forget() {
        Map<RetainedKind, Integer> months = months();
        int all = 0;
        for (RetainedKind kind : RetainedKind.values()) {
            Instant before = before(months, kind);
            int count = count(kind, before);
            Set<UUID> outcomes = new HashSet<>();
            records.stream().filter(one -> one.kind() == kind).forEach(one -> {
                outcomes.addAll(one.outcomes(before));
                one.forget(before);
            });
            if (!outcomes.isEmpty()) {
                KnownPerson theirs = new KnownPerson(Set.of(), outcomes);
                personal.forEach(one -> one.erase(theirs));
            }
            if (count > 0) {
                erasures.save(new Erasure(
                        Texts.kept("common.wendo"),
                        count,
                        Texts.kept("platform.privacy.retained-over", kind.label(), kept(months, kind)),
                        clock.instant()));
            }
            all += count;
        }
        records.forEach(RetainedRecords::tidyUp);
        return all;
    }
}
