package wendo.app.linkhost.redirect;

import static org.assertj.core.api.Assertions.assertThat;
import static org.mockito.ArgumentMatchers.any;
import static org.mockito.ArgumentMatchers.argThat;
import static org.mockito.Mockito.mock;
import static org.mockito.Mockito.never;
import static org.mockito.Mockito.verify;
import static org.mockito.Mockito.when;

import java.time.Clock;
import java.time.Instant;
import java.time.ZoneOffset;
import java.util.List;
import java.util.Locale;
import java.util.Map;
import java.util.Optional;
import java.util.UUID;
import org.junit.jupiter.api.BeforeEach;
import org.junit.jupiter.api.Test;
import org.junit.jupiter.params.ParameterizedTest;
import org.junit.jupiter.params.provider.CsvSource;
import org.junit.jupiter.params.provider.ValueSource;
import wendo.app.audience.visitortags.DirectoryTag;
import wendo.app.audience.visitortags.TagKind;
import wendo.app.audience.visitortags.TagsOfLink;
import wendo.app.issue.links.HostSpeech;
import wendo.app.issue.links.LinkDirectory;
import wendo.app.issue.sharecards.ShareCardDirectory;
import wendo.app.linkhost.tagging.Tagger;
import wendo.app.outcome.networks.NetworkDirectory;
import wendo.app.platform.business.BusinessId;
import wendo.app.platform.site.PublicFace;
import wendo.app.visit.visits.LoggedVisit;
import wendo.core.audience.TagConsent;
import wendo.core.audience.TagPurpose;
import wendo.core.links.ShareCard;
import wendo.core.links.Way;
import wendo.core.visits.ClickId;

/** What a link host answers, of doubles alone: neither a server nor a database is there. */
class LinkResponderTest {
    private static final Instant NOW = Instant.parse("2026-05-03T10:00:00Z");
    private static final BusinessId TEAL = new BusinessId(new UUID(1, 1));
    private static final UUID HOST = new UUID(2, 2);
    private static final UUID VISITOR = new UUID(3, 3);
    private static final Way PAGE = new Way(new UUID(4, 4), "https://teal.example/?utm_source=cards");

    private final LinkDirectory directory = mock(LinkDirectory.class);
    private final NetworkDirectory networks = mock(NetworkDirectory.class);
    private final ShareCardDirectory cards = mock(ShareCardDirectory.class);
    private final Tagger tagger = mock(Tagger.class);
    private final Visitors visitors = mock(Visitors.class);
    private final Countries countries = mock(Countries.class);
    private final LinkResponder responder = new LinkResponder(
            directory,
            networks,
            cards,
            tagger,
            visitors,
            countries,
            Clock.fixed(NOW, ZoneOffset.UTC),
            new Unguessable());

    private record Asked(String method, String host, String path, String query, Map<String, String> headers)
            implements LinkRequest {
        @Override
        public String header(String name) {
            return headers.getOrDefault(name, "");
        }

        @Override
        public String address() {
            return "192.0.2.7";
        }

        @Override
        public boolean isSecure() {
            return true;
        }
    }

    private static Asked get(String path) {
        return new Asked("GET", "go.teal.example", path, "", Map.of());
    }

    private static LinkDirectory.Host host(String business) {
        return new LinkDirectory.Host(
                HOST,
                TEAL,
                business,
                "",
                true,
                new HostSpeech(Locale.GERMANY, Map.of()),
                new PublicFace("Teal Tours", "site", false, false, 0, "", "", "", true, ""),
                "https://go.teal.example",
                Map.of());
    }

    @BeforeEach
    void one_host_is_known() {
        LinkDirectory.Host host = host("Teal Tours");
        when(directory.findHost("go.teal.example")).thenReturn(Optional.of(host));
        when(directory.find(any(), any())).thenReturn(Optional.empty());
        when(visitors.see(any(), org.mockito.ArgumentMatchers.anyBoolean(), any()))
                .thenReturn(new Visitors.Seen(VISITOR, "wendo_visitor=x"));
        when(countries.of("192.0.2.7")).thenReturn("NL");
        when(networks.lead(any(), any(), any()))
                .thenAnswer(call -> new NetworkDirectory.Redirect(call.getArgument(1) + "&wcl=this", ""));
    }

    private void link(boolean subscribes, boolean asks, String recipient) {
        LinkDirectory.Target target = new LinkDirectory.Target(
                new UUID(5, 5),
                new UUID(6, 6),
                TEAL,
                PAGE,
                Optional.empty(),
                Optional.empty(),
                subscribes,
                asks,
                new UUID(7, 7),
                Optional.empty());
        when(directory.find(any(), any())).thenReturn(Optional.of(new LinkDirectory.Asked(target, recipient)));
    }

    @Test
    void a_link_is_led_on_and_its_visit_is_told() {
        link(false, false, "abc123");
        LinkResponse.Redirect led = (LinkResponse.Redirect) responder.to(new Asked(
                "GET",
                "go.teal.example",
                "/cards/abc123",
                "",
                Map.of(
                        "User-Agent",
                        "Mozilla/5.0 (iPhone) Mobile",
                        "Referer",
                        "https://news.example/",
                        "Accept-Language",
                        "nl-BE, en",
                        "Purpose",
                        "prefetch")));
        assertThat(led.location()).isEqualTo(PAGE.address() + "&wcl=this");
        assertThat(led.cookie()).isEqualTo("wendo_visitor=x");
        LoggedVisit visit = led.visit().orElseThrow();
        assertThat(visit.business()).isEqualTo(TEAL);
        assertThat(visit.link()).isEqualTo(new UUID(5, 5));
        assertThat(visit.destination()).isEqualTo(PAGE.destination());
        assertThat(visit.visitor()).isEqualTo(VISITOR);
        assertThat(visit.recipient()).isEqualTo("abc123");
        assertThat(visit.country()).isEqualTo("NL");
        assertThat(visit.device()).isEqualTo("phone");
        assertThat(visit.language()).isEqualTo("nl");
        assertThat(visit.purpose()).isEqualTo("prefetch");
        assertThat(visit.referrer()).isEqualTo("https://news.example/");
        assertThat(visit.click().arrivedAt()).isEqualTo(NOW);
    }

    @Test
    void head_leads_to_the_same_page_and_counts_as_nothing() {
        link(false, false, "");
        LinkResponse.Redirect led =
                (LinkResponse.Redirect) responder.to(new Asked("HEAD", "go.teal.example", "/cards", "", Map.of()));
        assertThat(led.location()).startsWith(PAGE.address() + "&" + ClickId.PARAMETER + "=");
        assertThat(led.visit()).isEmpty();
        assertThat(led.cookie()).isEmpty();
        verify(networks, never()).lead(any(), any(), any());
    }

    @ParameterizedTest
    @ValueSource(strings = {"POST", "PUT", "DELETE", "OPTIONS"})
    void nothing_else_follows_a_link(String method) {
        link(false, false, "");
        assertThat(responder.to(new Asked(method, "go.teal.example", "/cards", "", Map.of())))
                .isEqualTo(new LinkResponse.DeadEnd(host("Teal Tours"), ""));
        verify(directory, never()).find(any(), any());
    }

    @Test
    void what_is_no_link_of_this_host_is_a_dead_end_in_the_business_s_name() {
        assertThat(responder.to(new Asked("GET", "go.teal.example", "/nowhere", "", Map.of("Accept-Language", "fr"))))
                .isEqualTo(new LinkResponse.DeadEnd(host("Teal Tours"), "fr"));
    }

    @Test
    void another_host_and_the_public_pages_are_not_ours_to_answer() {
        assertThat(responder.to(new Asked("GET", "teal.example", "/cards", "", Map.of())))
                .isEqualTo(new LinkResponse.NotOurs());
        assertThat(responder.to(get("/t/forms/x"))).isEqualTo(new LinkResponse.NotOurs());
        assertThat(responder.to(get(LinkDirectory.PROOF_PATH))).isEqualTo(new LinkResponse.Host(HOST));
    }

    @ParameterizedTest
    @CsvSource({"/cards, cards", "/cards/, cards", "/, ''", "/a/b, a/b", "/%41, %41"})
    void a_path_is_looked_up_as_it_came_without_its_slashes_at_the_ends(String path, String slug) {
        responder.to(get(path));
        verify(directory).find(any(), org.mockito.ArgumentMatchers.eq(slug));
    }

    @Test
    void a_form_stands_before_the_page_on_this_same_host() {
        link(false, true, "");
        LinkResponse.Redirect led = (LinkResponse.Redirect) responder.to(get("/cards & more"));
        assertThat(led.location())
                .isEqualTo(LinkDirectory.FORM_PATH + "?at=cards+%26+more&to=" + PAGE.destination() + "&wcl=this");
    }

    @ParameterizedTest
    @CsvSource(delimiter = '|', textBlock = """
                    reader=ada%40reed.example    | ada%40reed.example
                    x=1&reader=ada@reed.example  | ada%40reed.example
                    reader=                      | ''
                    reader=%EMAIL%               | %25EMAIL%25
                    """)
    void a_link_that_subscribes_takes_the_reader_s_address_to_this_same_host_and_no_other(String query, String reader) {
        link(true, false, "");
        LinkResponse.Redirect led =
                (LinkResponse.Redirect) responder.to(new Asked("GET", "go.teal.example", "/letter", query, Map.of()));
        assertThat(led.location()).isEqualTo("/t/opt-in/" + new UUID(5, 5) + "?reader=" + reader + "&wcl=this");
    }

    @Test
    void without_a_reader_s_address_it_leads_to_its_page_and_one_of_any_length_is_dropped() {
        link(true, false, "");
        assertThat(((LinkResponse.Redirect) responder.to(get("/letter"))).location())
                .isEqualTo(PAGE.address() + "&wcl=this");
        Asked endless = new Asked("GET", "go.teal.example", "/letter", "reader=" + "x".repeat(401), Map.of());
        assertThat(((LinkResponse.Redirect) responder.to(endless)).location()).contains("?reader=&wcl=this");
    }

    private static Asked get(String path, String userAgent) {
        return new Asked("GET", "go.teal.example", path, "", Map.of("User-Agent", userAgent));
    }

    /** No alias of a partner network is used up by a program that goes nowhere. */
    @Test
    void a_program_that_draws_previews_is_shown_the_card_and_nobody_else_is() {
        link(false, true, "abc123");
        ShareCardDirectory.Shown shown = new ShareCardDirectory.Shown(new ShareCard("Tides", "By the day."), "");
        when(cards.find(new UUID(5, 5), PAGE.destination())).thenReturn(Optional.of(shown));
        assertThat(responder.to(get("/cards/abc123", "TelegramBot (like TwitterBot)")))
                .isInstanceOfSatisfying(LinkResponse.Card.class, card -> {
                    assertThat(card.shown()).isEqualTo(shown);
                    assertThat(card.host().origin()).isEqualTo("https://go.teal.example");
                    assertThat(card.visit().recipient()).isEqualTo("abc123");
                    assertThat(card.visit().alias()).isEmpty();
                });
        verify(networks, never()).lead(any(), any(), any());
        assertThat(responder.to(get("/cards", "Mozilla/5.0 (iPhone) Mobile")))
                .isInstanceOf(LinkResponse.Redirect.class);
        assertThat(responder.to(new Asked(
                        "HEAD",
                        "go.teal.example",
                        "/cards",
                        "",
                        Map.of("User-Agent", "TelegramBot (like TwitterBot)"))))
                .isInstanceOf(LinkResponse.Redirect.class);
    }

    @Test
    void without_a_card_such_a_program_is_led_on_like_anybody() {
        link(false, false, "");
        when(cards.find(any(), any())).thenReturn(Optional.empty());
        assertThat(responder.to(get("/cards", "WhatsApp/2.23"))).isInstanceOf(LinkResponse.Redirect.class);
    }

    @Test
    void a_card_is_written_out_with_nothing_of_it_taken_for_markup() {
        CardPage pages = new CardPage();
        ShareCard card = new ShareCard("Half <price> {text}", "\"Two\" days & more");
        LinkResponse.Card drawn = new LinkResponse.Card(
                host("Teal {title}"),
                new ShareCardDirectory.Shown(card, "/t/cards/1.jpg?v=2"),
                "https://teal.example/?a=1&b=2",
                mock(LoggedVisit.class));
        assertThat(pages.page(drawn))
                .contains(
                        "<meta property=\"og:title\" content=\"Half &lt;price&gt; {text}\">",
                        "<meta property=\"og:description\" content=\"&quot;Two&quot; days &amp; more\">",
                        "<meta property=\"og:site_name\" content=\"Teal {title}\">",
                        "<meta property=\"og:image\" content=\"https://go.teal.example/t/cards/1.jpg?v=2\">",
                        "<a href=\"https://teal.example/?a=1&amp;b=2\">",
                        "<html lang=\"de\">",
                        "name=\"robots\" content=\"noindex\"");
        LinkResponse.Card plain = new LinkResponse.Card(
                host("Teal"), new ShareCardDirectory.Shown(card, ""), "https://a.example/", drawn.visit());
        assertThat(pages.page(plain)).doesNotContain("og:image", "twitter:card").contains("og:title");
    }

    @Test
    void a_link_with_visitor_tags_goes_by_way_of_a_page_unless_only_a_server_is_called() {
        link(false, false, "");
        DirectoryTag picture = new DirectoryTag(
                new UUID(8, 8), TEAL.value(), "Desk", TagKind.IMAGE, "https://desk.example/", "", TagPurpose.NONE);
        DirectoryTag server = new DirectoryTag(
                new UUID(9, 9), TEAL.value(), "Desk", TagKind.SERVER, "https://desk.example/", "", TagPurpose.NONE);
        TagsOfLink tags = new TagsOfLink(TEAL.value(), "", "", TagConsent.Asker.LINK_DOMAIN, List.of(picture, server));
        when(tagger.plan(any())).thenReturn(Optional.of(new Tagger.Plan(tags, List.of(), List.of(server), "9t")));
        LinkResponse.Redirect redirect = (LinkResponse.Redirect) responder.to(get("/cards"));
        assertThat(redirect.visit().orElseThrow().tags()).isEqualTo("9t");
        when(tagger.plan(any())).thenReturn(Optional.of(new Tagger.Plan(tags, List.of(), List.of(picture), "8t")));
        LinkResponse.Tagged tagged = (LinkResponse.Tagged) responder.to(get("/cards"));
        assertThat(tagged.visit().tags()).isEqualTo("8t");
        assertThat(tagged.before().to()).isEqualTo(redirect.location());
        assertThat(tagged.cookie()).isEqualTo("wendo_visitor=x");
        verify(tagger, never()).plan(argThat(Tagger.Arrival::hasSignal));
    }
}
