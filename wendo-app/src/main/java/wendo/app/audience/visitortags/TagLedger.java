package wendo.app.audience.visitortags;

import java.time.Clock;
import java.time.Instant;
import java.time.LocalDate;
import java.util.Comparator;
import java.util.List;
import java.util.Map;
import java.util.Optional;
import java.util.TreeMap;
import java.util.UUID;
import org.springframework.context.event.EventListener;
import org.springframework.stereotype.Service;
import org.springframework.transaction.annotation.Transactional;
import wendo.app.platform.business.Businesses;
import wendo.app.visit.visits.TagsDecided;
import wendo.core.visits.ClickId;

/** What was tagged, refused and failed, and what visitors answered. */
@Service
public class TagLedger {
    private final TagCounts counts;
    private final ServerCalls calls;
    private final VisitorConsentRepository consents;
    private final TagDirectory directory;
    private final Businesses businesses;
    private final Clock clock;

    TagLedger(
            TagCounts counts,
            ServerCalls calls,
            VisitorConsentRepository consents,
            TagDirectory directory,
            Businesses businesses,
            Clock clock) {
        this.counts = counts;
        this.calls = calls;
        this.consents = consents;
        this.directory = directory;
        this.businesses = businesses;
        this.clock = clock;
    }

    /** What a visit is logged with: tags and what became of them. */
    public static String write(Map<UUID, TagResult> results) {
        StringBuilder text = new StringBuilder();
        results.forEach((tag, result) ->
                text.append(text.isEmpty() ? "" : ",").append(tag).append(result.letter()));
        return text.toString();
    }

    /** In the transaction that stores the visits. */
    @EventListener
    void on(TagsDecided event) {
        Map<TagCounts.Place, Long> sums = new TreeMap<>(TagCounts.ORDER);
        for (TagsDecided.Visit visit : event.visits()) {
            LocalDate day = day(visit.click().arrivedAt());
            for (String one : visit.tags().split(",", -1)) {
                read(one).ifPresent(read -> {
                    sums.merge(new TagCounts.Place(read.tag(), day, read.result()), 1L, Long::sum);
                    if (read.result() == TagResult.TAGGED) {
                        callServer(read.tag(), visit.click());
                    }
                });
            }
        }
        counts.add(sums);
    }

    private record Read(UUID tag, TagResult result) {}

    private static Optional<Read> read(String text) {
        return text.length() == 37
                ? TagResult.find(text.charAt(36))
                        .map(result -> new Read(UUID.fromString(text.substring(0, 36)), result))
                : Optional.empty();
    }

    private void callServer(UUID tag, ClickId click) {
        directory
                .find(tag)
                .filter(known -> known.kind() == TagKind.SERVER)
                .ifPresent(known -> calls.add(tag, click, clock.instant()));
    }

    private LocalDate day(Instant at) {
        return LocalDate.ofInstant(at, businesses.current().zone());
    }

    /** Refused by a unique key if this was answered so already. */
    @Transactional
    public void answered(TagAnswer given) {
        answered(given, clock.instant());
    }

    /** The same of an answer that was given at another time. */
    @Transactional
    public void answered(TagAnswer given, Instant now) {
        consents.saveAndFlush(new VisitorConsent(given, now));
        Map<TagCounts.Place, Long> sums = new TreeMap<>(TagCounts.ORDER);
        for (UUID tag : given.tags()) {
            results(given.answer()).forEach(result -> sums.put(new TagCounts.Place(tag, day(now), result), 1L));
            if (given.answer() == TagAnswer.Answer.YES) {
                callServer(tag, given.click());
            }
        }
        counts.add(sums);
    }

    private static List<TagResult> results(TagAnswer.Answer answer) {
        return switch (answer) {
            case YES -> List.of(TagResult.AGREED, TagResult.TAGGED);
            case NO -> List.of(TagResult.DECLINED);
            case NONE -> List.of(TagResult.UNANSWERED);
        };
    }

    /** A visitor's browser could not reach the desk. */
    @Transactional
    public void failed(List<UUID> tags) {
        LocalDate today = day(clock.instant());
        Map<TagCounts.Place, Long> sums = new TreeMap<>(TagCounts.ORDER);
        tags.stream()
                .sorted(Comparator.naturalOrder())
                .forEach(tag -> sums.put(new TagCounts.Place(tag, today, TagResult.FAILED), 1L));
        counts.add(sums);
    }
}
