package wendo.app.place.codes;

import java.time.Duration;
import java.util.Optional;
import org.springframework.http.CacheControl;
import org.springframework.http.MediaType;
import org.springframework.http.ResponseEntity;
import org.springframework.web.bind.annotation.GetMapping;
import org.springframework.web.bind.annotation.PathVariable;
import org.springframework.web.bind.annotation.RestController;
import wendo.app.platform.business.BusinessScope;
import wendo.app.platform.business.Businesses;

/** A business's mark as everybody sees it, on its forms and in previews of them. */
@RestController
class OpenMark {
    private final Marks marks;
    private final Businesses businesses;
    private final BusinessScope scope;

    OpenMark(Marks marks, Businesses businesses, BusinessScope scope) {
        this.marks = marks;
        this.businesses = businesses;
        this.scope = scope;
    }

    @GetMapping("/t/mark/{site}.png")
    ResponseEntity<byte[]> show(@PathVariable String site) {
        Optional<byte[]> mark = businesses.findBySiteKey(site).flatMap(business -> scope.within(business, marks::find));
        return mark.map(png -> ResponseEntity.ok()
                        .contentType(MediaType.IMAGE_PNG)
                        .cacheControl(CacheControl.maxAge(Duration.ofHours(1)).cachePublic())
                        .body(png))
                .orElseGet(() -> ResponseEntity.notFound().build());
    }
}
