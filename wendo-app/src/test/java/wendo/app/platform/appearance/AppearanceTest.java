package wendo.app.platform.appearance;

import static org.assertj.core.api.Assertions.assertThat;

import java.awt.image.BufferedImage;
import java.io.ByteArrayOutputStream;
import java.io.IOException;
import java.net.http.HttpResponse;
import java.util.List;
import java.util.UUID;
import javax.imageio.ImageIO;
import org.jsoup.Jsoup;
import org.jsoup.nodes.Document;
import org.junit.jupiter.api.BeforeEach;
import org.junit.jupiter.api.Test;
import org.springframework.beans.factory.annotation.Autowired;
import wendo.app.EntryForms;
import wendo.app.Http;
import wendo.app.WendoTest;
import wendo.app.platform.accounts.Accounts;
import wendo.app.platform.accounts.Role;

/** Logo, colour, address and links stand on every page that everybody can open. */
class AppearanceTest extends WendoTest {
    private static final String PAGE = "/setup/appearance";

    @Autowired
    private Accounts accounts;

    private Tenant tenant;
    private Http owner;

    @BeforeEach
    void open() {
        tenant = tenant("Dunlin Days");
        owner = http().signIn(tenant.email());
    }

    private HttpResponse<String> change(String... fields) {
        return owner.form(PAGE, PAGE, fields);
    }

    private Document visit(String path, String language) {
        Http visitor = http();
        return Jsoup.parse(
                visitor.send(visitor.request(path).header("Host", tenant.host()).header("Accept-Language", language))
                        .body());
    }

    private String id(String table) {
        return in(
                tenant,
                () -> jdbc.sql("select id::text from " + table)
                        .query(String.class)
                        .single());
    }

    private String form() {
        EntryForms.make(owner, "accent", "own", "ask.email", "needed");
        return "/t/forms/" + id("entry_form");
    }

    private static byte[] png() throws IOException {
        ByteArrayOutputStream out = new ByteArrayOutputStream();
        ImageIO.write(new BufferedImage(30, 20, BufferedImage.TYPE_INT_RGB), "png", out);
        return out.toByteArray();
    }

    @Test
    void a_business_appears_on_its_form_and_where_an_address_leads_nowhere() throws IOException {
        String form = form();
        assertThat(visit(form, "en").select("footer").text()).isEqualTo("Made with Wendo");
        assertThat(change(
                                "version",
                                "0",
                                "colour",
                                "0B4FA8",
                                "address",
                                "2 Slip Lane\nMarram Point",
                                "imprint",
                                "dunlin.example/imprint",
                                "privacy",
                                "https://dunlin.example/privacy",
                                "signed",
                                "no")
                        .statusCode())
                .isEqualTo(302);
        assertThat(owner.upload(PAGE, PAGE + "/logo", new Http.Sent("logo", "image/png", png()))
                        .statusCode())
                .isEqualTo(302);
        for (String path : List.of(form, "/nowhere-at-all")) {
            await(
                    "the link host knows it",
                    () -> !visit(path, "de").select("img").isEmpty());
            Document page = visit(path, "de");
            assertThat(page.select("footer p").get(0).wholeText().strip())
                    .as(path)
                    .isEqualTo("Dunlin Days\n2 Slip Lane\nMarram Point");
            assertThat(page.select("footer a").eachText()).as(path).containsExactly("Impressum", "Datenschutz");
            assertThat(page.select("footer a").eachAttr("href"))
                    .containsExactly("https://dunlin.example/imprint", "https://dunlin.example/privacy");
            assertThat(page.select("footer").text()).doesNotContain("Wendo");
            String style = page.select("link[href^=/t/look/]").attr("href");
            assertThat(http().get(style).body()).isEqualTo(":root{--own-band:#0b4fa8;--on-own:#ffffff}");
            assertThat(http().get(page.select("img").attr("src").replaceFirst("^https?://[^/]+", ""))
                            .headers()
                            .firstValue("Content-Type"))
                    .hasValue("image/png");
        }
        owner.form(PAGE, PAGE + "/logo/remove");
        assertThat(visit(form, "en").select("img")).isEmpty();
        assertThat(owner.get("/setup/activity").body()).contains("Public pages");
    }

    @Test
    void what_cannot_be_shown_is_told_and_nothing_typed_is_lost() {
        HttpResponse<String> refused = change(
                "version",
                "0",
                "colour",
                "mauve",
                "address",
                "x".repeat(501),
                "imprint",
                "javascript:alert(1)",
                "privacy",
                "https://dunlin.example/" + "p".repeat(5000));
        assertThat(refused.statusCode()).isEqualTo(422);
        Document page = Jsoup.parse(refused.body());
        assertThat(page.select("#colour-fault").text()).contains("mauve", "#1a6b5f");
        assertThat(page.select("#address-fault, #imprint-fault, #privacy-fault"))
                .hasSize(3);
        assertThat(page.select("#imprint").val()).isEqualTo("javascript:alert(1)");
        assertThat(count(tenant, "select count(*) from appearance")).isZero();
        owner.upload(PAGE, PAGE + "/logo", new Http.Sent("logo", "image/png", new byte[] {1, 2, 3}));
        assertThat(owner.get(PAGE).body()).contains("Choose a picture, PNG or JPEG");
        assertThat(http().get("/t/look/nobody.css").statusCode()).isEqualTo(404);
    }

    @Test
    void of_two_who_change_it_the_second_is_asked() {
        change("version", "0", "colour", "#112233");
        HttpResponse<String> second = change("version", "0", "colour", "#445566");
        assertThat(second.statusCode()).isEqualTo(409);
        assertThat(second.body()).contains("value=\"#445566\"", "#112233");
    }

    @Test
    void those_who_set_nothing_up_do_not_change_it() {
        String email = "tom@" + UUID.randomUUID() + ".example";
        in(tenant, () -> {
            accounts.join(accounts.register(email, "Tom", PASSWORD), Role.STAFF);
            return true;
        });
        assertThat(http().signIn(email).form(PAGE, PAGE, "colour", "#112233").statusCode())
                .isEqualTo(403);
    }
}
