package wendo.app.place.subscribers;

import java.util.List;
import org.jspecify.annotations.Nullable;
import org.springframework.http.HttpStatus;
import org.springframework.web.bind.annotation.PostMapping;
import org.springframework.web.bind.annotation.RequestBody;
import org.springframework.web.bind.annotation.RestController;
import wendo.app.platform.site.ApiErrors;

/** Unsubscribes for programs: a sending system tells who wants no more. */
@RestController
class UnsubscribesApiController {
    private static final int MOST = 500;

    private final Unsubscribes unsubscribes;

    UnsubscribesApiController(Unsubscribes unsubscribes) {
        this.unsubscribes = unsubscribes;
    }

    record Body(@Nullable List<String> emails) {}

    @PostMapping("/api/v1/unsubscribes")
    Unsubscribes.Taken take(@RequestBody Body body) {
        List<String> emails = body.emails() == null ? List.of() : body.emails();
        if (emails.isEmpty() || emails.size() > MOST) {
            throw new ApiErrors(
                    HttpStatus.UNPROCESSABLE_CONTENT,
                    "Name 1 to %d e-mail addresses; there were %d.".formatted(MOST, emails.size()),
                    List.of());
        }
        return unsubscribes.take(emails, "API");
    }
}
