package wendo.app.platform.site;

import static org.assertj.core.api.Assertions.assertThat;

import java.lang.reflect.Parameter;
import java.net.URLEncoder;
import java.net.http.HttpRequest;
import java.net.http.HttpResponse;
import java.nio.charset.StandardCharsets;
import java.util.ArrayList;
import java.util.Arrays;
import java.util.LinkedHashSet;
import java.util.List;
import java.util.Queue;
import java.util.Set;
import java.util.concurrent.ConcurrentLinkedQueue;
import java.util.regex.Matcher;
import java.util.regex.Pattern;
import java.util.stream.Collectors;
import org.junit.jupiter.api.Test;
import org.junit.jupiter.api.extension.ExtendWith;
import org.springframework.beans.factory.annotation.Autowired;
import org.springframework.beans.factory.annotation.Qualifier;
import org.springframework.boot.test.system.CapturedOutput;
import org.springframework.boot.test.system.OutputCaptureExtension;
import org.springframework.web.bind.annotation.RequestMethod;
import org.springframework.web.bind.annotation.RequestParam;
import org.springframework.web.method.HandlerMethod;
import org.springframework.web.servlet.mvc.method.annotation.RequestMappingHandlerMapping;
import wendo.app.Http;
import wendo.app.WendoTest;

/** Nonsense at every door: whatever is sent, the fault is the sender's, never ours. */
@ExtendWith(OutputCaptureExtension.class)
class FuzzTest extends WendoTest {
    private static final Set<String> USUAL = Set.of(
            "name",
            "email",
            "phone",
            "text",
            "value",
            "amount",
            "note",
            "from",
            "to",
            "day",
            "first",
            "last",
            "due",
            "page",
            "period",
            "kind",
            "source",
            "link",
            "key",
            "address",
            "stage",
            "quoted",
            "status",
            "refunded",
            "pasted",
            "title",
            "days",
            "model",
            "by");

    @Autowired
    @Qualifier("requestMappingHandlerMapping")
    private RequestMappingHandlerMapping mappings;

    private record Door(RequestMethod method, String path, Set<String> fields) {}

    private List<Door> doors() {
        List<Door> doors = new ArrayList<>();
        mappings.getHandlerMethods()
                .forEach((mapping, handler) -> mapping.getPatternValues().forEach(path -> {
                    Set<RequestMethod> methods = mapping.getMethodsCondition().getMethods();
                    for (RequestMethod method : methods.isEmpty() ? Set.of(RequestMethod.GET) : methods) {
                        if (!path.matches("/error|/sign-out.*") && method != RequestMethod.HEAD) {
                            doors.add(new Door(method, path, fields(handler)));
                        }
                    }
                }));
        return doors;
    }

    private static Set<String> fields(HandlerMethod handler) {
        Set<String> fields = new LinkedHashSet<>(USUAL);
        for (Parameter parameter : handler.getMethod().getParameters()) {
            RequestParam asked = parameter.getAnnotation(RequestParam.class);
            if (asked != null) {
                fields.add(asked.name().isEmpty() ? parameter.getName() : asked.name());
            }
        }
        return fields;
    }

    private static String path(Door door, String variable) {
        return door.path().replaceAll("\\{[^}]+\\}", Matcher.quoteReplacement(variable));
    }

    private static String form(Set<String> fields, String value, String token) {
        String encoded = URLEncoder.encode(value, StandardCharsets.UTF_8);
        return fields.stream().map(field -> field + "=" + encoded).collect(Collectors.joining("&")) + "&_csrf=" + token;
    }

    @Test
    void no_answer_is_a_fault_of_ours_and_the_log_holds_nothing_that_was_typed(CapturedOutput log) {
        Tenant tenant = tenant("Garganey Goods");
        Http person = http().signIn(tenant.email());
        http().issue(tenant.apiKey(), "https://garganey.example/", "Spring", "Postcards");
        Matcher token = Pattern.compile("name=\"_csrf\" value=\"([^\"]+)\"")
                .matcher(person.get("/today").body());
        assertThat(token.find()).isTrue();
        String csrf = token.group(1);
        String link = in(
                tenant,
                () -> jdbc.sql("select id::text from link").query(String.class).single());
        Queue<String> wrong = new ConcurrentLinkedQueue<>();
        doors().parallelStream().forEach(door -> {
            for (String value : List.of(
                    "", "\u0000", "-99999-13-45T99:99", "'\"<>{}[]|\\^`%zz" + "x".repeat(3_000) + "\uD83D\uDEF6")) {
                for (String variable : value.isEmpty() ? List.of(link, "x'y") : List.of(link)) {
                    HttpResponse<String> answer =
                            knock(tenant, person, door, path(door, variable.replace("'", "%27")), value, csrf);
                    if (answer.statusCode() >= 500 && answer.statusCode() != 503) {
                        wrong.add(door.method() + " " + door.path() + " with "
                                + value.substring(0, Math.min(12, value.length())) + ": " + answer.statusCode());
                    }
                }
            }
        });
        assertThat(wrong.stream().distinct().toList()).isEmpty();
        assertThat(log.getAll()
                        .lines()
                        .filter(line -> line.contains("x".repeat(20)) || line.contains("-99999-13"))
                        .map(line -> line.substring(0, Math.min(300, line.length())))
                        .distinct()
                        .limit(20))
                .isEmpty();
    }

    private HttpResponse<String> knock(Tenant tenant, Http person, Door door, String path, String value, String token) {
        boolean isRead = door.method() == RequestMethod.GET;
        if (path.startsWith("/api/")) {
            HttpRequest.Builder request = http().request(path).header("Authorization", "Bearer " + tenant.apiKey());
            return http().send(
                            isRead
                                    ? request
                                    : request.header("Content-Type", "application/json")
                                            .POST(HttpRequest.BodyPublishers.ofString(json(door.fields(), value))));
        }
        Http caller = path.startsWith("/t/") ? http() : person;
        if (isRead) {
            String query = form(door.fields(), value.length() > 100 ? value.substring(0, 100) : value, token);
            return caller.send(caller.request(path + "?" + query));
        }
        HttpRequest.Builder request =
                caller.request(path).header("Host", path.startsWith("/t/") ? tenant.host() : "127.0.0.1");
        boolean isJson = path.startsWith("/t/") && !path.matches("/t/(forms|opt-in|lists|join|preferences|stop)(/.*)?");
        return caller.send(
                request.header("Content-Type", isJson ? "application/json" : "application/x-www-form-urlencoded")
                        .POST(HttpRequest.BodyPublishers.ofString(
                                isJson ? json(door.fields(), value) : form(door.fields(), value, token))));
    }

    /** Each field once as text and once as something else. */
    private static String json(Set<String> fields, String value) {
        String text = "\"" + value.replace("\\", "\\\\").replace("\"", "\\\"").replace("\u0000", "\\u0000") + "\"";
        List<String> others = List.of(text, "[" + text + "]", "{\"a\": 1}", "1e999", "true", "null");
        List<String> names = new ArrayList<>(fields);
        names.addAll(Arrays.asList(
                "reference",
                "destination",
                "campaign",
                "sources",
                "outcomes",
                "clickId",
                "occurredAt",
                "items",
                "site",
                "event",
                "id"));
        StringBuilder json = new StringBuilder("{");
        for (int i = 0; i < names.size(); i++) {
            json.append(i == 0 ? "" : ",")
                    .append('"')
                    .append(names.get(i))
                    .append("\": ")
                    .append(others.get((i + value.length()) % others.size()));
        }
        return json.append('}').toString();
    }
}
