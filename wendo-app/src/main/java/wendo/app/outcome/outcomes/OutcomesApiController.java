package wendo.app.outcome.outcomes;

import java.math.BigDecimal;
import java.time.Clock;
import java.time.Instant;
import java.util.List;
import java.util.Optional;
import java.util.UUID;
import org.jspecify.annotations.Nullable;
import org.springframework.http.HttpStatus;
import org.springframework.http.ResponseEntity;
import org.springframework.transaction.annotation.Transactional;
import org.springframework.web.bind.annotation.GetMapping;
import org.springframework.web.bind.annotation.PostMapping;
import org.springframework.web.bind.annotation.RequestBody;
import org.springframework.web.bind.annotation.RequestHeader;
import org.springframework.web.bind.annotation.RequestMapping;
import org.springframework.web.bind.annotation.RequestParam;
import org.springframework.web.bind.annotation.RestController;
import wendo.app.platform.business.Business;
import wendo.app.platform.business.Businesses;
import wendo.app.platform.site.ApiErrors;
import wendo.core.outcomes.OutcomeReport;
import wendo.core.visits.ClickId;

/** Outcomes for programs. */
@RestController
@RequestMapping("/api/v1/outcomes")
class OutcomesApiController {
    private static final int MAX_PAGE = 500;

    private final Outcomes outcomes;
    private final OutcomeQueries queries;
    private final IdempotencyKeys keys;
    private final Businesses businesses;
    private final Clock clock;

    OutcomesApiController(
            Outcomes outcomes, OutcomeQueries queries, IdempotencyKeys keys, Businesses businesses, Clock clock) {
        this.outcomes = outcomes;
        this.queries = queries;
        this.keys = keys;
        this.businesses = businesses;
        this.clock = clock;
    }

    /** {@code source} is null while nothing joins the outcome to one; {@code dayAlone} while its time is not known. */
    record OutcomeBody(
            UUID id,
            String kind,
            String reference,
            BigDecimal value,
            String currency,
            String status,
            BigDecimal refunded,
            @Nullable String clickId,
            Instant occurredAt,
            boolean dayAlone,
            String reportedBy,
            @Nullable String source,
            List<ApiErrors.Fault> warnings) {}

    record OutcomesBody(List<OutcomeBody> outcomes) {}

    /** 201 for the first news of an outcome; 200 for later news, which changes what it tells of. */
    @PostMapping
    @Transactional
    ResponseEntity<OutcomeBody> record(
            @RequestBody ReportBody body,
            @RequestHeader(name = "Idempotency-Key", required = false) Optional<String> key) {
        OutcomeReport report = body.check(businesses.current(), clock.instant());
        key.ifPresent(text -> keys.claim(text, body.toString()));
        Recorded recorded = outcomes.record(report, Reporter.SERVER);
        if (recorded instanceof Recorded.Refused refused) {
            throw new ApiErrors(
                    HttpStatus.UNPROCESSABLE_CONTENT,
                    "Nothing was recorded; see errors.",
                    List.of(new ApiErrors.Fault(refused.field(), refused.message())));
        }
        HttpStatus status = recorded instanceof Recorded.New ? HttpStatus.CREATED : HttpStatus.OK;
        return ResponseEntity.status(status)
                .body(body(
                        queries.find(report.kind(), report.reference()).orElseThrow(),
                        businesses.current(),
                        body.warnings()));
    }

    @GetMapping
    OutcomesBody list(@RequestParam(defaultValue = "100") int limit, @RequestParam(defaultValue = "0") long offset) {
        Business business = businesses.current();
        return new OutcomesBody(queries.newest(Math.max(1, Math.min(limit, MAX_PAGE)), Math.max(0, offset)).stream()
                .map(row -> body(row, business, List.of()))
                .toList());
    }

    private static OutcomeBody body(LedgerRow row, Business business, List<ApiErrors.Fault> warnings) {
        return new OutcomeBody(
                row.id(),
                row.kind().key(),
                row.reference(),
                BigDecimal.valueOf(
                        row.standing().valueMinor(), business.currency().getDecimalPlaces()),
                business.currency().getCode(),
                row.standing().status().key(),
                BigDecimal.valueOf(
                        row.standing().refundedMinor(), business.currency().getDecimalPlaces()),
                row.click().map(ClickId::toString).orElse(null),
                row.occurredAt(),
                row.isDayAlone(),
                row.reportedBy(),
                row.source().orElse(null),
                warnings);
    }
}
