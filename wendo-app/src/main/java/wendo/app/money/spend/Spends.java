package wendo.app.money.spend;

import jakarta.persistence.EntityManager;
import java.time.Clock;
import java.time.LocalDate;
import java.util.ArrayList;
import java.util.Comparator;
import java.util.List;
import java.util.Map;
import java.util.Optional;
import java.util.UUID;
import java.util.stream.Collectors;
import org.springframework.stereotype.Service;
import org.springframework.transaction.annotation.Transactional;
import wendo.app.platform.business.EditedVersion;
import wendo.core.links.Channel;
import wendo.core.measure.LumpSpend;
import wendo.core.measure.Period;

/** What sources cost. */
@Service
public class Spends {
    private final SpendRepository repository;
    private final EntityManager entities;
    private final SpendQueries queries;
    private final CampaignShares shares;
    private final List<AddedSpend> added;
    private final Clock clock;

    Spends(
            SpendRepository repository,
            EntityManager entities,
            SpendQueries queries,
            CampaignShares shares,
            List<AddedSpend> added,
            Clock clock) {
        this.repository = repository;
        this.entities = entities;
        this.queries = queries;
        this.shares = shares;
        this.added = List.copyOf(added);
        this.clock = clock;
    }

    /** An amount for some days, for a source as a whole. */
    @Transactional
    public UUID enter(UUID source, LumpSpend lump, String note, String enteredBy) {
        return enter(Cost.of(source, Optional.empty(), lump, note), enteredBy);
    }

    /** An amount for some days, for one link of a source. */
    @Transactional
    public UUID enter(LinkCost cost, String note, String enteredBy) {
        return enter(Cost.of(cost.source(), Optional.of(cost.link()), cost.lump(), note), enteredBy);
    }

    /** What one link of a source cost. */
    public record LinkCost(UUID source, UUID link, LumpSpend lump) {}

    @Transactional
    UUID enter(Cost cost, String enteredBy) {
        StoredSpend spend = new StoredSpend(cost, clock.instant(), enteredBy);
        repository.save(spend);
        return spend.id();
    }

    /** @param said what the entry said until now, which is kept */
    @Transactional
    void correct(UUID id, EditedVersion edited, Cost cost, Said said) {
        StoredSpend spend = repository.findById(id).orElseThrow();
        spend.mustStillBe(edited);
        spend.correct(cost);
        entities.persist(new SpendCorrection(id, said.text(), clock.instant(), said.by()));
    }

    /** What an entry said, and who corrects it. */
    record Said(String text, String by) {}

    @Transactional(readOnly = true)
    int version(UUID id) {
        return repository.findById(id).map(StoredSpend::version).orElse(0);
    }

    /** It counts no more; it can be put back. */
    @Transactional
    public boolean remove(UUID id) {
        Optional<StoredSpend> spend = repository.findById(id).filter(one -> !one.isRemoved());
        spend.ifPresent(one -> one.remove(clock.instant()));
        return spend.isPresent();
    }

    @Transactional
    boolean putBack(UUID id) {
        Optional<StoredSpend> spend = repository.findById(id).filter(StoredSpend::isRemoved);
        spend.ifPresent(StoredSpend::putBack);
        return spend.isPresent();
    }

    /**
     * What of a spend falls in a period, for a source.
     *
     * @param link if it was spent on this link of it alone
     * @param campaign if it is a source's share of what this campaign cost
     * @param firstDay of the period that it is for
     */
    public record Part(UUID source, Optional<UUID> link, Optional<UUID> campaign, LocalDate firstDay, long minor) {}

    @Transactional(readOnly = true)
    public List<Part> parts(Period period) {
        List<Part> parts = new ArrayList<>();
        for (SpendQueries.Row row : queries.list(period)) {
            Cost cost = row.cost();
            LocalDate first =
                    cost.firstDay().isBefore(period.startInclusive()) ? period.startInclusive() : cost.firstDay();
            cost.source()
                    .ifPresent(source ->
                            parts.add(new Part(source, cost.link(), Optional.empty(), first, row.inPeriodMinor())));
            cost.campaign()
                    .ifPresent(campaign -> shares.share(
                                    campaign, cost.sharedBy().orElse(SharedBy.EQUALLY), row.inPeriodMinor(), period)
                            .forEach((source, minor) -> parts.add(
                                    new Part(source, Optional.empty(), Optional.of(campaign), first, minor))));
        }
        added.forEach(more -> parts.addAll(more.parts(period)));
        return List.copyOf(parts);
    }

    /** The first day of the period that something was spent on a source; empty if nothing was. */
    @Transactional(readOnly = true)
    public Optional<LocalDate> firstDay(UUID source, Period period) {
        return parts(period).stream()
                .filter(part -> part.source().equals(source) && part.minor() > 0)
                .map(Part::firstDay)
                .min(Comparator.naturalOrder());
    }

    /** A source that people came by, and that nothing is entered for. */
    public record Missing(UUID source, String name, Channel channel, long people) {}

    /** Most people first. */
    @Transactional(readOnly = true)
    public List<Missing> missing(Period period) {
        return queries.missing(period, List.copyOf(bySource(period).keySet()));
    }

    /** What of each source's spend falls in the period, in minor units. A source without any is absent. */
    @Transactional(readOnly = true)
    public Map<UUID, Long> bySource(Period period) {
        return parts(period).stream().collect(Collectors.groupingBy(Part::source, Collectors.summingLong(Part::minor)));
    }
}
