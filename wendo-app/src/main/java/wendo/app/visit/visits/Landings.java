package wendo.app.visit.visits;

import jakarta.servlet.http.HttpServletRequest;
import java.io.IOException;
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
import wendo.app.platform.business.BusinessScope;
import wendo.app.platform.site.ApiErrors;
import wendo.app.visit.sitetag.TagCalls;
import wendo.core.visits.ClickId;
import wendo.core.visits.SiteVisitor;

/** Where the site tag tells that a page has loaded at the end of a visit. Each visit lands once. */
@RestController
class Landings {
    private static final int MAX_ADDRESS = 2600;

    private final TagCalls calls;
    private final BusinessScope scope;
    private final JdbcClient jdbc;
    private final Clock clock;

    Landings(TagCalls calls, BusinessScope scope, JdbcClient jdbc, Clock clock) {
        this.calls = calls;
        this.scope = scope;
        this.jdbc = jdbc;
        this.clock = clock;
    }

    record Body(
            @Nullable String clickId,
            @Nullable String address,
            @Nullable String visitor) {}

    @CrossOrigin(origins = "*", allowCredentials = "false")
    @PostMapping("/t/landings")
    ResponseEntity<Void> report(HttpServletRequest request) throws IOException {
        calls.take(request, "landing", Body.class, (business, body) -> {
            ClickId click = ClickId.find(body.clickId() == null ? "" : body.clickId())
                    .orElseThrow(() ->
                            new ApiErrors(HttpStatus.UNPROCESSABLE_CONTENT, "This is no click identifier.", List.of()));
            String address = body.address() == null ? "" : body.address();
            scope.within(
                    business,
                    () -> jdbc.sql("insert into landing values (?, ?, ?, ?, ?) on conflict do nothing")
                            .params(business.value(), click.uuid(), Timestamp.from(clock.instant()))
                            .param(address.substring(0, Math.min(address.length(), MAX_ADDRESS))
                                    .replace("\0", ""))
                            .param(SiteVisitor.find(body.visitor() == null ? "" : body.visitor())
                                    .orElse(null))
                            .update());
        });
        return ResponseEntity.noContent().build();
    }
}
