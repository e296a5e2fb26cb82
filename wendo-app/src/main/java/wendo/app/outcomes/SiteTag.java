package wendo.app.outcomes;

import jakarta.servlet.http.HttpServletRequest;
import java.io.IOException;
import java.time.Clock;
import java.util.Base64;
import java.util.Map;
import org.jspecify.annotations.Nullable;
import org.springframework.http.CacheControl;
import org.springframework.http.MediaType;
import org.springframework.http.ResponseEntity;
import org.springframework.web.bind.annotation.CrossOrigin;
import org.springframework.web.bind.annotation.GetMapping;
import org.springframework.web.bind.annotation.PostMapping;
import org.springframework.web.bind.annotation.RequestParam;
import org.springframework.web.bind.annotation.RestController;
import tools.jackson.databind.JsonNode;
import tools.jackson.databind.node.StringNode;
import wendo.app.business.Business;
import wendo.app.business.BusinessId;
import wendo.app.business.BusinessScope;
import wendo.app.business.Businesses;
import wendo.app.visits.Automatic;
import wendo.app.visits.TagCalls;
import wendo.core.outcomes.OutcomeReport;
import wendo.core.visits.ClickId;

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
    private final Automatic automatic;
    private final Clock clock;

    SiteTag(
            TagCalls calls,
            Outcomes outcomes,
            Businesses businesses,
            BusinessScope scope,
            Automatic automatic,
            Clock clock) {
        this.calls = calls;
        this.outcomes = outcomes;
        this.businesses = businesses;
        this.scope = scope;
        this.automatic = automatic;
        this.clock = clock;
    }

    /** What the tag sends: a report with the site's key and without what only the business may tell. */
    record TagBody(
            @Nullable String site,
            @Nullable String kind,
            @Nullable JsonNode reference,
            @Nullable JsonNode value,
            @Nullable String currency,
            @Nullable String clickId,
            @Nullable String name,
            @Nullable String email,
            @Nullable JsonNode phone,
            @Nullable JsonNode code,
            @Nullable String answer,
            @Nullable JsonNode items,
            @Nullable JsonNode note) {
        ReportBody report() {
            return new ReportBody(
                    kind, reference, value, currency, clickId, null, null, null, name, email, phone, code, answer,
                    items, note);
        }
    }

    /** A transparent point, 1 by 1, as GIF89a. */
    private static final byte[] POINT =
            Base64.getDecoder().decode("R0lGODlhAQABAIAAAAAAAP///yH5BAEAAAAALAAAAAABAAEAAAIBRAA7");

    /**
     * For pages that may hold no script: a plain image whose address tells what happened. Programs that fetch pages on
     * their own get the image and report nothing.
     */
    @GetMapping("/t/outcome.gif")
    ResponseEntity<byte[]> image(@RequestParam Map<String, String> told, HttpServletRequest request) {
        calls.mustAllow(request);
        BusinessId business = calls.business(told.get("site"));
        if (!automatic.is(request)) {
            record(
                    business,
                    new TagBody(
                                    told.get("site"),
                                    told.get("kind"),
                                    text(told.get("reference")),
                                    text(told.get("value")),
                                    told.get("currency"),
                                    told.get(ClickId.PARAMETER),
                                    null,
                                    null,
                                    null,
                                    text(told.get("code")),
                                    null,
                                    text(told.get("items")),
                                    text(told.get("note")))
                            .report(),
                    Reporter.IMAGE);
        }
        return ResponseEntity.ok()
                .contentType(MediaType.IMAGE_GIF)
                .cacheControl(CacheControl.noStore())
                .header("Cross-Origin-Resource-Policy", "cross-origin")
                .body(POINT);
    }

    private static JsonNode text(@Nullable String value) {
        return StringNode.valueOf(value == null ? "" : value);
    }

    private void record(BusinessId business, ReportBody body, Reporter reporter) {
        scope.within(business, () -> {
            Business current = businesses.current();
            OutcomeReport report = body.check(current, clock.instant());
            return outcomes.record(report, reporter);
        });
    }

    @CrossOrigin(origins = "*", allowCredentials = "false")
    @PostMapping("/t/outcomes")
    ResponseEntity<Void> report(HttpServletRequest request) throws IOException {
        TagBody body = calls.read(request, TagBody.class);
        BusinessId business = calls.business(body.site());
        record(business, body.report(), Reporter.SITE_TAG);
        return ResponseEntity.noContent().build();
    }
}
