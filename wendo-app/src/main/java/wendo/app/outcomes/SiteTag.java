package wendo.app.outcomes;

import jakarta.servlet.http.HttpServletRequest;
import java.io.IOException;
import java.io.InputStream;
import java.nio.charset.StandardCharsets;
import java.time.Clock;
import java.util.List;
import org.jspecify.annotations.Nullable;
import org.springframework.http.HttpStatus;
import org.springframework.http.ResponseEntity;
import org.springframework.web.bind.annotation.CrossOrigin;
import org.springframework.web.bind.annotation.PostMapping;
import org.springframework.web.bind.annotation.RestController;
import tools.jackson.core.JacksonException;
import tools.jackson.databind.JsonNode;
import tools.jackson.databind.json.JsonMapper;
import wendo.app.business.Business;
import wendo.app.business.BusinessId;
import wendo.app.business.BusinessScope;
import wendo.app.business.Businesses;
import wendo.app.site.ApiFaults;
import wendo.app.site.CallLimit;
import wendo.core.outcomes.OutcomeReport;

/**
 * Where the site tag reports outcomes from visitors' browsers. Anybody can call it with a site's public key, so it is
 * small, slow to repeat and can only add outcomes.
 */
@RestController
class SiteTag {
    private static final int MAX_BODY = 4096;

    private final Outcomes outcomes;
    private final Businesses businesses;
    private final BusinessScope scope;
    private final JsonMapper json;
    private final Clock clock;
    private final CallLimit limit = new CallLimit(60);

    SiteTag(Outcomes outcomes, Businesses businesses, BusinessScope scope, JsonMapper json, Clock clock) {
        this.outcomes = outcomes;
        this.businesses = businesses;
        this.scope = scope;
        this.json = json;
        this.clock = clock;
    }

    record TagBody(
            @Nullable String site,
            @Nullable String kind,
            @Nullable JsonNode reference,
            @Nullable JsonNode value,
            @Nullable String currency,
            @Nullable String clickId) {}

    /** The tag sends its JSON as plain text, which browsers pass on to other hosts without asking first. */
    @CrossOrigin(origins = "*", allowCredentials = "false")
    @PostMapping("/t/outcomes")
    ResponseEntity<Void> report(HttpServletRequest request) throws IOException {
        limit.mustAllow(request.getRemoteAddr());
        TagBody body = read(request.getInputStream());
        BusinessId business = businesses
                .findBySiteKey(body.site() == null ? "" : body.site())
                .orElseThrow(() -> new ApiFaults(
                        HttpStatus.NOT_FOUND,
                        "No business has this site key; copy the tag again from Setup.",
                        List.of()));
        scope.within(business, () -> {
            Business current = businesses.current();
            OutcomeReport report = new ReportBody(
                            body.kind(), body.reference(), body.value(), body.currency(), body.clickId(), null)
                    .check(current, clock.instant());
            return outcomes.record(report, Reporter.SITE_TAG);
        });
        return ResponseEntity.noContent().build();
    }

    private TagBody read(InputStream in) throws IOException {
        byte[] bytes = in.readNBytes(MAX_BODY + 1);
        if (bytes.length > MAX_BODY) {
            throw new ApiFaults(HttpStatus.CONTENT_TOO_LARGE, "A report has at most 4096 bytes.", List.of());
        }
        try {
            return json.readValue(new String(bytes, StandardCharsets.UTF_8), TagBody.class);
        } catch (JacksonException e) {
            throw new ApiFaults(HttpStatus.BAD_REQUEST, "A report is a JSON object.", List.of());
        }
    }
}
