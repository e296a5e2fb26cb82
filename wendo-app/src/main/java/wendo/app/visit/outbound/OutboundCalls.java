package wendo.app.visit.outbound;

import jakarta.servlet.http.HttpServletRequest;
import java.io.IOException;
import java.sql.Timestamp;
import java.time.Clock;
import java.time.Instant;
import java.util.List;
import java.util.Optional;
import java.util.UUID;
import org.jspecify.annotations.Nullable;
import org.springframework.http.HttpStatus;
import org.springframework.http.ResponseEntity;
import org.springframework.jdbc.core.simple.JdbcClient;
import org.springframework.web.bind.annotation.CrossOrigin;
import org.springframework.web.bind.annotation.PostMapping;
import org.springframework.web.bind.annotation.RestController;
import wendo.app.platform.business.BusinessId;
import wendo.app.platform.business.BusinessScope;
import wendo.app.platform.site.ApiErrors;
import wendo.app.visit.sitetag.TagCalls;
import wendo.app.visit.visits.Automatic;
import wendo.core.visits.OutgoingPattern;
import wendo.core.visits.SiteArrival;
import wendo.core.visits.SiteVisitor;
import wendo.core.visits.Sorting;
import wendo.core.visits.VisitKind;

/** Where the site tag tells that a link was followed that leads away. All are kept, so that a new pattern can be tried. */
@RestController
class OutboundCalls {
    private static final int MAX_ADDRESS = 1500;

    private final TagCalls calls;
    private final Automatic automatic;
    private final BusinessScope scope;
    private final JdbcClient jdbc;
    private final Clock clock;

    OutboundCalls(TagCalls calls, Automatic automatic, BusinessScope scope, JdbcClient jdbc, Clock clock) {
        this.calls = calls;
        this.automatic = automatic;
        this.scope = scope;
        this.jdbc = jdbc;
        this.clock = clock;
    }

    record Body(
            @Nullable String page,
            @Nullable String address,
            @Nullable String visitor) {
        String plainPage() {
            return plain(page);
        }

        String plainAddress() {
            return plain(address);
        }

        private static String plain(@Nullable String text) {
            String printable = (text == null ? "" : text.strip()).replaceAll("\\p{Cntrl}", " ");
            return printable.length() <= MAX_ADDRESS ? printable : printable.substring(0, MAX_ADDRESS);
        }
    }

    @CrossOrigin(origins = "*", allowCredentials = "false")
    @PostMapping("/t/outgoing")
    ResponseEntity<Void> report(HttpServletRequest request) throws IOException {
        calls.take(request, "outgoing", Body.class, (business, body) -> {
            String from = SiteArrival.host(body.plainPage());
            String to = SiteArrival.host(body.plainAddress());
            if (from.isEmpty() || to.isEmpty() || from.equals(to)) {
                throw new ApiErrors(
                        HttpStatus.UNPROCESSABLE_CONTENT,
                        "An outgoing link tells the page it stands on and an address on another host.",
                        List.of());
            }
            VisitKind kind = automatic.sort(request).kind();
            scope.within(business, () -> keep(business, body, kind));
        });
        return ResponseEntity.noContent().build();
    }

    private int keep(BusinessId business, Body body, VisitKind kind) {
        Instant now = clock.instant();
        String target = OutgoingPattern.normal(body.plainAddress());
        Optional<UUID> known = SiteVisitor.find(body.visitor() == null ? "" : body.visitor());
        boolean isRepeat = kind == VisitKind.PERSON
                && known.isPresent()
                && jdbc.sql("""
                        select exists (select from outbound_click
                            where visitor = ? and clicked_at > ? and target = ?)
                        """)
                        .params(known.get(), Timestamp.from(now.minus(Sorting.REPEAT_WITHIN)), target)
                        .query(Boolean.class)
                        .single();
        return jdbc.sql("insert into outbound_click values (?, ?, ?, ?, ?, ?, ?, ?)")
                .params(business.value(), UUID.randomUUID(), Timestamp.from(now), known.orElseGet(UUID::randomUUID))
                .params(isRepeat ? VisitKind.REPEAT.key() : kind.key())
                .params(
                        OutgoingPattern.normal(body.plainPage().replaceFirst("[?#].*$", "")),
                        body.plainAddress(),
                        target)
                .update();
    }
}
