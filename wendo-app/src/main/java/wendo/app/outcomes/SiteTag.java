package wendo.app.outcomes;

import jakarta.servlet.http.HttpServletRequest;
import java.io.IOException;
import java.time.Clock;
import org.jspecify.annotations.Nullable;
import org.springframework.http.ResponseEntity;
import org.springframework.web.bind.annotation.CrossOrigin;
import org.springframework.web.bind.annotation.PostMapping;
import org.springframework.web.bind.annotation.RestController;
import tools.jackson.databind.JsonNode;
import wendo.app.business.Business;
import wendo.app.business.BusinessId;
import wendo.app.business.BusinessScope;
import wendo.app.business.Businesses;
import wendo.app.visits.TagCalls;
import wendo.core.outcomes.OutcomeReport;

/**
 * Where the site tag reports outcomes from visitors' browsers. Anybody can call it with a site's public key, so it is
 * small, slow to repeat and can only add outcomes.
 */
@RestController
class SiteTag {

    private final TagCalls calls;
    private final Outcomes outcomes;
    private final Businesses businesses;
    private final BusinessScope scope;
    private final Clock clock;

    SiteTag(TagCalls calls, Outcomes outcomes, Businesses businesses, BusinessScope scope, Clock clock) {
        this.calls = calls;
        this.outcomes = outcomes;
        this.businesses = businesses;
        this.scope = scope;
        this.clock = clock;
    }

    record TagBody(
            @Nullable String site,
            @Nullable String kind,
            @Nullable JsonNode reference,
            @Nullable JsonNode value,
            @Nullable String currency,
            @Nullable String clickId) {}

    @CrossOrigin(origins = "*", allowCredentials = "false")
    @PostMapping("/t/outcomes")
    ResponseEntity<Void> report(HttpServletRequest request) throws IOException {
        TagBody body = calls.read(request, TagBody.class);
        BusinessId business = calls.business(body.site());
        scope.within(business, () -> {
            Business current = businesses.current();
            OutcomeReport report = new ReportBody(
                            body.kind(),
                            body.reference(),
                            body.value(),
                            body.currency(),
                            body.clickId(),
                            null,
                            null,
                            null)
                    .check(current, clock.instant());
            return outcomes.record(report, Reporter.SITE_TAG);
        });
        return ResponseEntity.noContent().build();
    }
}
