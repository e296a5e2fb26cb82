package wendo.app.outcome.outcomes;

import static org.hamcrest.Matchers.containsString;
import static org.hamcrest.Matchers.not;
import static org.mockito.ArgumentMatchers.any;
import static org.mockito.Mockito.doThrow;
import static org.mockito.Mockito.never;
import static org.mockito.Mockito.times;
import static org.mockito.Mockito.verify;
import static org.mockito.Mockito.when;
import static org.springframework.test.web.servlet.result.MockMvcResultMatchers.content;
import static org.springframework.test.web.servlet.result.MockMvcResultMatchers.redirectedUrl;
import static org.springframework.test.web.servlet.result.MockMvcResultMatchers.status;

import java.sql.SQLException;
import java.time.Instant;
import java.util.List;
import java.util.OptionalLong;
import java.util.UUID;
import java.util.stream.Collectors;
import java.util.stream.LongStream;
import org.junit.jupiter.api.BeforeEach;
import org.junit.jupiter.api.Test;
import org.mockito.Mockito;
import org.springframework.boot.webmvc.test.autoconfigure.WebMvcTest;
import org.springframework.context.annotation.ComponentScan.Filter;
import org.springframework.context.annotation.FilterType;
import org.springframework.dao.DuplicateKeyException;
import org.springframework.test.context.bean.override.mockito.MockitoBean;
import wendo.app.platform.accounts.PageSlice;
import wendo.app.platform.accounts.Role;
import wendo.core.outcomes.OutcomeKind;
import wendo.core.outcomes.OutcomeReport;

@WebMvcTest(
        controllers = ReviewController.class,
        excludeFilters = @Filter(type = FilterType.REGEX, pattern = PageSlice.BESIDE))
class ReviewControllerTest extends PageSlice {
    private static final String PAGE = "/outcomes/review";
    private static final UUID ONE = new UUID(1, 1);
    private static final UUID TWO = new UUID(1, 2);

    @MockitoBean
    private OutcomeReviews reviews;

    @BeforeEach
    void two_wait() {
        when(reviews.count()).thenReturn(2L);
        List<OutcomeReviews.Waiting> two = List.of(
                waiting(ONE, OutcomeKind.BOOKING, "B-1042", "shop.example"), waiting(TWO, OutcomeKind.LEAD, "L-7", ""));
        when(reviews.waiting()).thenReturn(two);
    }

    private static OutcomeReviews.Waiting waiting(UUID id, OutcomeKind kind, String reference, String site) {
        OutcomeReport report = Mockito.mock();
        when(report.kind()).thenReturn(kind);
        when(report.reference()).thenReturn(reference);
        when(report.valueMinor()).thenReturn(OptionalLong.of(9_500));
        return new OutcomeReviews.Waiting(
                id,
                Mockito.mock(),
                report,
                "tag",
                "",
                site,
                "The page is on no site of yours.",
                Instant.parse("2026-05-03T10:00:00Z"));
    }

    @Test
    void the_page_shows_what_waits_and_offers_to_trust_sites_that_are_named() throws Exception {
        mvc.perform(get(PAGE))
                .andExpect(status().isOk())
                .andExpect(content().string(containsString("<strong>Booking</strong>")))
                .andExpect(content().string(containsString("B-1042")))
                .andExpect(content().string(containsString("£95.00")))
                .andExpect(content().string(containsString("The page is on no site of yours.")))
                .andExpect(content().string(containsString("name=\"site\" value=\"shop.example\"")))
                .andExpect(content().string(not(containsString("name=\"site\" value=\"\""))));
    }

    @Test
    void a_reader_of_german_reads_german() throws Exception {
        mvc.perform(get(PAGE).header("Accept-Language", "de"))
                .andExpect(content().string(containsString("<strong>Buchung</strong>")))
                .andExpect(content().string(not(containsString("<strong>Booking</strong>"))));
    }

    @Test
    void one_is_decided_in_the_name_of_who_decides() throws Exception {
        mvc.perform(post(PAGE + "/" + ONE + "/accept")).andExpect(redirectedUrl(PAGE));
        verify(reviews).accept(ONE, "Ola Ness");
        mvc.perform(post(PAGE + "/" + TWO + "/discard")).andExpect(redirectedUrl(PAGE));
        verify(reviews).discard(TWO, "Ola Ness");
    }

    @Test
    void all_are_those_that_the_page_showed() throws Exception {
        mvc.perform(post(PAGE + "/all", "shown", ONE.toString(), "what", "accept"))
                .andExpect(redirectedUrl(PAGE));
        verify(reviews).accept(ONE, "Ola Ness");
        verify(reviews, never()).accept(TWO, "Ola Ness");
        mvc.perform(post(PAGE + "/all", "shown", TWO.toString(), "what", "nonsense"))
                .andExpect(redirectedUrl(PAGE));
        verify(reviews, never()).discard(any(), any());
    }

    @Test
    void no_more_are_decided_at_once_than_a_page_shows() throws Exception {
        String many = LongStream.rangeClosed(1, OutcomeReviews.MOST + 1L)
                .mapToObj(number -> new UUID(2, number).toString())
                .collect(Collectors.joining(","));
        mvc.perform(post(PAGE + "/all", "shown", many, "what", "discard")).andExpect(redirectedUrl(PAGE));
        verify(reviews, times(OutcomeReviews.MOST)).discard(any(), any());
    }

    @Test
    void only_a_site_from_which_something_waits_can_be_trusted() throws Exception {
        mvc.perform(post(PAGE + "/trust", "site", "other.example")).andExpect(redirectedUrl(PAGE));
        mvc.perform(post(PAGE + "/trust", "site", "")).andExpect(redirectedUrl(PAGE));
        verify(reviews, never()).trust(any(), any());
        mvc.perform(post(PAGE + "/trust", "site", "shop.example")).andExpect(redirectedUrl(PAGE));
        verify(reviews).trust("shop.example", "Ola Ness");
    }

    @Test
    void of_two_who_trust_a_site_at_once_the_second_goes_on_with_what_is_there() throws Exception {
        doThrow(new DuplicateKeyException("business_site", new SQLException("duplicate key", "23505")))
                .doNothing()
                .when(reviews)
                .trust(any(), any());
        mvc.perform(post(PAGE + "/trust", "site", "shop.example")).andExpect(redirectedUrl(PAGE));
        verify(reviews, times(2)).trust("shop.example", "Ola Ness");
    }

    @Test
    void staff_decide_nothing() throws Exception {
        worksAs(Role.STAFF);
        mvc.perform(get(PAGE)).andExpect(status().isForbidden());
        mvc.perform(post(PAGE + "/" + ONE + "/accept")).andExpect(status().isForbidden());
        verify(reviews, never()).accept(any(), any());
    }
}
