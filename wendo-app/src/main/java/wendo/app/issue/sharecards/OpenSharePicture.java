package wendo.app.issue.sharecards;

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

/** The picture of a shared link, for whatever program shows it. */
@RestController
class OpenSharePicture {
    private final JdbcClient jdbc;

    OpenSharePicture(JdbcClient jdbc) {
        this.jdbc = jdbc;
    }

    @Transactional(readOnly = true)
    @GetMapping("/t/cards/{about}.jpg")
    public ResponseEntity<byte[]> show(@PathVariable UUID about) {
        Optional<byte[]> picture = jdbc.sql("select door_share_picture(?)")
                .param(about)
                .query((row, number) -> Optional.ofNullable(row.getBytes(1)))
                .single();
        return picture.map(jpeg -> ResponseEntity.ok()
                        .contentType(MediaType.IMAGE_JPEG)
                        .cacheControl(CacheControl.maxAge(Duration.ofDays(1)).cachePublic())
                        .body(jpeg))
                .orElseGet(() -> ResponseEntity.notFound().build());
    }
}
