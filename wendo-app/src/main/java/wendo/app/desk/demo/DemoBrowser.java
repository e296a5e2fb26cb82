package wendo.app.desk.demo;

import java.io.IOException;
import java.net.CookieManager;
import java.net.URI;
import java.net.URLEncoder;
import java.net.http.HttpClient;
import java.net.http.HttpRequest;
import java.net.http.HttpResponse;
import java.nio.charset.StandardCharsets;
import java.util.regex.Matcher;
import java.util.regex.Pattern;
import java.util.stream.Collectors;

/** Somebody of the demo business at a browser: opens pages and sends forms, as the people who use it do. */
final class DemoBrowser {
    private static final Pattern TOKEN = Pattern.compile("name=\"_csrf\"[^>]*value=\"([^\"]+)\"");

    private final HttpClient http =
            HttpClient.newBuilder().cookieHandler(new CookieManager()).build();
    private final String origin;

    private DemoBrowser(String origin) {
        this.origin = origin;
    }

    static DemoBrowser signedIn(String origin, String email, String password) {
        DemoBrowser browser = new DemoBrowser(origin);
        browser.send("/sign-in", "/sign-in", "email: " + email + "\npassword: " + password);
        return browser;
    }

    String open(String path) {
        return answer(HttpRequest.newBuilder(URI.create(origin + path)).build()).body();
    }

    /**
     * Sends a form; answers the path that it led to.
     *
     * @param page where the form is
     * @param fields a line for each: its name, a colon and its value, in which {@code \\n} begins another line
     */
    String send(String page, String action, String fields) {
        Matcher token = TOKEN.matcher(open(page));
        if (!token.find()) {
            throw new IllegalStateException("The page " + page + " has no form");
        }
        String body = "_csrf=" + encoded(token.group(1)) + "&" + body(fields);
        HttpResponse<String> done = answer(HttpRequest.newBuilder(URI.create(origin + action))
                .header("Content-Type", "application/x-www-form-urlencoded")
                .POST(HttpRequest.BodyPublishers.ofString(body))
                .build());
        if (done.statusCode() != 302) {
            throw new IllegalStateException("The form %s was answered %d".formatted(action, done.statusCode()));
        }
        return done.headers()
                .firstValue("Location")
                .map(URI::create)
                .map(URI::getPath)
                .orElse("");
    }

    /** Sends a form of a page that everybody can open. */
    void post(String action, String fields) {
        answer(HttpRequest.newBuilder(URI.create(origin + action))
                .header("Content-Type", "application/x-www-form-urlencoded")
                .POST(HttpRequest.BodyPublishers.ofString(body(fields)))
                .build());
    }

    /** The first text of this form on a page. */
    String find(String page, String pattern) {
        Matcher found = Pattern.compile(pattern).matcher(open(page));
        if (!found.find()) {
            throw new IllegalStateException("The page %s has no %s".formatted(page, pattern));
        }
        return found.group();
    }

    private static String body(String fields) {
        return fields.lines()
                .map(line -> line.split(": ?", 2))
                .map(field -> encoded(field[0]) + "=" + encoded(field[1].replace("\\n", "\n")))
                .collect(Collectors.joining("&"));
    }

    private HttpResponse<String> answer(HttpRequest request) {
        try {
            return http.send(request, HttpResponse.BodyHandlers.ofString());
        } catch (IOException e) {
            throw new IllegalStateException("The demo cannot reach its own pages", e);
        } catch (InterruptedException e) {
            Thread.currentThread().interrupt();
            throw new IllegalStateException("The demo was stopped", e);
        }
    }

    private static String encoded(String text) {
        return URLEncoder.encode(text, StandardCharsets.UTF_8);
    }
}
