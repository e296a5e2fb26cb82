package wendo.app.outcome.outcomes;

import java.time.Clock;
import java.util.ArrayList;
import java.util.List;
import org.jspecify.annotations.Nullable;
import org.springframework.http.HttpStatus;
import org.springframework.transaction.annotation.Transactional;
import org.springframework.web.bind.annotation.PostMapping;
import org.springframework.web.bind.annotation.RequestBody;
import org.springframework.web.bind.annotation.RestController;
import wendo.app.platform.business.Businesses;
import wendo.app.platform.site.ApiErrors;

/** Many outcomes of programs at once. */
@RestController
class OutcomeBatchApiController {
    private static final int MAX_BATCH = 500;

    private final Outcomes outcomes;
    private final Businesses businesses;
    private final Clock clock;

    OutcomeBatchApiController(Outcomes outcomes, Businesses businesses, Clock clock) {
        this.outcomes = outcomes;
        this.businesses = businesses;
        this.clock = clock;
    }

    record BatchBody(@Nullable List<@Nullable ReportBody> outcomes) {}

    /**
     * @param result new, changed, known or refused
     * @param warnings what was left out of a good one
     */
    record ResultBody(int place, String result, List<ApiErrors.Fault> errors, List<ApiErrors.Fault> warnings) {}

    record ResultsBody(List<ResultBody> results) {}

    /** Records those that are good, each once, and says of every one what became of it. */
    @PostMapping("/api/v1/outcomes/batch")
    @Transactional
    ResultsBody recordAll(@RequestBody BatchBody body) {
        List<@Nullable ReportBody> reports = body.outcomes() == null ? List.of() : body.outcomes();
        if (reports.isEmpty() || reports.size() > MAX_BATCH) {
            throw new ApiErrors(
                    HttpStatus.UNPROCESSABLE_CONTENT,
                    "Send 1 to %d outcomes at once; these were %d.".formatted(MAX_BATCH, reports.size()),
                    List.of());
        }
        List<ResultBody> results = new ArrayList<>();
        for (int place = 0; place < reports.size(); place++) {
            results.add(recordOne(place, reports.get(place)));
        }
        return new ResultsBody(results);
    }

    private ResultBody recordOne(int place, @Nullable ReportBody report) {
        try {
            if (report == null) {
                throw new ApiErrors(HttpStatus.UNPROCESSABLE_CONTENT, "An outcome is a JSON object.", List.of());
            }
            Recorded recorded = outcomes.record(report.check(businesses.current(), clock.instant()), Reporter.SERVER);
            if (recorded instanceof Recorded.Refused refused) {
                return new ResultBody(
                        place, "refused", List.of(new ApiErrors.Fault(refused.field(), refused.message())), List.of());
            }
            return new ResultBody(place, word(recorded), List.of(), report.warnings());
        } catch (ApiErrors e) {
            return new ResultBody(place, "refused", e.faults(), List.of());
        }
    }

    private static String word(Recorded recorded) {
        if (recorded instanceof Recorded.New) {
            return "new";
        }
        return recorded instanceof Recorded.Changed ? "changed" : "known";
    }
}
