package wendo.app.visit.disclosure;

import static org.assertj.core.api.Assertions.assertThat;

import java.util.List;
import org.jsoup.Jsoup;
import org.junit.jupiter.api.Test;
import wendo.core.visits.OutgoingPattern;

class ReadPageTest {
    private static final String SAYS = "Advertising: we earn a commission.";
    private static final String LINK = "<p>Get <a href='https://www.Cover.example/boat?s1=9#now'>cover</a> first.</p>";
    private static final String TAG =
            "<script src='https://go.teal.example/t/wendo.js' data-site='k'%s async></script>";

    private static ReadPage read(String body, DisclosurePlace place) {
        return ReadPage.of(
                Jsoup.parse(body, "https://teal.example/guides/"),
                new ReadPage.Wanted(
                        List.of(new OutgoingPattern("cover.example"), new OutgoingPattern("go.teal.example/kit")),
                        List.of(SAYS, "Werbung"),
                        place));
    }

    private static ReadPage read(String body) {
        return read(body, DisclosurePlace.OFF);
    }

    @Test
    void a_page_without_links_that_earn_has_nothing_to_say() {
        assertThat(read("<p><a href='/courses'>Courses</a> <a href='https://discover.example/'>Bay</a></p>"))
                .isEqualTo(new ReadPage(0, 0, ReadPage.Said.PAGE));
    }

    @Test
    void a_page_says_it_before_its_first_link_or_around_it() {
        assertThat(read(LINK)).isEqualTo(new ReadPage(1, 1, ReadPage.Said.NOBODY));
        assertThat(read("<p>advertising:\n  We earn a commission.</p>" + LINK).said())
                .isEqualTo(ReadPage.Said.PAGE);
        assertThat(read("<p><a href='//cover.example/'>Cover</a> (Werbung)</p>").said())
                .isEqualTo(ReadPage.Said.PAGE);
        assertThat(read(LINK + "<footer>" + SAYS + "</footer>").said())
                .as("at the foot it comes too late")
                .isEqualTo(ReadPage.Said.NOBODY);
        assertThat(read("<script>'" + SAYS + "'</script>" + LINK).said())
                .as("nobody reads a script")
                .isEqualTo(ReadPage.Said.NOBODY);
    }

    @Test
    void the_tag_says_it_where_it_may_and_is_set_to() {
        String page = TAG.formatted(" data-disclosure") + LINK;
        assertThat(read(page, DisclosurePlace.FIRST)).isEqualTo(new ReadPage(1, 0, ReadPage.Said.TAG));
        assertThat(read(page, DisclosurePlace.OFF)).isEqualTo(new ReadPage(1, 1, ReadPage.Said.NOBODY));
        assertThat(read(TAG.formatted("") + LINK, DisclosurePlace.EACH).said()).isEqualTo(ReadPage.Said.NOBODY);
    }

    @Test
    void links_without_rel_are_counted() {
        String marked = "<a rel='noopener sponsored' href='https://go.teal.example/kit'>Kit</a>";
        assertThat(read(marked + LINK)).isEqualTo(new ReadPage(2, 1, ReadPage.Said.NOBODY));
    }
}
