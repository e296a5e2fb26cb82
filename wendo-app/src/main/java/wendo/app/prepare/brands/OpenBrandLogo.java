package wendo.app.prepare.brands;

import java.time.Duration;
import java.util.Optional;
import java.util.UUID;
import org.springframework.http.CacheControl;
import org.springframework.http.MediaType;
import org.springframework.http.ResponseEntity;
import org.springframework.jdbc.core.simple.JdbcClient;
import org.springframework.transaction.annotation.Transactional;
import org.springframework.web.bind.annotation.GetMapping;
import org.springframework.web.bind.annotation.PathVariable;
import org.springframework.web.bind.annotation.RestController;

/** A brand's logo, for whoever sees a page in its name. */
@RestController
class OpenBrandLogo {
    private final JdbcClient jdbc;

    OpenBrandLogo(JdbcClient jdbc) {
        this.jdbc = jdbc;
    }

    @Transactional(readOnly = true)
    @GetMapping("/t/brands/{brand}.png")
    public ResponseEntity<byte[]> show(@PathVariable UUID brand) {
        Optional<byte[]> logo = jdbc.sql("select door_brand_logo(?)")
                .param(brand)
                .query((row, number) -> Optional.ofNullable(row.getBytes(1)))
                .single();
        return logo.map(png -> ResponseEntity.ok()
                        .contentType(MediaType.IMAGE_PNG)
                        .cacheControl(CacheControl.maxAge(Duration.ofDays(1)).cachePublic())
                        .body(png))
                .orElseGet(() -> ResponseEntity.notFound().build());
    }
}
