package wendo.app.visit.disclosure;

import jakarta.servlet.http.HttpServletRequest;
import java.time.Duration;
import java.util.List;
import java.util.Locale;
import org.springframework.http.CacheControl;
import org.springframework.http.ResponseEntity;
import org.springframework.web.bind.annotation.CrossOrigin;
import org.springframework.web.bind.annotation.GetMapping;
import org.springframework.web.bind.annotation.RequestParam;
import org.springframework.web.bind.annotation.RestController;
import wendo.app.platform.business.BusinessId;
import wendo.app.platform.business.BusinessScope;
import wendo.app.platform.business.Businesses;
import wendo.app.platform.site.CallLimit;
import wendo.app.platform.site.PublicLanguages;
import wendo.app.platform.site.Texts;
import wendo.core.visits.OutgoingPattern;

/** Tells the site tag where to say that links earn, in which words, and which links these are. */
@RestController
class DisclosureCalls {
    private static final int CALLS_PER_MINUTE = 120;
    private static final Duration KEPT = Duration.ofMinutes(10);

    private final Disclosures disclosures;
    private final Businesses businesses;
    private final BusinessScope scope;
    private final CallLimit limit = new CallLimit(CALLS_PER_MINUTE);

    DisclosureCalls(Disclosures disclosures, Businesses businesses, BusinessScope scope) {
        this.disclosures = disclosures;
        this.businesses = businesses;
        this.scope = scope;
    }

    /** @param links hosts with what lies below them; {@code *} stands for any text */
    record Told(String place, String language, String text, List<String> links) {}

    @CrossOrigin(origins = "*", allowCredentials = "false")
    @GetMapping("/t/disclosure")
    ResponseEntity<Told> tell(
            @RequestParam(defaultValue = "") String site,
            @RequestParam(defaultValue = "") String language,
            HttpServletRequest request) {
        limit.mustAllow(request.getRemoteAddr());
        return businesses
                .findBySiteKey(site)
                .map(business -> ResponseEntity.ok()
                        .cacheControl(CacheControl.maxAge(KEPT).cachePublic())
                        .body(told(business, language)))
                .orElseGet(() -> ResponseEntity.notFound().build());
    }

    private Told told(BusinessId business, String language) {
        return scope.within(business, () -> {
            Disclosures.Setting setting = disclosures.setting();
            if (setting.place() == DisclosurePlace.OFF) {
                return new Told(setting.place().key(), "", "", List.of());
            }
            Locale reader = PublicLanguages.of(language)
                    .orElseGet(() -> businesses.current().locale());
            return new Told(
                    setting.place().key(),
                    Texts.language(reader).getLanguage(),
                    setting.text(reader),
                    disclosures.earning().stream().map(OutgoingPattern::text).toList());
        });
    }
}
