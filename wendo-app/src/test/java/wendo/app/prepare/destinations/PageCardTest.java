package wendo.app.prepare.destinations;

import static org.assertj.core.api.Assertions.assertThat;

import org.jsoup.Jsoup;
import org.junit.jupiter.api.Test;
import org.junit.jupiter.params.ParameterizedTest;
import org.junit.jupiter.params.provider.CsvSource;
import wendo.core.links.ShareCard;

/** The properties and the way a picture is named are those of the Open Graph protocol (ogp.me). */
class PageCardTest {
    private static PageCard card(String head) {
        return PageCard.of(Jsoup.parse("<html><head>" + head + "</head></html>"), "https://bay.example/courses/may");
    }

    @Test
    void a_page_says_how_it_wants_to_be_shown() {
        assertThat(card("""
                        <title>Courses | Bay Sailing</title><meta name="description" content="For search engines.">
                        <meta property="og:title" content="Learn to sail in May">
                        <meta property="og:description" content="Two days on the bay.">
                        <meta property="og:image" content="https://pictures.example/boat.jpg">
                        """))
                .isEqualTo(new PageCard(
                        new ShareCard("Learn to sail in May", "Two days on the bay."),
                        "https://pictures.example/boat.jpg"));
    }

    @Test
    void else_its_title_and_description_are_taken() {
        assertThat(
                        card(
                                "<title> Courses </title><meta name=description content='For all.'><meta property=og:title content=' '>"))
                .isEqualTo(new PageCard(new ShareCard("Courses", "For all."), ""));
    }

    @ParameterizedTest
    @CsvSource({
        "/boat.jpg, https://bay.example/boat.jpg",
        "boat 1.jpg, https://bay.example/courses/boat%201.jpg",
        "//cdn.example/boat.jpg, https://cdn.example/boat.jpg",
        "'data:image/png;base64,xx', ''",
        "file:///etc/passwd, ''",
        "'http://[', ''"
    })
    void a_picture_may_be_named_from_the_page_and_only_on_the_web(String written, String read) {
        assertThat(card("<meta property='og:image' content='" + written + "'>").picture())
                .isEqualTo(read);
    }
}
