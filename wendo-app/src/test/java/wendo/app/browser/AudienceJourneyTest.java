package wendo.app.browser;

import static com.microsoft.playwright.assertions.PlaywrightAssertions.assertThat;
import static org.assertj.core.api.Assertions.assertThat;

import com.microsoft.playwright.Locator;
import com.microsoft.playwright.Page;
import com.microsoft.playwright.assertions.LocatorAssertions;
import jakarta.mail.internet.MimeMessage;
import java.time.LocalTime;
import java.time.ZoneId;
import java.util.List;
import java.util.UUID;
import java.util.stream.IntStream;
import org.junit.jupiter.api.AfterEach;
import org.junit.jupiter.api.BeforeEach;
import org.junit.jupiter.api.Tag;
import org.junit.jupiter.api.Test;
import org.springframework.beans.factory.annotation.Autowired;
import wendo.app.Http;
import wendo.app.TestMailing;
import wendo.app.TestPost;
import wendo.app.platform.business.Businesses;
import wendo.app.platform.business.EditedVersion;
import wendo.core.handover.SendingHours;

/** An audience is built, written to, and one of its people taps on a phone and books. */
@Tag("browser")
class AudienceJourneyTest extends Journey {
    private static final int PEOPLE = 20;

    @Autowired
    private Businesses businesses;

    private Tenant tenant;
    private String link;

    @BeforeEach
    void open() {
        tenant = tenant("Whimbrel Watersports");
        http().issue(tenant.apiKey(), "https://whimbrel.example/", "Spring", "Text");
        link = in(
                        tenant,
                        () -> jdbc.sql("select id from link").query(UUID.class).single())
                .toString();
        in(tenant, () -> {
            businesses.changeSendingHours(
                    EditedVersion.any(),
                    new SendingHours(
                            LocalTime.of(17, 0), LocalTime.MIDNIGHT, LocalTime.MIDNIGHT, ZoneId.of("Europe/London")));
            return tenant;
        });
        Http owner = http().signIn(tenant.email());
        new TestMailing(owner, link)
                .list(IntStream.range(0, PEOPLE).mapToObj(this::email).toList());
        await("everybody is known", () -> count(tenant, "select count(*) from audience_contact") == PEOPLE);
        signIn(1280, 800, tenant.email());
    }

    @AfterEach
    void nothing_went_wrong_on_the_way() {
        browser.close();
        assertThat(browser.complaints.stream()
                        .filter(one -> !one.contains("422"))
                        .toList())
                .isEmpty();
    }

    private String email(int i) {
        return "walker%d.%s@post.example"
                .formatted(i, tenant.id().value().toString().substring(0, 8));
    }

    private Locator selects(String label) {
        return page.getByLabel(label, new Page.GetByLabelOptions().setExact(true));
    }

    @Test
    void an_audience_is_built_and_written_to_and_what_it_brought_is_seen() throws Exception {
        go("/audiences");
        assertThat(Browser.axe(page)).isEmpty();
        page.getByText("New audience").click();
        selects("What").first().selectOption("sent");
        assertThat(page.getByLabel("Who is in it")).containsText("People who were sent a personal link.");
        assertThat(page.getByLabel("Who is in it")).containsText("20 people");
        button("Add rule");
        assertThat(selects("Did or did not")).hasCount(2);
        selects("Did or did not").nth(1).selectOption("not");
        selects("What").nth(1).selectOption("did");
        assertThat(page.getByLabel("Who is in it"))
                .containsText("People who were sent a personal link and did not enquire, book or buy.");
        assertThat(Browser.axe(page)).isEmpty();
        button("Save audience");
        assertThat(page.locator("#name-fault")).hasText("Name the audience.");
        assertThat(selects("What")).hasCount(2);
        page.getByLabel("Name", new Page.GetByLabelOptions().setExact(true)).fill("Sent and silent");
        page.keyboard().press("Enter"); // saves, and presses no other button
        assertThat(page.locator("h1")).hasText("Sent and silent");
        assertThat(page.locator("main")).containsText("By e-mail20");
        assertThat(Browser.axe(page)).isEmpty();

        page.getByText("Write to them").click();
        page.getByLabel("Name", new Page.GetByLabelOptions().setExact(true)).fill("Come back");
        page.getByLabel("Link", new Page.GetByLabelOptions().setExact(true)).selectOption(link);
        page.getByLabel("Subject").fill("Hello {name|there}");
        assertThat(page.getByLabel("Preview")).containsText("Hello Robin");
        page.getByLabel("Held out, %").fill("25");
        assertThat(page.getByLabel("Preview")).containsText("5 of them are held out.");
        page.getByLabel("Messages per minute").fill("6000");
        assertThat(Browser.axe(page)).isEmpty();
        button("Save mailing");
        assertThat(page.locator("#state")).hasText("Draft");
        assertThat(Browser.axe(page)).isEmpty();
        button("Send mailing");
        assertThat(page.locator("#state")).hasText("Sent", new LocatorAssertions.HasTextOptions().setTimeout(60_000));

        await("fifteen have left", () -> written().size() == 15);
        int booked = written().get(0);
        MimeMessage mail = TestPost.instance().mailTo(email(booked)).get(0);
        String address = mail.getContent().toString().replaceFirst("(?s)^.*?(http\\S+).*$", "$1");
        http().visit(tenant.host(), address.replaceFirst("^https?://[^/]+/", ""));
        http().post(tenant.apiKey(), "/api/v1/outcomes", """
                {"kind": "booking", "reference": "W-1", "value": "60.00", "email": "%s"}""".formatted(email(booked)));
        await(
                "the tap is known",
                () -> count(tenant, "select count(*) from visit where recipient_id is not null and kind = 'person'")
                        == 1);
        page.reload();
        assertThat(page.locator("main")).containsText("Tapped1");
        assertThat(page.locator("main")).containsText("1 of 15 people written to (6.7%), 0 of 5 held out (0.0%).");
        assertThat(Browser.axe(page)).isEmpty();
        await(
                "who booked has left the audience",
                () -> count(tenant, "select count(*) from audience_member where left_at is not null") == 1);
        page.setViewportSize(390, 844);
        go("/audiences");
        assertThat(page.locator("main")).containsText("19");
        assertThat(Browser.axe(page)).isEmpty();
    }

    private List<Integer> written() {
        return IntStream.range(0, PEOPLE)
                .filter(i -> !TestPost.instance().mailTo(email(i)).isEmpty())
                .boxed()
                .toList();
    }
}
