package wendo.app.visit.sitetag;

import jakarta.servlet.http.HttpServletRequest;
import java.io.IOException;
import java.nio.charset.StandardCharsets;
import java.util.Arrays;
import java.util.LinkedHashSet;
import java.util.List;
import java.util.Map;
import java.util.Set;
import java.util.function.BiConsumer;
import java.util.stream.Collectors;
import org.springframework.http.HttpStatus;
import org.springframework.stereotype.Component;
import tools.jackson.core.JacksonException;
import tools.jackson.databind.JsonNode;
import tools.jackson.databind.json.JsonMapper;
import wendo.app.platform.business.BusinessId;
import wendo.app.platform.business.Businesses;
import wendo.app.platform.site.ApiErrors;
import wendo.app.platform.site.BodyLimit;
import wendo.app.platform.site.CallLimit;

/**
 * What the site tag sends from visitors' browsers. Anybody can call with a site's public key, so a call is small and slow
 * to repeat. The tag sends its JSON as plain text, which browsers pass on to other hosts without asking first. Each call
 * is kept for a day with what was wrong with it.
 */
@Component
public class TagCalls {
    private static final int MAX_BODY = BodyLimit.TAG_CALL;
    private static final int CALLS_PER_MINUTE = 120;
    private static final String SITE = "site";
    private static final String IMAGE = "image";

    private final Businesses businesses;
    private final TagCallLog log;
    private final JsonMapper json;
    private final CallLimit limit = new CallLimit(CALLS_PER_MINUTE);

    TagCalls(Businesses businesses, TagCallLog log, JsonMapper json) {
        this.businesses = businesses;
        this.log = log;
        this.json = json;
    }

    /**
     * Takes the body of a call: one that is none, too long, or one of too many ends the request.
     *
     * @param what is told of: an outcome, a landing …
     * @param type a record whose components are the fields that may be told, beside the site's key
     */
    public <T> void take(HttpServletRequest request, String what, Class<T> type, BiConsumer<BusinessId, T> work)
            throws IOException {
        limit.mustAllow(request.getRemoteAddr());
        byte[] bytes = request.getInputStream().readNBytes(MAX_BODY + 1);
        if (bytes.length > MAX_BODY) {
            throw fault(HttpStatus.CONTENT_TOO_LARGE, "A report has at most 4096 bytes.");
        }
        JsonNode body = tree(bytes);
        heed(new TagCallLog.Heard(request, what, body), type, work);
    }

    /** Takes fields that came in the address of a picture. */
    public <T> void take(
            HttpServletRequest request, Map<String, String> told, Class<T> type, BiConsumer<BusinessId, T> work) {
        limit.mustAllow(request.getRemoteAddr());
        heed(new TagCallLog.Heard(request, IMAGE, json.valueToTree(told)), type, work);
    }

    private JsonNode tree(byte[] bytes) {
        try {
            JsonNode tree = json.readTree(new String(bytes, StandardCharsets.UTF_8));
            if (tree.isObject()) {
                return tree;
            }
        } catch (JacksonException e) {
            // the same answer as for a body that is JSON and no object
        }
        throw fault(HttpStatus.BAD_REQUEST, "A report is a JSON object.");
    }

    private <T> void heed(TagCallLog.Heard call, Class<T> type, BiConsumer<BusinessId, T> work) {
        JsonNode body = call.body();
        BusinessId business = businesses
                .findBySiteKey(body.path(SITE).asString(""))
                .orElseThrow(() ->
                        fault(HttpStatus.NOT_FOUND, "No business has this site key; copy the tag again from Setup."));
        try {
            work.accept(business, json.treeToValue(body, type));
            log.keep(business, call, unknown(body, type));
        } catch (JacksonException e) {
            String said = "A field is of another kind than it must be.";
            log.keep(business, call, said);
            throw fault(HttpStatus.BAD_REQUEST, said);
        } catch (ApiErrors e) {
            log.keep(business, call, (words(e) + " " + unknown(body, type)).strip());
            throw e;
        }
    }

    /** Fields that nobody reads, a misspelled one for instance. */
    private static String unknown(JsonNode body, Class<?> type) {
        Set<String> names = new LinkedHashSet<>(body.propertyNames());
        Arrays.stream(type.getRecordComponents()).forEach(field -> names.remove(field.getName()));
        names.remove(SITE);
        return names.stream()
                .map("“%s” is no field of a report; it was left out."::formatted)
                .collect(Collectors.joining(" "));
    }

    private static String words(ApiErrors refused) {
        String detail = String.valueOf(refused.getBody().getDetail());
        return refused.faults().isEmpty()
                ? detail
                : refused.faults().stream()
                        .map(fault -> fault.field() + ": " + fault.message())
                        .collect(Collectors.joining(" "));
    }

    private static ApiErrors fault(HttpStatus status, String detail) {
        return new ApiErrors(status, detail, List.of());
    }
}
