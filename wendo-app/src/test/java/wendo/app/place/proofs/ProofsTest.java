package wendo.app.place.proofs;

import static org.assertj.core.api.Assertions.assertThat;

import java.awt.image.BufferedImage;
import java.io.ByteArrayInputStream;
import java.io.ByteArrayOutputStream;
import java.io.IOException;
import java.net.http.HttpResponse;
import java.nio.charset.StandardCharsets;
import java.util.List;
import java.util.UUID;
import javax.imageio.ImageIO;
import org.junit.jupiter.api.BeforeEach;
import org.junit.jupiter.api.Test;
import wendo.app.Http;
import wendo.app.WendoTest;
import wendo.core.visits.ClickId;

/** Own tests are seen as they happen, and are in no figure. */
class ProofsTest extends WendoTest {
    private Tenant tenant;
    private Http person;
    private List<String> slugs;

    @BeforeEach
    void open() {
        tenant = tenant("Plover Paddles");
        person = http().signIn(tenant.email());
        slugs = http().issue(tenant.apiKey(), "https://paddles.example/offer?a=1", "Spring", "Sign", "Flyer");
    }

    private UUID link(int number) {
        return in(
                tenant,
                () -> jdbc.sql("select id from link where slug = ?")
                        .param(slugs.get(number))
                        .query(UUID.class)
                        .single());
    }

    private String proof() {
        return person.form("/links", "/proofs", "link", link(0).toString(), "link", link(1).toString())
                .headers()
                .firstValue("Location")
                .orElseThrow()
                .replaceFirst("^.*(/proofs/.*)$", "$1");
    }

    /** Takes part with a phone of its own. */
    private Http phone(String proof) {
        Http phone = http();
        HttpResponse<String> joined =
                phone.send(phone.request(phoneAddress(proof)).header("Host", tenant.host()));
        assertThat(joined.statusCode()).isEqualTo(200);
        assertThat(joined.body()).contains("This phone takes part", "Sign · Spring", "Flyer · Spring");
        return phone;
    }

    private String phoneAddress(String proof) {
        String token = in(
                tenant,
                () -> jdbc.sql("select token from proof where id = ?")
                        .param(UUID.fromString(proof.replaceFirst("^/proofs/", "")))
                        .query(String.class)
                        .single());
        assertThat(person.get(proof).body()).contains("http://" + tenant.host() + ":" + port + "/t/proofs/" + token);
        return "/t/proofs/" + token;
    }

    private String open(Http phone, int number) {
        return phone.visit(tenant.host(), slugs.get(number))
                .headers()
                .firstValue("Location")
                .orElseThrow();
    }

    private void land(String address, String click) {
        int status = http().send(http().request("/t/landings")
                        .header("Content-Type", "text/plain")
                        .POST(java.net.http.HttpRequest.BodyPublishers.ofString(
                                "{\"site\": \"%s\", \"clickId\": \"%s\", \"address\": \"%s\"}"
                                        .formatted(tenant.siteKey(), click, address))))
                .statusCode();
        assertThat(status).isEqualTo(204);
    }

    private void order(String reference, String click) {
        assertThat(http().post(
                                tenant.apiKey(),
                                "/api/v1/outcomes",
                                "{\"kind\": \"booking\", \"reference\": \"%s\", \"value\": \"95.00\", \"currency\": \"GBP\", \"clickId\": \"%s\"}"
                                        .formatted(reference, click))
                        .statusCode())
                .isEqualTo(201);
    }

    private String checklist(String proof) {
        return person.get(proof + "/checklist").body();
    }

    @Test
    void the_checklist_ticks_as_the_phone_goes_through_it() {
        String proof = proof();
        assertThat(checklist(proof)).contains("0 of 6 seen").doesNotContain("<html");
        Http phone = phone(proof);
        String location = open(phone, 0);
        String click = location.replaceFirst("^.*wcl=", "");
        await("the visit arrives", () -> checklist(proof).contains("One visit arrived."));
        assertThat(checklist(proof)).contains("2 of 6 seen", "0 of 6 seen");
        land(location, click);
        assertThat(checklist(proof)).contains("5 of 6 seen", "In your own browser.");
        order("TEST-1", click);
        await("the outcome comes back", () -> checklist(proof).contains("booking TEST-1"));
        assertThat(checklist(proof)).contains("6 of 6 seen");
        assertThat(phone.send(phone.request(phoneAddress(proof) + "/checklist").header("Host", tenant.host()))
                        .body())
                .contains("6 of 6 seen");
    }

    @Test
    void tags_that_were_lost_on_the_way_are_named() {
        String proof = proof();
        String location = open(phone(proof), 0);
        land("https://paddles.example/offer?a=1&utm_source=sign", location.replaceFirst("^.*wcl=", ""));
        await("the visit arrives", () -> checklist(proof).contains("One visit arrived."));
        assertThat(checklist(proof)).contains("The page loaded without utm_campaign, utm_medium.");
    }

    @Test
    void nothing_of_a_proof_is_in_any_figure_anywhere() {
        String proof = proof();
        await(
                "the pages were looked at",
                () -> count(tenant, "select count(*) from destination where checked_at is null") == 0);
        String before = figures();
        Http phone = phone(proof);
        for (int i = 0; i < 3; i++) {
            String click = open(phone, 0).replaceFirst("^.*wcl=", "");
            order("TEST-" + i, click); // often faster than the carrier of the visit
        }
        await("all are marked", () -> count(tenant, "select count(*) from outcome where is_proof") == 3);
        assertThat(count(tenant, "select count(*) from visit where kind = 'proof'"))
                .isEqualTo(3);
        assertThat(count(tenant, "select count(*) from credit")).isZero();
        assertThat(figures()).isEqualTo(before);
        assertThat(person.get("/find?find=TEST-1").body()).contains("Nothing matches");
    }

    private static String plain(String page) {
        return page.replaceAll("(?s)name=\"_csrf\" value=\"[^\"]*\"", "")
                .replaceAll("(name=\"from.time\"[^>]*) value=\"[^\"]*\"", "$1") // the minute in which it was asked for
                .replaceAll("\\s+", " ");
    }

    /** Every place that shows figures, without what differs from call to call. */
    private String figures() {
        StringBuilder all = new StringBuilder();
        for (String path : List.of("/today", "/links", "/links/" + link(0), "/outcomes", "/compare", "/spend")) {
            all.append(plain(person.get(path + "?period=28d").body())).append('\n');
        }
        for (String path : List.of("/api/v1/outcomes", "/api/v1/compare")) {
            all.append(http().api(tenant.apiKey(), path).body());
        }
        return all.toString();
    }

    @Test
    void a_phone_that_left_and_a_proof_that_is_over_count_again() {
        String proof = proof();
        Http phone = phone(proof);
        phone.send(phone.request("/t/proofs/leave")
                .header("Host", tenant.host())
                .POST(java.net.http.HttpRequest.BodyPublishers.noBody()));
        open(phone, 0);
        Http other = phone(proof);
        person.form(proof, proof + "/end");
        assertThat(person.get(proof).body()).contains("This test is over.").doesNotContain("code.svg");
        open(other, 1);
        await("both are stored", () -> count(tenant, "select count(*) from visit") == 2);
        assertThat(count(tenant, "select count(*) from visit where kind = 'person'"))
                .isEqualTo(2);
        assertThat(http().send(http().request(phoneAddressOf(proof)).header("Host", tenant.host()))
                        .statusCode())
                .isEqualTo(404);
    }

    private String phoneAddressOf(String proof) {
        return "/t/proofs/"
                + in(
                        tenant,
                        () -> jdbc.sql("select token from proof where id = ?")
                                .param(UUID.fromString(proof.replaceFirst("^/proofs/", "")))
                                .query(String.class)
                                .single());
    }

    @Test
    void a_token_of_another_business_or_of_nobody_marks_nothing() {
        Tenant other = tenant("Curious Coracles");
        String proof = proof();
        Http phone = phone(proof);
        String theirs = http().issue(other.apiKey(), "https://coracles.example", "Spring", "Sign")
                .get(0);
        String cookie = "wendo_proof=" + phoneAddressOf(proof).replaceFirst("^.*/", "");
        http().send(http().request("/" + theirs).header("Host", other.host()).header("Cookie", cookie));
        http().send(http().request("/" + slugs.get(0))
                .header("Host", tenant.host())
                .header("Cookie", "wendo_proof=" + "x".repeat(3000)));
        await(
                "both are stored",
                () -> count(other, "select count(*) from visit") + count(tenant, "select count(*) from visit") == 2);
        assertThat(count(other, "select count(*) from visit where kind = 'person'"))
                .isOne();
        assertThat(count(tenant, "select count(*) from visit where kind = 'person'"))
                .isOne();
        assertThat(http().signIn(other.email()).get(proof).statusCode()).isEqualTo(404);
        assertThat(phone.send(phone.request("/t/proofs/nonsense").header("Host", tenant.host()))
                        .statusCode())
                .isEqualTo(404);
    }

    @Test
    void landings_are_taken_once_and_nonsense_is_refused() {
        String click = ClickId.of(java.time.Instant.now(), new java.util.SplittableRandom(5))
                .toString();
        land("https://paddles.example/a", click);
        land("https://paddles.example/b", click);
        assertThat(count(tenant, "select count(*) from landing where address like '%/a'"))
                .isOne();
        for (String body : List.of(
                "{broken", "{}", "{\"site\": \"" + tenant.siteKey() + "\", \"clickId\": \"x\"}", "x".repeat(5000))) {
            assertThat(http().send(http().request("/t/landings")
                                    .POST(java.net.http.HttpRequest.BodyPublishers.ofString(body)))
                            .statusCode())
                    .isBetween(400, 422);
        }
    }

    private byte[] code(int number, String query) {
        return person.bytes(person.request("/codes/" + link(number) + ".png?" + query));
    }

    private HttpResponse<String> picture(byte[] file) {
        String page = "/links/" + link(0) + "/proof";
        return person.upload(page, page + "/picture", new Http.Sent("picture", "image/png", file));
    }

    private static byte[] as(String format, BufferedImage image) throws IOException {
        ByteArrayOutputStream out = new ByteArrayOutputStream();
        assertThat(ImageIO.write(image, format, out)).isTrue();
        return out.toByteArray();
    }

    @Test
    void a_picture_of_a_code_is_read_compared_and_judged() throws IOException {
        HttpResponse<String> good = picture(code(0, "side=25"));
        assertThat(good.statusCode()).isEqualTo(200);
        assertThat(good.body())
                .contains("This code is good.", "this link.", "enough to be read with ease", "its side is 25 mm");
        assertThat(picture(code(1, "side=25")).body())
                .contains("Do not print it like this.", "another link of yours, Flyer · Spring.");
        assertThat(picture(code(0, "side=25&dpi=60")).body()).contains("too few");

        BufferedImage flat = ImageIO.read(new ByteArrayInputStream(code(0, "side=25")));
        BufferedImage photo = new BufferedImage(1400, 1400, BufferedImage.TYPE_INT_RGB);
        var graphics = photo.createGraphics();
        graphics.setColor(new java.awt.Color(190, 185, 170));
        graphics.fillRect(0, 0, 1400, 1400);
        graphics.setRenderingHint(
                java.awt.RenderingHints.KEY_INTERPOLATION, java.awt.RenderingHints.VALUE_INTERPOLATION_BILINEAR);
        graphics.rotate(0.35, 700, 700);
        graphics.shear(0.03, 0.01);
        graphics.drawImage(flat, 330, 330, 700, 720, null);
        graphics.dispose();
        assertThat(picture(as("jpeg", photo)).body())
                .as("turned, slanted, on grey paper, squeezed as JPEG")
                .contains("This code is good.");
    }

    @Test
    void what_is_no_picture_of_a_code_is_told_so() throws IOException {
        assertThat(picture("not a picture".getBytes(StandardCharsets.UTF_8)).body())
                .contains("not a readable JPEG or PNG picture");
        assertThat(picture(new byte[0]).body()).contains("Choose a picture");
        assertThat(picture(as("png", new BufferedImage(300, 300, BufferedImage.TYPE_INT_RGB)))
                        .body())
                .contains("No code can be read");
        assertThat(picture(as("gif", new BufferedImage(30, 30, BufferedImage.TYPE_INT_RGB)))
                        .body())
                .contains("not a readable JPEG or PNG picture");
        assertThat(picture(as("png", new BufferedImage(30, 30, BufferedImage.TYPE_INT_RGB)))
                        .statusCode())
                .isEqualTo(422);
        HttpResponse<String> tooLarge = picture(new byte[11 * 1024 * 1024]);
        assertThat(tooLarge.statusCode()).isBetween(400, 422);
    }
}
