package wendo.app.platform.site;

import java.util.List;
import org.springframework.http.HttpStatus;
import org.springframework.http.ProblemDetail;
import org.springframework.web.ErrorResponseException;

/** A call of the API that is refused, as problem details (RFC 9457) that name each field. */
public final class ApiErrors extends ErrorResponseException {
    private static final long serialVersionUID = 1L;

    /** One field and what is wrong with it. */
    public record Fault(String field, String message) {}

    private final transient List<Fault> faults;

    public ApiErrors(HttpStatus status, String detail, List<Fault> faults) {
        super(status, problem(status, detail, faults), null);
        this.faults = List.copyOf(faults);
    }

    public List<Fault> faults() {
        return faults;
    }

    private static ProblemDetail problem(HttpStatus status, String detail, List<Fault> faults) {
        ProblemDetail problem = ProblemDetail.forStatusAndDetail(status, detail);
        if (!faults.isEmpty()) {
            problem.setProperty("errors", faults);
        }
        return problem;
    }
}
