package wendo.app.visit.arrivals;

import jakarta.servlet.http.HttpServletRequest;
import java.io.IOException;
import java.util.List;
import java.util.Optional;
import org.jspecify.annotations.Nullable;
import org.springframework.http.HttpStatus;
import org.springframework.http.ResponseEntity;
import org.springframework.web.bind.annotation.CrossOrigin;
import org.springframework.web.bind.annotation.PostMapping;
import org.springframework.web.bind.annotation.RestController;
import wendo.app.platform.business.BusinessScope;
import wendo.app.platform.site.ApiErrors;
import wendo.app.visit.sitetag.TagCalls;
import wendo.app.visit.visits.Automatic;
import wendo.core.links.Device;
import wendo.core.visits.SiteArrival;

/** Where the site tag tells that somebody came without a link. */
@RestController
class ArrivalCalls {
    private final TagCalls calls;
    private final ArrivalStore store;
    private final Automatic automatic;
    private final BusinessScope scope;

    ArrivalCalls(TagCalls calls, ArrivalStore store, Automatic automatic, BusinessScope scope) {
        this.calls = calls;
        this.store = store;
        this.automatic = automatic;
        this.scope = scope;
    }

    record Body(
            @Nullable String address,
            @Nullable String referrer,
            @Nullable String visitor) {}

    @CrossOrigin(origins = "*", allowCredentials = "false")
    @PostMapping("/t/arrivals")
    ResponseEntity<Void> report(HttpServletRequest request) throws IOException {
        calls.take(request, "arrival", Body.class, (business, body) -> {
            String address = orEmpty(body.address());
            if (SiteArrival.host(address).isEmpty()) {
                throw new ApiErrors(
                        HttpStatus.UNPROCESSABLE_CONTENT, "An arrival tells the page's address.", List.of());
            }
            ArrivalStore.Came came = new ArrivalStore.Came(
                    address,
                    orEmpty(body.referrer()),
                    orEmpty(body.visitor()),
                    Device.of(orEmpty(request.getHeader("User-Agent"))),
                    automatic.sort(request));
            scope.within(business, () -> store.keep(came));
        });
        return ResponseEntity.noContent().build();
    }

    private static String orEmpty(@Nullable String text) {
        return Optional.ofNullable(text).map(String::strip).orElse("");
    }
}
