package wendo.app.outcome.outcomes;

import java.time.DateTimeException;
import java.time.Instant;
import java.time.LocalDate;
import java.time.OffsetDateTime;
import java.util.ArrayList;
import java.util.List;
import java.util.Optional;
import org.jspecify.annotations.Nullable;
import org.springframework.http.HttpStatus;
import tools.jackson.databind.JsonNode;
import wendo.app.platform.business.Business;
import wendo.app.platform.site.ApiErrors;
import wendo.core.outcomes.Occurrence;
import wendo.core.outcomes.OutcomeReport;
import wendo.core.outcomes.ReportedDetails;

/** The JSON that reports an outcome. Numbers may come as numbers or as text. */
record ReportBody(
        @Nullable String kind,
        @Nullable JsonNode reference,
        @Nullable JsonNode value,
        @Nullable String currency,
        @Nullable String clickId,
        @Nullable String occurredAt,
        @Nullable String status,
        @Nullable JsonNode refunded,
        @Nullable JsonNode delivery,
        @Nullable String name,
        @Nullable String email,
        @Nullable JsonNode phone,
        @Nullable JsonNode code,
        @Nullable String answer,
        @Nullable JsonNode items,
        @Nullable JsonNode note) {
    private static final int DAY_ALONE = "2026-05-03".length();

    /** The checked report; a fault names its field. */
    OutcomeReport check(Business business, Instant now) {
        OutcomeReport.Fields fields = new OutcomeReport.Fields(
                orEmpty(kind),
                text(reference),
                text(value),
                orEmpty(currency),
                orEmpty(clickId),
                time(business),
                orEmpty(status),
                text(refunded),
                text(delivery),
                new ReportedDetails.Typed(
                        orEmpty(name),
                        orEmpty(email),
                        text(phone),
                        business.locale().getCountry(),
                        text(code),
                        orEmpty(answer),
                        itemLine(),
                        text(note)));
        OutcomeReport.Read read = OutcomeReport.of(fields, business.currency(), now);
        if (read instanceof OutcomeReport.Read.Good good) {
            return good.report();
        }
        throw refusal(((OutcomeReport.Read.Bad) read)
                .faults().stream()
                        .map(fault -> new ApiErrors.Fault(fault.field(), fault.message()))
                        .toList());
    }

    /** What a site's server signs: these fields as they are sent, each on a line of its own. */
    String signed() {
        return String.join("\n", orEmpty(kind), text(reference), text(value), orEmpty(currency), orEmpty(clickId));
    }

    ReportBody at(Instant moment) {
        return new ReportBody(
                kind,
                reference,
                value,
                currency,
                clickId,
                moment.toString(),
                status,
                refunded,
                delivery,
                name,
                email,
                phone,
                code,
                answer,
                items,
                note);
    }

    /** What was left out of a good report, and why. */
    List<ApiErrors.Fault> warnings() {
        return OutcomeReport.malformedClick(orEmpty(clickId)).stream()
                .map(said -> new ApiErrors.Fault("clickId", said.english()))
                .toList();
    }

    /** A line of text, or a list whose entries are texts, or have a name and perhaps a quantity. */
    private String itemLine() {
        if (items == null || !items.isArray()) {
            return text(items);
        }
        List<String> all = new ArrayList<>();
        items.forEach(item -> all.add(
                item.isObject()
                        ? (item.hasNonNull("quantity") ? text(item.get("quantity")) + " × " : "")
                                + text(item.get("name"))
                        : text(item)));
        return String.join(", ", all);
    }

    private Optional<Occurrence> time(Business business) {
        if (occurredAt == null || occurredAt.isBlank()) {
            return Optional.empty();
        }
        try {
            String written = occurredAt.strip();
            return Optional.of(
                    written.length() == DAY_ALONE
                            ? Occurrence.on(LocalDate.parse(written), business.zone())
                            : Occurrence.at(OffsetDateTime.parse(written).toInstant()));
        } catch (DateTimeException e) {
            throw refusal(List.of(new ApiErrors.Fault(
                    "occurredAt",
                    "Must be a time with its offset, like 2026-05-03T14:02:00Z, or a day alone, like 2026-05-03.")));
        }
    }

    private static ApiErrors refusal(List<ApiErrors.Fault> faults) {
        return new ApiErrors(HttpStatus.UNPROCESSABLE_CONTENT, "Nothing was recorded; see errors.", faults);
    }

    private static String text(@Nullable JsonNode node) {
        return node == null || node.isNull() ? "" : node.isValueNode() ? node.asString() : node.toString();
    }

    private static String orEmpty(@Nullable String text) {
        return text == null ? "" : text;
    }
}
