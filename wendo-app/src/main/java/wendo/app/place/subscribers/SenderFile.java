package wendo.app.place.subscribers;

import java.time.Instant;
import java.time.ZoneId;
import java.time.ZonedDateTime;
import java.time.format.DateTimeFormatter;
import java.time.temporal.ChronoUnit;
import java.util.Arrays;
import java.util.List;
import java.util.Locale;
import java.util.stream.Stream;
import wendo.app.platform.site.Limits;

/**
 * The file of subscribers that a sending system takes.
 *
 * @param columns from left to right; none while nobody has said which
 * @param separator what parts several labels in one cell
 */
record SenderFile(List<Column> columns, DateStyle dates, String separator) {
    static final int MOST_COLUMNS = 40;
    static final List<String> SEPARATORS = List.of(",", ";", "|");

    SenderFile {
        columns = List.copyOf(columns);
    }

    static SenderFile none() {
        return new SenderFile(List.of(), DateStyle.ISO, ",");
    }

    /** A heading that is longer than any would be is cut. */
    record Column(String heading, SubscriberField field) {
        Column {
            heading = heading.length() <= Limits.SHORT_NAME ? heading : heading.substring(0, Limits.SHORT_NAME);
        }
    }

    /** How days and times are written. */
    enum DateStyle {
        ISO("yyyy-MM-dd'T'HH:mm:ssXXX"),
        SPACED("yyyy-MM-dd HH:mm:ss"),
        DAY("yyyy-MM-dd"),
        DAY_FIRST("dd/MM/yyyy"),
        MONTH_FIRST("MM/dd/yyyy");

        private final DateTimeFormatter format;

        DateStyle(String pattern) {
            this.format = DateTimeFormatter.ofPattern(pattern, Locale.ROOT);
        }

        public String key() {
            return name().toLowerCase(Locale.ROOT).replace('_', '-');
        }

        static DateStyle of(String key) {
            return Arrays.stream(values())
                    .filter(one -> one.key().equals(key))
                    .findFirst()
                    .orElse(ISO);
        }

        String write(ZonedDateTime at) {
            return format.format(at.truncatedTo(ChronoUnit.SECONDS));
        }

        /** A moment as it would stand there. */
        public String example() {
            return write(ZonedDateTime.of(2026, 5, 3, 14, 30, 0, 0, ZoneId.of("UTC")));
        }
    }

    /** Told of by a file's first line: what its columns are called, and what they usually mean. */
    static List<Column> columns(String firstLine) {
        String parts = Stream.of("\t", ";", ",")
                .filter(firstLine::contains)
                .findFirst()
                .orElse(",");
        return Arrays.stream(firstLine.strip().split(parts, -1))
                .map(one -> one.strip().replaceAll("^\"|\"$", "").strip())
                .filter(one -> !one.isEmpty())
                .limit(MOST_COLUMNS)
                .map(heading -> new Column(heading, SubscriberField.guess(heading)))
                .toList();
    }

    public List<String> headings() {
        return columns.stream().map(Column::heading).toList();
    }

    public boolean isTold() {
        return !columns.isEmpty();
    }

    List<String> row(SubscriberQueries.Row subscriber, ZoneId zone) {
        return columns.stream().map(one -> cell(one.field(), subscriber, zone)).toList();
    }

    private String cell(SubscriberField field, SubscriberQueries.Row one, ZoneId zone) {
        return switch (field) {
            case EMAIL -> one.email();
            case JOINED_AT -> moment(one.subscribedAt(), zone);
            case LABELS -> String.join(separator, one.labels());
            case LISTS -> one.lists();
            case SOURCE -> one.source();
            case CAMPAIGN -> one.campaign();
            case LINK -> one.link();
            case WORDS -> one.words();
            case AGREED_AT -> one.agreedAt().map(at -> moment(at, zone)).orElse("");
            case PAGE -> one.page();
            case NOTHING -> "";
        };
    }

    private String moment(Instant at, ZoneId zone) {
        return dates.write(at.atZone(zone));
    }
}
