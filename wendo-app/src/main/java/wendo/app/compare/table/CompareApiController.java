package wendo.app.compare.table;

import java.math.BigDecimal;
import java.math.RoundingMode;
import java.time.LocalDate;
import java.util.Arrays;
import java.util.LinkedHashMap;
import java.util.List;
import java.util.Map;
import java.util.Optional;
import java.util.OptionalDouble;
import java.util.function.Function;
import java.util.stream.Collectors;
import org.jspecify.annotations.Nullable;
import org.springframework.http.HttpStatus;
import org.springframework.web.bind.annotation.GetMapping;
import org.springframework.web.bind.annotation.RequestMapping;
import org.springframework.web.bind.annotation.RestController;
import wendo.app.compare.sql.CompareChoice;
import wendo.app.compare.sql.CreditClock;
import wendo.app.compare.sql.Grouping;
import wendo.app.platform.business.Business;
import wendo.app.platform.site.ApiErrors;
import wendo.app.platform.site.PeriodChoice;
import wendo.app.platform.site.TypedFields;
import wendo.core.credit.ModelName;
import wendo.core.measure.Interval;
import wendo.core.outcomes.OutcomeKind;

/** The comparison for programs. */
@RestController
@RequestMapping("/api/v1/compare")
class CompareApiController {
    private final Comparisons comparisons;

    CompareApiController(Comparisons comparisons) {
        this.comparisons = comparisons;
    }

    /** A value with its 95 % interval; null where there is none. */
    record Estimate(
            @Nullable BigDecimal value,
            @Nullable BigDecimal low,
            @Nullable BigDecimal high) {}

    record RowBody(
            String key,
            String name,
            @Nullable String channel,
            long visits,
            @Nullable Long people,
            BigDecimal leads,
            BigDecimal bookings,
            BigDecimal purchases,
            BigDecimal revenue,
            @Nullable BigDecimal spend,
            Estimate leadRate,
            Estimate bookingRate,
            Estimate purchaseRate,
            Estimate costPerLead,
            Estimate costPerBooking,
            Estimate costPerPurchase,
            BigDecimal subscriptions,
            Estimate subscriptionRate,
            Estimate costPerSubscription,
            Map<String, String> verdicts) {}

    record CompareBody(
            LocalDate from,
            LocalDate to,
            String by,
            String model,
            String clock,
            String currency,
            List<RowBody> rows,
            RowBody total,
            long differentPeople) {}

    @GetMapping
    CompareBody compare(TypedFields asked, PeriodChoice choice, Business business) {
        String by = asked.text("by", Grouping.SOURCE.key());
        String model = asked.text("model", ModelName.LAST_NON_DIRECT.key());
        String clock = asked.text("clock", CreditClock.OUTCOME.key());
        require(
                Grouping.find(by).isPresent(),
                "by",
                "Must be one of %s, but was \"%s\".".formatted(keys(Grouping.values(), Grouping::key), by));
        require(
                ModelName.find(model).isPresent(),
                "model",
                "Must be one of %s, but was \"%s\".".formatted(keys(ModelName.values(), ModelName::key), model));
        require(
                CreditClock.find(clock).isPresent(),
                "clock",
                "Must be one of %s, but was \"%s\".".formatted(keys(CreditClock.values(), CreditClock::key), clock));
        choice.fault()
                .ifPresent(fault -> require(false, "from", "Two days are needed, like from=2026-05-01&to=2026-05-31."));
        Comparison comparison = comparisons.compare(
                choice.period(),
                business,
                CompareChoice.usual()
                        .with(Grouping.find(by).orElseThrow())
                        .with(ModelName.find(model).orElseThrow())
                        .with(CreditClock.find(clock).orElseThrow()));
        int decimals = business.currency().getDecimalPlaces();
        Map<OutcomeKind, Map<String, Judged>> judged = comparison.judgedByKind();
        return new CompareBody(
                choice.period().startInclusive(),
                choice.period().lastDay(),
                by,
                model,
                clock,
                business.currency().getCode(),
                comparison.rows().stream()
                        .map(row -> body(row, judged, decimals))
                        .toList(),
                body(comparison.total(), judged, decimals),
                comparison.differentPeople());
    }

    private static <T> String keys(T[] all, Function<T, String> key) {
        return Arrays.stream(all).map(key).collect(Collectors.joining(", "));
    }

    private static void require(boolean isRight, String field, String message) {
        if (!isRight) {
            throw new ApiErrors(
                    HttpStatus.BAD_REQUEST,
                    "Nothing was compared; see errors.",
                    List.of(new ApiErrors.Fault(field, message)));
        }
    }

    private static RowBody body(ComparedRow row, Map<OutcomeKind, Map<String, Judged>> judged, int decimals) {
        return new RowBody(
                row.key(),
                row.name(),
                row.channel().map(channel -> channel.key()).orElse(null),
                row.visits(),
                row.knowsPeople() ? row.people() : null,
                row.credited(OutcomeKind.LEAD).number(),
                row.credited(OutcomeKind.BOOKING).number(),
                row.credited(OutcomeKind.PURCHASE).number(),
                BigDecimal.valueOf(row.revenueMinor(), decimals),
                row.spendMinor()
                        .map(minor -> BigDecimal.valueOf(minor, decimals))
                        .orElse(null),
                rate(row, OutcomeKind.LEAD),
                rate(row, OutcomeKind.BOOKING),
                rate(row, OutcomeKind.PURCHASE),
                cost(row, OutcomeKind.LEAD, decimals),
                cost(row, OutcomeKind.BOOKING, decimals),
                cost(row, OutcomeKind.PURCHASE, decimals),
                row.credited(OutcomeKind.SUBSCRIPTION).number(),
                rate(row, OutcomeKind.SUBSCRIPTION),
                cost(row, OutcomeKind.SUBSCRIPTION, decimals),
                verdicts(row, judged));
    }

    /** By outcome; what cannot be judged is absent. */
    private static Map<String, String> verdicts(ComparedRow row, Map<OutcomeKind, Map<String, Judged>> judged) {
        Map<String, String> verdicts = new LinkedHashMap<>();
        for (OutcomeKind kind : OutcomeKind.values()) {
            Optional.ofNullable(judged.getOrDefault(kind, Map.of()).get(row.key()))
                    .filter(Judged::isPossible)
                    .ifPresent(one -> verdicts.put(kind.key(), one.words()));
        }
        return verdicts;
    }

    private static Estimate rate(ComparedRow row, OutcomeKind kind) {
        return estimate(row.rate(kind).value(), row.rate(kind).interval(), 0, 6);
    }

    private static Estimate cost(ComparedRow row, OutcomeKind kind, int decimals) {
        return estimate(row.costPer(kind).valueMinor(), row.costPer(kind).intervalMinor(), decimals, decimals);
    }

    private static Estimate estimate(OptionalDouble value, Optional<Interval> interval, int shift, int scale) {
        return new Estimate(
                value.isPresent() ? rounded(value.getAsDouble(), shift, scale) : null,
                interval.map(bounds -> rounded(bounds.low(), shift, scale)).orElse(null),
                interval.filter(bounds -> Double.isFinite(bounds.high()))
                        .map(bounds -> rounded(bounds.high(), shift, scale))
                        .orElse(null));
    }

    private static BigDecimal rounded(double number, int shift, int scale) {
        return BigDecimal.valueOf(number).movePointLeft(shift).setScale(scale, RoundingMode.HALF_UP);
    }
}
