package wendo.app.outcome.outcomes;

import jakarta.servlet.http.HttpServletRequest;
import java.net.URI;
import java.nio.charset.StandardCharsets;
import java.security.GeneralSecurityException;
import java.security.MessageDigest;
import java.util.HexFormat;
import java.util.Locale;
import java.util.Optional;
import javax.crypto.Mac;
import javax.crypto.spec.SecretKeySpec;
import org.springframework.stereotype.Component;
import wendo.app.platform.business.Businesses;
import wendo.app.platform.site.Texts;
import wendo.app.visit.sitetag.OwnSites;
import wendo.core.outcomes.OutcomeReport;

/** Whether a report that anybody can send with the site's public key is believed. Runs in the scope of its business. */
@Component
class ReportTrust {
    private static final String HMAC = "HmacSHA256"; // RFC 2104, FIPS 180-4

    private final OwnSites sites;
    private final Businesses businesses;

    ReportTrust(OwnSites sites, Businesses businesses) {
        this.sites = sites;
        this.businesses = businesses;
    }

    /** The host of the page that sent it, as its browser says; empty text if it says none. */
    static String site(HttpServletRequest request) {
        return Optional.ofNullable(request.getHeader("Origin"))
                .or(() -> Optional.ofNullable(request.getHeader("Referer")))
                .flatMap(ReportTrust::host)
                .orElse("");
    }

    private static Optional<String> host(String address) {
        try {
            return Optional.ofNullable(URI.create(address).getHost())
                    .filter(host -> host.length() <= 255)
                    .map(host -> host.toLowerCase(Locale.ROOT));
        } catch (IllegalArgumentException e) {
            return Optional.empty();
        }
    }

    /** Why it is not believed; empty if it is. */
    Optional<String> doubt(ReportBody body, OutcomeReport report, String site, String signature) {
        if (!signature.isEmpty()) {
            return isSigned(body, signature)
                    ? Optional.empty()
                    : Optional.of(Texts.kept("outcome.outcomes.its-signature-is-not-right"));
        }
        if (site.isEmpty()) {
            return Optional.of(Texts.kept("outcome.outcomes.it-did-not-come-from"));
        }
        if (!sites.isOwn(site)) {
            return Optional.of(Texts.kept("outcome.outcomes.it-came-from-a-site"));
        }
        if (report.valueMinor().orElse(0) > sites.mostBelievedMinor()) {
            return Optional.of(Texts.kept("outcome.outcomes.its-value-is-far-above"));
        }
        return sites.isFlood()
                ? Optional.of(Texts.kept("outcome.outcomes.far-more-reports-than-usual"))
                : Optional.empty();
    }

    private boolean isSigned(ReportBody body, String signature) {
        try {
            Mac mac = Mac.getInstance(HMAC);
            mac.init(new SecretKeySpec(businesses.siteSecret().getBytes(StandardCharsets.UTF_8), HMAC));
            byte[] wanted = mac.doFinal(body.signed().getBytes(StandardCharsets.UTF_8));
            return MessageDigest.isEqual(
                    HexFormat.of().formatHex(wanted).getBytes(StandardCharsets.US_ASCII),
                    signature.toLowerCase(Locale.ROOT).getBytes(StandardCharsets.UTF_8));
        } catch (GeneralSecurityException e) {
            throw new IllegalStateException("Every Java has " + HMAC, e);
        }
    }
}
