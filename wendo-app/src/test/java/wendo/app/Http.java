package wendo.app;

import java.io.IOException;
import java.net.CookieManager;
import java.net.URI;
import java.net.URLEncoder;
import java.net.http.HttpClient;
import java.net.http.HttpRequest;
import java.net.http.HttpResponse;
import java.nio.charset.StandardCharsets;
import java.util.ArrayList;
import java.util.List;
import java.util.regex.Matcher;
import java.util.regex.Pattern;
import tools.jackson.databind.JsonNode;
import tools.jackson.databind.json.JsonMapper;

/** Calls the application as a browser or a program does, following nothing on its own. */
public final class Http {
    public static final String BROWSER =
            "Mozilla/5.0 (X11; Linux x86_64) AppleWebKit/537.36 (KHTML, like Gecko) Chrome/150.0.0.0 Safari/537.36";
    private static final Pattern CSRF = Pattern.compile("name=\"_csrf\" value=\"([^\"]+)\"");

    private final int port;
    private final HttpClient client;

    public Http(int port) {
        this(port, HttpClient.newBuilder().cookieHandler(new CookieManager()).build());
    }

    private Http(int port, HttpClient client) {
        this.port = port;
        this.client = client;
    }

    /** The same caller, with its cookies, at another port. */
    public Http on(int otherPort) {
        return new Http(otherPort, client);
    }

    public HttpRequest.Builder request(String path) {
        return HttpRequest.newBuilder(URI.create("http://127.0.0.1:" + port + path))
                .header("User-Agent", BROWSER);
    }

    public HttpResponse<String> send(HttpRequest.Builder request) {
        try {
            return client.send(request.build(), HttpResponse.BodyHandlers.ofString());
        } catch (IOException e) {
            throw new java.io.UncheckedIOException(e);
        } catch (InterruptedException e) {
            throw new IllegalStateException(e);
        }
    }

    /** The body of an answer as it came, for files. */
    public byte[] bytes(HttpRequest.Builder request) {
        try {
            return client.send(request.build(), HttpResponse.BodyHandlers.ofByteArray())
                    .body();
        } catch (IOException e) {
            throw new java.io.UncheckedIOException(e);
        } catch (InterruptedException e) {
            throw new IllegalStateException(e);
        }
    }

    public HttpResponse<String> get(String path) {
        return send(request(path));
    }

    /** Opens a link on its host. */
    public HttpResponse<String> visit(String host, String slug) {
        return send(request("/" + slug).header("Host", host));
    }

    /** Sends a form of names and values with the token of the page it stands on. */
    public HttpResponse<String> form(String page, String action, String... fields) {
        Matcher token = CSRF.matcher(get(page).body());
        List<String> all = new ArrayList<>(List.of(fields));
        if (token.find()) {
            all.addAll(List.of("_csrf", token.group(1)));
        }
        return send(request(action)
                .header("Content-Type", "application/x-www-form-urlencoded")
                .POST(HttpRequest.BodyPublishers.ofString(encode(all))));
    }

    /** A file that a form sends. */
    public record Sent(String field, String type, byte[] file) {}

    /** Sends a form with a file (RFC 7578), with the token of the page it stands on. */
    public HttpResponse<String> upload(String page, String action, Sent sent, String... fields) {
        Matcher token = CSRF.matcher(get(page).body());
        List<String> all = new ArrayList<>(List.of(fields));
        if (token.find()) {
            all.addAll(List.of("_csrf", token.group(1)));
        }
        java.io.ByteArrayOutputStream body = new java.io.ByteArrayOutputStream();
        for (int i = 0; i < all.size(); i += 2) {
            body.writeBytes("--edge\r\nContent-Disposition: form-data; name=\"%s\"\r\n\r\n%s\r\n"
                    .formatted(all.get(i), all.get(i + 1))
                    .getBytes(StandardCharsets.UTF_8));
        }
        body.writeBytes(
                "--edge\r\nContent-Disposition: form-data; name=\"%s\"; filename=\"file\"\r\nContent-Type: %s\r\n\r\n"
                        .formatted(sent.field(), sent.type())
                        .getBytes(StandardCharsets.UTF_8));
        body.writeBytes(sent.file());
        body.writeBytes("\r\n--edge--\r\n".getBytes(StandardCharsets.UTF_8));
        return send(request(action)
                .header("Content-Type", "multipart/form-data; boundary=edge")
                .POST(HttpRequest.BodyPublishers.ofByteArray(body.toByteArray())));
    }

    private static String encode(List<String> fields) {
        List<String> pairs = new ArrayList<>();
        for (int i = 0; i < fields.size(); i += 2) {
            pairs.add(URLEncoder.encode(fields.get(i), StandardCharsets.UTF_8) + "="
                    + URLEncoder.encode(fields.get(i + 1), StandardCharsets.UTF_8));
        }
        return String.join("&", pairs);
    }

    public Http signIn(String email) {
        HttpResponse<String> answer = form("/sign-in", "/sign-in", "email", email, "password", WendoTest.PASSWORD);
        if (answer.statusCode() != 302) {
            throw new AssertionError("Sign-in answered " + answer.statusCode());
        }
        return this;
    }

    public HttpResponse<String> api(String key, String path) {
        return send(request(path).header("Authorization", "Bearer " + key));
    }

    public HttpResponse<String> post(String key, String path, String json, String... headers) {
        HttpRequest.Builder request = request(path)
                .header("Authorization", "Bearer " + key)
                .header("Content-Type", "application/json")
                .POST(HttpRequest.BodyPublishers.ofString(json));
        return send(headers.length == 0 ? request : request.headers(headers));
    }

    /** Issues one link for each source and answers their slugs, in order. */
    public List<String> issue(String key, String destination, String campaign, String... sources) {
        String places = java.util.Arrays.stream(sources)
                .map(source -> "{\"source\": \"" + source + "\", \"channel\": \"print\"}")
                .collect(java.util.stream.Collectors.joining(","));
        HttpResponse<String> answer = post(
                key,
                "/api/v1/links",
                "{\"destination\": \"%s\", \"campaign\": \"%s\", \"sources\": [%s]}"
                        .formatted(destination, campaign, places));
        if (answer.statusCode() != 201) {
            throw new AssertionError(answer.body());
        }
        List<String> slugs = new ArrayList<>();
        json(answer).get("links").forEach(link -> {
            slugs.add(link.get("slug").asString());
            awaitKnown(URI.create(link.get("url").asString()));
        });
        return slugs;
    }

    /** The link host hears of a new link within moments; asking by HEAD counts as nothing. */
    private void awaitKnown(URI link) {
        WendoTest.await(
                "the link host knows " + link,
                () -> send(request(link.getPath())
                                        .header("Host", link.getHost())
                                        .method("HEAD", HttpRequest.BodyPublishers.noBody()))
                                .statusCode()
                        == 302);
    }

    public static JsonNode json(String text) {
        return JsonMapper.shared().readTree(text);
    }

    public static JsonNode json(HttpResponse<String> answer) {
        return json(answer.body());
    }

    /** The click identifier that a redirect carries. */
    public static String click(HttpResponse<String> redirect) {
        String location = redirect.headers().firstValue("Location").orElseThrow();
        return location.replaceFirst("^.*[?&]wcl=([0-9a-z]{26}).*$", "$1");
    }
}
