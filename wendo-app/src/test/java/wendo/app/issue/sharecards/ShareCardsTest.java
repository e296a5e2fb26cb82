package wendo.app.issue.sharecards;

import static org.assertj.core.api.Assertions.assertThat;

import com.sun.net.httpserver.HttpServer;
import java.awt.image.BufferedImage;
import java.io.ByteArrayOutputStream;
import java.io.IOException;
import java.net.InetAddress;
import java.net.InetSocketAddress;
import java.net.http.HttpResponse;
import java.nio.charset.StandardCharsets;
import java.util.ArrayList;
import java.util.List;
import java.util.UUID;
import java.util.concurrent.BrokenBarrierException;
import java.util.concurrent.CyclicBarrier;
import java.util.concurrent.ExecutorService;
import java.util.concurrent.Executors;
import java.util.concurrent.Future;
import java.util.concurrent.TimeUnit;
import java.util.concurrent.TimeoutException;
import javax.imageio.ImageIO;
import org.junit.jupiter.api.AfterEach;
import org.junit.jupiter.api.BeforeEach;
import org.junit.jupiter.api.Test;
import org.springframework.beans.factory.annotation.Autowired;
import org.springframework.context.ApplicationEventPublisher;
import wendo.app.Http;
import wendo.app.WendoTest;
import wendo.app.prepare.destinations.DestinationRead;
import wendo.app.prepare.destinations.PageCard;
import wendo.core.links.ShareCard;

/** What messengers and networks are shown of a link, and what people are. */
class ShareCardsTest extends WendoTest {
    private static final String DRAWING = "TelegramBot (like TwitterBot)";

    @Autowired
    private ApplicationEventPublisher events;

    private HttpServer site;
    private Tenant tenant;
    private Http person;
    private String slug = "";
    private String path = "";
    private volatile String title = "Learn to sail";

    @BeforeEach
    void a_page_with_a_picture() throws IOException {
        site = HttpServer.create(new InetSocketAddress(InetAddress.getLoopbackAddress(), 0), 0);
        byte[] picture = png(1600, 900);
        site.createContext("/", exchange -> {
            boolean isPicture = exchange.getRequestURI().getPath().equals("/boat.png");
            byte[] body = isPicture ? picture : """
                    <title>Site</title><meta property="og:title" content="%s"><meta property="og:description"
                    content="Two days on the bay."><meta property="og:image" content="/boat.png">""".formatted(title).getBytes(StandardCharsets.UTF_8);
            exchange.getResponseHeaders().set("Content-Type", isPicture ? "image/png" : "text/html");
            exchange.sendResponseHeaders(200, body.length);
            exchange.getResponseBody().write(body);
            exchange.close();
        });
        site.start();
        tenant = tenant("Knot Kayaks");
        slug = http().issue(
                        tenant.apiKey(),
                        "http://localhost:" + site.getAddress().getPort() + "/courses",
                        "Spring",
                        "Postcards")
                .get(0);
        UUID link = in(
                tenant, () -> jdbc.sql("select id from link").query(UUID.class).single());
        path = "/links/" + link + "/shared";
        person = http().signIn(tenant.email());
    }

    @AfterEach
    void close() {
        site.stop(0);
    }

    private static byte[] png(int width, int height) throws IOException {
        ByteArrayOutputStream bytes = new ByteArrayOutputStream();
        ImageIO.write(new BufferedImage(width, height, BufferedImage.TYPE_INT_RGB), "png", bytes);
        return bytes.toByteArray();
    }

    private HttpResponse<String> ask(String userAgent) {
        Http program = http();
        return program.send(
                program.request("/" + slug).header("Host", tenant.host()).setHeader("User-Agent", userAgent));
    }

    private void read() {
        person.form(path, path + "/read");
        await("the card is known with its picture", () -> ask(DRAWING).body().contains("og:image"));
    }

    @Test
    void a_program_is_shown_the_pages_own_card_and_people_are_led_on() throws IOException {
        assertThat(person.get(path).body()).contains("Nothing has been read from the destination yet.");
        read();
        HttpResponse<String> card = ask(DRAWING);
        assertThat(card.statusCode()).isEqualTo(200);
        assertThat(card.body())
                .contains(
                        "<meta property=\"og:title\" content=\"Learn to sail\">",
                        "content=\"Two days on the bay.\"",
                        "<meta property=\"og:site_name\" content=\"Knot Kayaks\">");
        assertThat(card.headers().firstValue("X-Robots-Tag")).hasValue("noindex");
        String picture = card.body().replaceFirst("(?s)^.*og:image\" content=\"[a-z]+://[^/]+(/t/[^\"]+)\".*$", "$1");
        Http program = http();
        HttpResponse<String> drawn = program.send(program.request(picture).header("Host", tenant.host()));
        assertThat(drawn.statusCode()).isEqualTo(200);
        assertThat(drawn.headers().firstValue("Content-Type")).hasValue("image/jpeg");
        assertThat(ask(Http.BROWSER).statusCode()).isEqualTo(302);
        await("both are stored", () -> count(tenant, "select count(*) from visit where kind = 'person'") == 1);
        assertThat(count(tenant, "select count(*) from visit where kind = 'preview'"))
                .isPositive();
    }

    @Test
    void what_is_said_of_the_link_stands_in_place_of_what_its_page_says() throws IOException {
        read();
        String before = ask(DRAWING).body();
        assertThat(person.upload(
                                path,
                                path,
                                new Http.Sent("picture", "image/png", png(50, 40)),
                                "version",
                                "0",
                                "title",
                                "Half price in May",
                                "text",
                                "")
                        .statusCode())
                .isEqualTo(302);
        await("the link host knows", () -> ask(DRAWING).body().contains("Half price in May"));
        String after = ask(DRAWING).body();
        assertThat(after).contains("Two days on the bay.");
        assertThat(picture(after)).isNotEqualTo(picture(before));
        assertThat(person.form(path, path, "version", "1", "title", "", "text", "", "noPicture", "yes")
                        .statusCode())
                .isEqualTo(302);
        await("the page's stands again", () -> ask(DRAWING).body().equals(before));
    }

    private static String picture(String card) {
        return card.replaceFirst("(?s)^.*og:image\" content=\"([^\"]+)\".*$", "$1");
    }

    @Test
    void another_look_at_the_page_brings_what_it_says_now() {
        read();
        title = "Sail all summer";
        person.form(path, path + "/read"); // what was read within half a minute is not asked again
        assertThat(person.get(path).body()).contains("Learn to sail");
        assertThat(count(tenant, "select count(*) from page_card where picture is not null"))
                .isOne();
    }

    @Test
    void a_refused_picture_loses_nothing_and_of_two_people_the_later_one_is_asked() {
        HttpResponse<String> refused = person.upload(
                path,
                path,
                new Http.Sent("picture", "image/png", "no picture".getBytes(StandardCharsets.UTF_8)),
                "version",
                "0",
                "title",
                "Half price",
                "text",
                "In May");
        assertThat(refused.statusCode()).isEqualTo(422);
        assertThat(refused.body()).contains("Choose a picture that can be opened", "value=\"Half price\"", "In May");
        assertThat(person.form(path, path, "version", "0", "title", "x".repeat(101), "text", "")
                        .body())
                .contains("x".repeat(101));
        person.form(path, path, "version", "0", "title", "Half price", "text", "");
        HttpResponse<String> later = person.form(path, path, "version", "0", "title", "Full price", "text", "");
        assertThat(later.statusCode()).isEqualTo(409);
        assertThat(later.body()).contains("Full price", "Half price");
    }

    @Test
    void another_business_finds_neither_the_page_nor_changes_it() {
        Http stranger = http().signIn(tenant("Other Oars").email());
        assertThat(stranger.get(path).statusCode()).isEqualTo(404);
        assertThat(stranger.form("/links", path, "version", "0", "title", "Mine", "text", "")
                        .statusCode())
                .isEqualTo(404);
        assertThat(http().get("/t/cards/" + UUID.randomUUID() + ".jpg").statusCode())
                .isEqualTo(404);
        assertThat(http().get("/t/cards/nothing.jpg").statusCode()).isIn(400, 404);
    }

    /** The issuing page and the daily check may look at the same page in the same moment. */
    @Test
    void of_two_who_look_at_a_page_at_once_nobody_fails() throws Exception {
        UUID destination = in(
                tenant,
                () -> jdbc.sql("select id from destination").query(UUID.class).single());
        CyclicBarrier together = new CyclicBarrier(2);
        ExecutorService two = Executors.newFixedThreadPool(2);
        List<Future<Boolean>> looks = new ArrayList<>();
        for (String said : List.of("One", "Other")) {
            looks.add(two.submit(() -> in(tenant, () -> {
                meet(together);
                events.publishEvent(new DestinationRead(destination, new PageCard(new ShareCard(said, ""), "")));
                return true;
            })));
        }
        for (Future<Boolean> look : looks) {
            assertThat(look.get(30, TimeUnit.SECONDS)).isTrue();
        }
        two.shutdown();
        assertThat(count(tenant, "select count(*) from page_card")).isOne();
    }

    private static void meet(CyclicBarrier together) {
        try {
            together.await(30, TimeUnit.SECONDS);
        } catch (InterruptedException | BrokenBarrierException | TimeoutException e) {
            throw new IllegalStateException(e);
        }
    }
}
