package wendo.app.outcome.networks;

import jakarta.servlet.http.HttpServletRequest;
import java.util.List;
import java.util.Map;
import java.util.Optional;
import java.util.UUID;
import org.springframework.http.HttpStatus;
import org.springframework.http.MediaType;
import org.springframework.http.ResponseEntity;
import org.springframework.jdbc.core.simple.JdbcClient;
import org.springframework.web.bind.annotation.PathVariable;
import org.springframework.web.bind.annotation.RequestMapping;
import org.springframework.web.bind.annotation.RequestMethod;
import org.springframework.web.bind.annotation.RequestParam;
import org.springframework.web.bind.annotation.RestController;
import wendo.app.platform.business.BusinessId;
import wendo.app.platform.business.BusinessScope;
import wendo.app.platform.site.ApiErrors;
import wendo.app.platform.site.CallLimit;

/** Where partner networks report. Whoever knows a network's address can report for it; nobody else can. */
@RestController
class Postbacks {
    private static final int CALLS_PER_MINUTE = 600;
    private static final int GUESSES_PER_MINUTE = 60;

    private final PostbackIntake intake;
    private final BusinessScope scope;
    private final JdbcClient jdbc;
    private final CallLimit calls = new CallLimit(CALLS_PER_MINUTE);
    private final CallLimit guesses = new CallLimit(GUESSES_PER_MINUTE);

    Postbacks(PostbackIntake intake, BusinessScope scope, JdbcClient jdbc) {
        this.intake = intake;
        this.scope = scope;
        this.jdbc = jdbc;
    }

    private record Addressed(BusinessId business, UUID network) {}

    @RequestMapping(
            path = "/t/postback/{token}",
            method = {RequestMethod.GET, RequestMethod.POST})
    ResponseEntity<String> receive(
            @PathVariable String token, @RequestParam Map<String, String> told, HttpServletRequest request) {
        Addressed to = find(token).orElseThrow(() -> unknown(request));
        calls.mustAllow(token);
        PostbackIntake.Taken taken = scope.within(to.business(), () -> intake.take(to.network(), told));
        scope.within(to.business(), intake::joinWaiting);
        if (!taken.isTaken()) {
            throw new ApiErrors(HttpStatus.UNPROCESSABLE_CONTENT, taken.result(), List.of());
        }
        return ResponseEntity.ok().contentType(MediaType.TEXT_PLAIN).body(taken.result());
    }

    private Optional<Addressed> find(String token) {
        return jdbc.sql("select business_id, id from door_postback(?)")
                .param(token)
                .query((row, number) ->
                        new Addressed(new BusinessId(row.getObject(1, UUID.class)), row.getObject(2, UUID.class)))
                .optional();
    }

    private ApiErrors unknown(HttpServletRequest request) {
        guesses.mustAllow(request.getRemoteAddr());
        return new ApiErrors(
                HttpStatus.NOT_FOUND, "No network reports to this address; copy it again from Setup.", List.of());
    }
}
