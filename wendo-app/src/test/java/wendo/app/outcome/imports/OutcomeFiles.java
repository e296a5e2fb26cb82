package wendo.app.outcome.imports;

import static org.assertj.core.api.Assertions.assertThat;

import java.io.ByteArrayOutputStream;
import java.net.http.HttpRequest;
import java.net.http.HttpResponse;
import java.nio.charset.StandardCharsets;
import java.util.ArrayList;
import java.util.List;
import java.util.regex.Matcher;
import java.util.regex.Pattern;
import wendo.app.Http;
import wendo.app.WendoTest;

/** Brings files of outcomes as somebody who is signed in does. */
public record OutcomeFiles(Http person) {
    public String bring(byte[] file, String name) {
        Matcher token = Pattern.compile("name=\"_csrf\" value=\"([^\"]+)\"")
                .matcher(person.get("/outcomes/files").body());
        assertThat(token.find()).isTrue();
        ByteArrayOutputStream body = new ByteArrayOutputStream();
        body.writeBytes(("--b\r\nContent-Disposition: form-data; name=\"_csrf\"\r\n\r\n" + token.group(1)
                        + "\r\n--b\r\nContent-Disposition: form-data; name=\"file\"; filename=\"" + name
                        + "\"\r\nContent-Type: application/octet-stream\r\n\r\n")
                .getBytes(StandardCharsets.UTF_8));
        body.writeBytes(file);
        body.writeBytes("\r\n--b--\r\n".getBytes(StandardCharsets.UTF_8));
        HttpResponse<String> answer = person.send(person.request("/outcomes/files")
                .header("Content-Type", "multipart/form-data; boundary=b")
                .POST(HttpRequest.BodyPublishers.ofByteArray(body.toByteArray())));
        assertThat(answer.statusCode()).as(answer.body()).isEqualTo(302);
        return answer.headers().firstValue("Location").orElseThrow().replaceFirst("^https?://[^/]+", "");
    }

    /** Sends the columns as the page offers them, with some fields of one's own. */
    public void check(String page, String... fields) {
        HttpResponse<String> checked = answer(page, fields);
        assertThat(checked.statusCode()).as(checked.body()).isEqualTo(302);
    }

    /** What is answered to that. */
    HttpResponse<String> answer(String page, String... fields) {
        String html = person.get(page).body();
        List<String> all = new ArrayList<>(List.of(fields));
        Matcher select = Pattern.compile("<select[^>]* name=\"([^\"]+)\"[^>]*>(.*?)</select>", Pattern.DOTALL)
                .matcher(html);
        while (select.find()) {
            Matcher chosen = Pattern.compile("value=\"([^\"]*)\"\\s+selected").matcher(select.group(2));
            if (chosen.find() && !all.contains(select.group(1))) {
                all.addAll(List.of(select.group(1), chosen.group(1)));
            }
        }
        return person.form(page, page + "/check", all.toArray(String[]::new));
    }

    public void run(String page) {
        person.form(page, page + "/import");
        WendoTest.await("it is imported", () -> person.get(page).body().contains("Undo import"));
    }
}
