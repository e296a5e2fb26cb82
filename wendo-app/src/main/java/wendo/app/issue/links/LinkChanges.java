package wendo.app.issue.links;

import jakarta.persistence.EntityManager;
import java.io.Serializable;
import java.time.Clock;
import java.time.Instant;
import java.time.temporal.ChronoUnit;
import java.util.ArrayList;
import java.util.Arrays;
import java.util.LinkedHashMap;
import java.util.LinkedHashSet;
import java.util.List;
import java.util.Map;
import java.util.Objects;
import java.util.Optional;
import java.util.Set;
import java.util.UUID;
import org.springframework.context.ApplicationEventPublisher;
import org.springframework.stereotype.Service;
import org.springframework.transaction.annotation.Transactional;
import wendo.app.platform.site.Texts;
import wendo.app.prepare.destinations.Destinations;
import wendo.core.links.WebAddress;

/** Changes of many links at once. Each can be undone; what somebody changed since is then left as it is. */
@Service
public class LinkChanges {
    public static final int MOST_LINKS = 20_000;
    private static final int AT_ONCE = 500;

    private final LinkRepository links;
    private final Destinations destinations;
    private final EntityManager entities;
    private final BulkChangeRepository repository;
    private final ApplicationEventPublisher events;
    private final Clock clock;

    LinkChanges(
            LinkRepository links,
            Destinations destinations,
            EntityManager entities,
            BulkChangeRepository repository,
            ApplicationEventPublisher events,
            Clock clock) {
        this.links = links;
        this.destinations = destinations;
        this.entities = entities;
        this.repository = repository;
        this.events = events;
        this.clock = clock;
    }

    /** @param links those that it changed */
    public record Made(UUID id, String said, int links, Instant at, String by, boolean isUndone)
            implements Serializable {}

    /** @param left links that somebody changed since; they stay as they are now */
    public record Undone(int back, int left) {}

    /** One link before and after. */
    private record Row(UUID link, String before, String after) {}

    /** Empty if nothing had to be changed. {@code said} tells people what was done. */
    @Transactional
    public Optional<Made> make(List<UUID> wanted, LinkChange change, String said, String by) {
        LinkProperty property = property(change);
        LinkDestination.Change stamp =
                new LinkDestination.Change(by, now(), change instanceof LinkChange.LeadTo to ? to.reason() : "");
        Set<UUID> touched = new LinkedHashSet<>(wanted);
        List<Row> rows = each(List.copyOf(touched), link -> {
            String before = link.read(property);
            apply(link, change, stamp);
            return new Row(link.id(), before, link.read(property));
        });
        if (rows.isEmpty()) {
            return Optional.empty();
        }
        Made made = new Made(UUID.randomUUID(), said, rows.size(), stamp.at(), by, false);
        store(made, property, rows);
        tell(property, rows);
        return Optional.of(made);
    }

    private static LinkProperty property(LinkChange change) {
        if (change instanceof LinkChange.Archive) {
            return LinkProperty.ARCHIVED;
        }
        if (change instanceof LinkChange.Label) {
            return LinkProperty.LABELS;
        }
        if (change instanceof LinkChange.CountFrom) {
            return LinkProperty.COUNTED_FROM;
        }
        return change instanceof LinkChange.GiveTo ? LinkProperty.OWNER : LinkProperty.DESTINATION;
    }

    /** As fine as the database keeps it: what was written has to be what is read again. */
    private Instant now() {
        return clock.instant().truncatedTo(ChronoUnit.MICROS);
    }

    private interface Turn {
        Row on(Link link);
    }

    /** The rows of those links that a turn changed; links are let go in groups. */
    private List<Row> each(List<UUID> wanted, Turn turn) {
        List<Row> rows = new ArrayList<>();
        for (int from = 0; from < wanted.size(); from += AT_ONCE) {
            for (Link link : links.findAllByIdIn(wanted.subList(from, Math.min(wanted.size(), from + AT_ONCE)))) {
                Row row = turn.on(link);
                if (!row.before().equals(row.after())) {
                    rows.add(row);
                }
            }
            entities.flush();
            entities.clear();
        }
        return rows;
    }

    private void tell(LinkProperty property, List<Row> rows) {
        if (property == LinkProperty.COUNTED_FROM && !rows.isEmpty()) {
            events.publishEvent(
                    new LinksCountedAfresh(rows.stream().map(Row::link).toList()));
        }
    }

    private void apply(Link link, LinkChange change, LinkDestination.Change stamp) {
        if (change instanceof LinkChange.Archive archive) {
            if (archive.away() == link.read(LinkProperty.ARCHIVED).isEmpty()) {
                link.put(LinkProperty.ARCHIVED, archive.away() ? stamp.at().toString() : "");
            }
        } else if (change instanceof LinkChange.Label label) {
            link.put(LinkProperty.LABELS, labels(link.read(LinkProperty.LABELS), label));
        } else if (change instanceof LinkChange.GiveTo to) {
            link.put(LinkProperty.OWNER, to.owner().map(UUID::toString).orElse(""));
        } else if (change instanceof LinkChange.CountFrom from) {
            link.put(
                    LinkProperty.COUNTED_FROM,
                    from.moment().map(Instant::toString).orElse(""));
        } else {
            WebAddress address = ((LinkChange.LeadTo) change).address();
            lead(link, destinations.findOrCreate(address).id(), address, stamp);
        }
    }

    /** A link that has as many labels as it may have stays as it is. */
    private static String labels(String before, LinkChange.Label change) {
        Set<String> labels = new LinkedHashSet<>(before.isEmpty() ? List.of() : Arrays.asList(before.split("\n", -1)));
        if (!change.isPut()) {
            labels.remove(change.label());
        } else if (labels.size() < TermRules.MAX_LABELS) {
            labels.add(change.label());
        }
        return String.join("\n", labels);
    }

    private void lead(Link link, UUID destination, WebAddress address, LinkDestination.Change stamp) {
        if (!link.read(LinkProperty.DESTINATION).equals(destination.toString())) {
            link.leadTo(destination, address);
            entities.persist(new LinkDestination(link.id(), destination, address.toString(), stamp));
        }
    }

    private void store(Made made, LinkProperty property, List<Row> rows) {
        entities.persist(new BulkChange(made, property));
        int pending = 0;
        for (Row row : rows) {
            entities.persist(new BulkChangeRow(made.id(), row.link(), row.before(), row.after()));
            if (++pending % AT_ONCE == 0) {
                entities.flush();
                entities.clear();
            }
        }
    }

    /** Empty if there is no such change, or if it was undone already. */
    @Transactional
    public Optional<Undone> undo(UUID change, String by) {
        Optional<BulkChange> made = repository.lock(change).filter(one -> !one.isUndone());
        made.ifPresent(one -> one.undo(clock.instant(), by));
        return made.map(one -> putBack(change, one.property(), by));
    }

    private Undone putBack(UUID change, LinkProperty property, String by) {
        Map<UUID, Row> made = new LinkedHashMap<>();
        for (BulkChangeRow row : repository.rows(change)) {
            made.put(row.link(), new Row(row.link(), row.before(), row.after()));
        }
        LinkDestination.Change stamp =
                new LinkDestination.Change(by, clock.instant(), Texts.kept("issue.links.undone"));
        List<Row> back = each(List.copyOf(made.keySet()), link -> {
            Row row = Objects.requireNonNull(made.get(link.id()));
            String now = link.read(property);
            if (now.equals(row.after())) {
                putBack(link, property, row.before(), stamp);
            }
            return new Row(link.id(), now, link.read(property));
        });
        tell(property, back);
        return new Undone(back.size(), made.size() - back.size());
    }

    private void putBack(Link link, LinkProperty property, String before, LinkDestination.Change stamp) {
        if (property == LinkProperty.DESTINATION) {
            UUID destination = UUID.fromString(before);
            String address = destinations.find(destination).orElseThrow().address();
            lead(link, destination, WebAddress.of(address), stamp);
        } else {
            link.put(property, before);
        }
    }
}
