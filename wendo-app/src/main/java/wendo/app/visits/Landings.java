package wendo.app.visits;

import jakarta.servlet.http.HttpServletRequest;
import java.io.IOException;
import java.nio.charset.StandardCharsets;
import java.sql.Timestamp;
import java.time.Clock;
import java.util.List;
import org.jspecify.annotations.Nullable;
import org.springframework.http.HttpStatus;
import org.springframework.http.ResponseEntity;
import org.springframework.jdbc.core.simple.JdbcClient;
import org.springframework.web.bind.annotation.CrossOrigin;
import org.springframework.web.bind.annotation.PostMapping;
import org.springframework.web.bind.annotation.RestController;
import tools.jackson.core.JacksonException;
import tools.jackson.databind.json.JsonMapper;
import wendo.app.business.BusinessId;
import wendo.app.business.BusinessScope;
import wendo.app.business.Businesses;
import wendo.app.site.ApiFaults;
import wendo.app.site.CallLimit;
import wendo.core.visits.ClickId;

/** Where the site tag tells that a page has loaded at the end of a visit. Each visit lands once. */
@RestController
class Landings {
    private static final int MAX_BODY = 4096;
    private static final int MAX_ADDRESS = 2600;

    private final Businesses businesses;
    private final BusinessScope scope;
    private final JdbcClient jdbc;
    private final JsonMapper json;
    private final Clock clock;
    private final CallLimit limit = new CallLimit(60);

    Landings(Businesses businesses, BusinessScope scope, JdbcClient jdbc, JsonMapper json, Clock clock) {
        this.businesses = businesses;
        this.scope = scope;
        this.jdbc = jdbc;
        this.json = json;
        this.clock = clock;
    }

    record Body(
            @Nullable String site,
            @Nullable String clickId,
            @Nullable String address) {}

    @CrossOrigin(origins = "*", allowCredentials = "false")
    @PostMapping("/t/landings")
    ResponseEntity<Void> report(HttpServletRequest request) throws IOException {
        limit.mustAllow(request.getRemoteAddr());
        Body body = read(request.getInputStream().readNBytes(MAX_BODY + 1));
        BusinessId business = businesses
                .findBySiteKey(body.site() == null ? "" : body.site())
                .orElseThrow(() ->
                        fault(HttpStatus.NOT_FOUND, "No business has this site key; copy the tag again from Setup."));
        ClickId click = ClickId.find(body.clickId() == null ? "" : body.clickId())
                .orElseThrow(() -> fault(HttpStatus.UNPROCESSABLE_CONTENT, "This is no click identifier."));
        String address = body.address() == null ? "" : body.address();
        scope.within(
                business,
                () -> jdbc.sql("insert into landing values (?, ?, ?, ?) on conflict do nothing")
                        .params(business.value(), click.uuid(), Timestamp.from(clock.instant()))
                        .param(address.substring(0, Math.min(address.length(), MAX_ADDRESS))
                                .replace("\0", ""))
                        .update());
        return ResponseEntity.noContent().build();
    }

    private Body read(byte[] bytes) {
        if (bytes.length > MAX_BODY) {
            throw fault(HttpStatus.CONTENT_TOO_LARGE, "A report has at most 4096 bytes.");
        }
        try {
            return json.readValue(new String(bytes, StandardCharsets.UTF_8), Body.class);
        } catch (JacksonException e) {
            throw fault(HttpStatus.BAD_REQUEST, "A report is a JSON object.");
        }
    }

    private static ApiFaults fault(HttpStatus status, String detail) {
        return new ApiFaults(status, detail, List.of());
    }
}
