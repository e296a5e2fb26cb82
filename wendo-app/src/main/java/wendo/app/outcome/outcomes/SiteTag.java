package wendo.app.outcome.outcomes;

import jakarta.servlet.http.HttpServletRequest;
import java.io.IOException;
import java.time.Clock;
import java.util.Base64;
import java.util.Map;
import java.util.Optional;
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
import wendo.app.platform.business.BusinessId;
import wendo.app.platform.business.BusinessScope;
import wendo.app.platform.business.Businesses;
import wendo.app.visit.sitetag.TagCalls;
import wendo.app.visit.visits.Automatic;
import wendo.core.outcomes.OutcomeReport;
import wendo.core.visits.SiteVisitor;

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
    private final ReportTrust trust;
    private final OutcomeReviews reviews;
    private final Clock clock;

    SiteTag(
            TagCalls calls,
            Outcomes outcomes,
            Businesses businesses,
            BusinessScope scope,
            Automatic automatic,
            ReportTrust trust,
            OutcomeReviews reviews,
            Clock clock) {
        this.calls = calls;
        this.outcomes = outcomes;
        this.businesses = businesses;
        this.scope = scope;
        this.automatic = automatic;
        this.trust = trust;
        this.reviews = reviews;
        this.clock = clock;
    }

    /** What the tag sends: a report without what only the business may tell. */
    record TagBody(
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
            @Nullable JsonNode note,
            @Nullable String visitor,
            @Nullable String signature) {
        ReportBody report() {
            return new ReportBody(
                    kind, reference, value, currency, clickId, null, null, null, null, name, email, phone, code, answer,
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
        calls.take(request, told, ImageFields.class, (business, fields) -> {
            if (!automatic.is(request)) {
                record(
                        business,
                        fields.report(),
                        new ReportSender(Reporter.IMAGE, "", ReportTrust.site(request), text(fields.signature())));
            }
        });
        return ResponseEntity.ok()
                .contentType(MediaType.IMAGE_GIF)
                .cacheControl(CacheControl.noStore())
                .header("Cross-Origin-Resource-Policy", "cross-origin")
                .body(POINT);
    }

    /** What the address of the image may tell. */
    record ImageFields(
            @Nullable String kind,
            @Nullable JsonNode reference,
            @Nullable JsonNode value,
            @Nullable String currency,
            @Nullable String wcl,
            @Nullable JsonNode code,
            @Nullable JsonNode items,
            @Nullable JsonNode note,
            @Nullable String signature) {
        ReportBody report() {
            return new ReportBody(
                    kind, reference, value, currency, wcl, null, null, null, null, null, null, null, code, null, items,
                    note);
        }
    }

    /** Counts it, or lets it wait for somebody's word. */
    private void record(BusinessId business, ReportBody body, ReportSender sent) {
        scope.within(business, () -> {
            OutcomeReport report = body.check(businesses.current(), clock.instant());
            Optional<String> doubt = trust.doubt(body, report, sent.site(), sent.signature());
            if (doubt.isPresent()) {
                reviews.hold(body, report, sent, doubt.get());
            } else if (outcomes.record(report, sent.reporter()) instanceof Recorded.New one) {
                SiteVisitor.find(sent.visitor()).ifPresent(who -> outcomes.by(one.outcome(), who));
            }
            return true;
        });
    }

    private static String text(@Nullable String told) {
        return told == null ? "" : told;
    }

    @CrossOrigin(origins = "*", allowCredentials = "false")
    @PostMapping("/t/outcomes")
    ResponseEntity<Void> report(HttpServletRequest request) throws IOException {
        calls.take(
                request,
                "outcome",
                TagBody.class,
                (business, body) -> record(
                        business,
                        body.report(),
                        new ReportSender(
                                Reporter.SITE_TAG,
                                text(body.visitor()),
                                ReportTrust.site(request),
                                text(body.signature()))));
        return ResponseEntity.noContent().build();
    }
}
