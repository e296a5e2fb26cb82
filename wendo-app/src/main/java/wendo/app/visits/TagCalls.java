package wendo.app.visits;

import jakarta.servlet.http.HttpServletRequest;
import java.io.IOException;
import java.nio.charset.StandardCharsets;
import java.util.List;
import org.jspecify.annotations.Nullable;
import org.springframework.http.HttpStatus;
import org.springframework.stereotype.Component;
import tools.jackson.core.JacksonException;
import tools.jackson.databind.json.JsonMapper;
import wendo.app.business.BusinessId;
import wendo.app.business.Businesses;
import wendo.app.site.ApiFaults;
import wendo.app.site.CallLimit;

/**
 * What the site tag sends from visitors' browsers. Anybody can call with a site's public key, so a call is small and slow
 * to repeat. The tag sends its JSON as plain text, which browsers pass on to other hosts without asking first.
 */
@Component
public class TagCalls {
    private static final int MAX_BODY = 4096;
    private static final int CALLS_PER_MINUTE = 120;

    private final Businesses businesses;
    private final JsonMapper json;
    private final CallLimit limit = new CallLimit(CALLS_PER_MINUTE);

    TagCalls(Businesses businesses, JsonMapper json) {
        this.businesses = businesses;
        this.json = json;
    }

    /** Ends the request if it is one of too many from its address. */
    public void mustAllow(HttpServletRequest request) {
        limit.mustAllow(request.getRemoteAddr());
    }

    /** The body of a call; ends the request if it is none, too long, or one of too many. */
    public <T> T read(HttpServletRequest request, Class<T> type) throws IOException {
        mustAllow(request);
        byte[] bytes = request.getInputStream().readNBytes(MAX_BODY + 1);
        if (bytes.length > MAX_BODY) {
            throw fault(HttpStatus.CONTENT_TOO_LARGE, "A report has at most 4096 bytes.");
        }
        try {
            return json.readValue(new String(bytes, StandardCharsets.UTF_8), type);
        } catch (JacksonException e) {
            throw fault(HttpStatus.BAD_REQUEST, "A report is a JSON object.");
        }
    }

    /** The business of a site key; ends the request if nobody has it. */
    public BusinessId business(@Nullable String siteKey) {
        return businesses
                .findBySiteKey(siteKey == null ? "" : siteKey)
                .orElseThrow(() ->
                        fault(HttpStatus.NOT_FOUND, "No business has this site key; copy the tag again from Setup."));
    }

    private static ApiFaults fault(HttpStatus status, String detail) {
        return new ApiFaults(status, detail, List.of());
    }
}
