package wendo.app.visit.disclosure;

import static org.assertj.core.api.Assertions.assertThat;
import static org.mockito.ArgumentMatchers.any;
import static org.mockito.ArgumentMatchers.anyBoolean;
import static org.mockito.Mockito.mock;
import static org.mockito.Mockito.never;
import static org.mockito.Mockito.times;
import static org.mockito.Mockito.verify;
import static org.mockito.Mockito.when;

import java.util.HashMap;
import java.util.List;
import java.util.Map;
import java.util.Optional;
import java.util.Set;
import org.jsoup.Jsoup;
import org.junit.jupiter.api.BeforeEach;
import org.junit.jupiter.api.Test;
import wendo.app.prepare.destinations.PageReader;
import wendo.core.links.WebAddress;
import wendo.core.visits.OutgoingPattern;

class OwnPagesTest {
    private final PageReader reader = mock(PageReader.class);
    private final Map<String, String> site = new HashMap<>();

    @BeforeEach
    void pages() {
        when(reader.read(any(), anyBoolean()))
                .thenAnswer(asked -> Optional.ofNullable(
                                site.get(asked.getArgument(0, WebAddress.class).toString()))
                        .map(html -> Jsoup.parse(
                                html, asked.getArgument(0, WebAddress.class).toString())));
    }

    private OwnPages.Found read(String... addresses) {
        return new OwnPages(reader)
                .read(
                        new OwnPages.Start(
                                List.of(addresses),
                                Set.of("teal.example", "www.reed.example"),
                                Set.of("go.teal.example"),
                                false),
                        new ReadPage.Wanted(
                                List.of(new OutgoingPattern("cover.example")),
                                List.of("Advertising"),
                                DisclosurePlace.OFF));
    }

    private void verifyRead(String address, int times) {
        verify(reader, times(times)).read(WebAddress.of(address), false);
    }

    @Test
    void what_pages_lead_to_on_the_same_sites_is_read_once_and_nothing_else() {
        site.put("https://teal.example/", """
                <a href="/kit?from=home#top">Kit</a> <a href="http://www.teal.example/kit">Kit</a> <a href="/kit/">Kit</a>
                <a href="https://shop.teal.example/">Shop</a> <a href="https://go.teal.example/spring">Our link</a>
                <a href="https://elsewhere.example/">Away</a> <a href="/price.pdf">Prices</a> <a href="mailto:a@b.example">Mail</a>
                """);
        site.put("https://teal.example/kit", "<a href='https://cover.example/x'>Cover</a>");
        site.put("https://shop.teal.example/", "<a href='https://teal.example/'>Home</a>");
        OwnPages.Found found = read("https://teal.example/");
        assertThat(found.pages()).containsOnlyKeys("teal.example", "teal.example/kit", "shop.teal.example");
        assertThat(found.pages().get("teal.example/kit")).isEqualTo(new ReadPage(1, 1, ReadPage.Said.NOBODY));
        assertThat(found.unreadable()).isZero();
        verifyRead("https://teal.example/", 1);
        verify(reader, never()).read(WebAddress.of("https://go.teal.example/spring"), false);
        verify(reader, never()).read(WebAddress.of("https://elsewhere.example/"), false);
        verify(reader, times(3)).read(any(), anyBoolean());
    }

    @Test
    void what_does_not_answer_is_counted_and_what_is_no_own_page_is_not_read() {
        OwnPages.Found found =
                read("https://teal.example/gone", "https://other.example/", "no address", "https://notteal.example/");
        assertThat(found).isEqualTo(new OwnPages.Found(Map.of(), 1));
        verify(reader, times(1)).read(any(), anyBoolean());
    }

    /** Addresses of pages that people left are kept without "www.". */
    @Test
    void a_site_is_known_with_www_and_without() {
        site.put("https://reed.example/guide", "<a href='https://www.reed.example/kit'>Kit</a>");
        site.put("https://www.reed.example/kit", "Kit");
        assertThat(read("https://reed.example/guide").pages())
                .containsOnlyKeys("reed.example/guide", "reed.example/kit");
    }

    @Test
    void a_site_without_end_is_read_so_far() {
        for (int i = 0; i <= OwnPages.MOST; i++) {
            site.put("https://teal.example/" + i, "<a href='/%d'>Next</a>".formatted(i + 1));
        }
        assertThat(read("https://teal.example/0").pages()).hasSize(OwnPages.MOST);
        verify(reader, times(OwnPages.MOST)).read(any(), anyBoolean());
    }
}
