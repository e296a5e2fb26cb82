package wendo.app.platform.appearance;

import java.nio.charset.StandardCharsets;
import java.time.Duration;
import java.util.Optional;
import java.util.function.Supplier;
import org.springframework.http.CacheControl;
import org.springframework.http.MediaType;
import org.springframework.http.ResponseEntity;
import org.springframework.web.bind.annotation.GetMapping;
import org.springframework.web.bind.annotation.PathVariable;
import org.springframework.web.bind.annotation.RestController;
import wendo.app.platform.business.BusinessScope;
import wendo.app.platform.business.Businesses;

/** A business's logo and colour as everybody gets them, on its public pages and in previews of them. */
@RestController
class OpenAppearance {
    private static final MediaType CSS = new MediaType("text", "css", StandardCharsets.UTF_8);

    private final Logos logos;
    private final Appearances appearances;
    private final Businesses businesses;
    private final BusinessScope scope;

    OpenAppearance(Logos logos, Appearances appearances, Businesses businesses, BusinessScope scope) {
        this.logos = logos;
        this.appearances = appearances;
        this.businesses = businesses;
        this.scope = scope;
    }

    @GetMapping("/t/mark/{site}.png")
    ResponseEntity<byte[]> logo(@PathVariable String site) {
        return of(site, logos::find, MediaType.IMAGE_PNG);
    }

    /** The business's colour, as a style sheet: pages may have no styles in them. */
    @GetMapping("/t/look/{site}.css")
    ResponseEntity<byte[]> colour(@PathVariable String site) {
        return of(site, () -> appearances.shown().appearance().colour().map(OpenAppearance::css), CSS);
    }

    private static byte[] css(Colour colour) {
        return ":root{--own-band:%s;--on-own:%s}"
                .formatted(colour.written(), colour.ink().written())
                .getBytes(StandardCharsets.UTF_8);
    }

    private ResponseEntity<byte[]> of(String site, Supplier<Optional<byte[]>> read, MediaType type) {
        return businesses
                .findBySiteKey(site)
                .flatMap(business -> scope.within(business, read::get))
                .map(found -> ResponseEntity.ok()
                        .contentType(type)
                        .cacheControl(CacheControl.maxAge(Duration.ofHours(1)).cachePublic())
                        .body(found))
                .orElseGet(() -> ResponseEntity.notFound().build());
    }
}
