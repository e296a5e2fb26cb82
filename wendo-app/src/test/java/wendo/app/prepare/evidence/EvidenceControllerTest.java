package wendo.app.prepare.evidence;

import static org.hamcrest.Matchers.containsString;
import static org.mockito.ArgumentMatchers.any;
import static org.mockito.Mockito.doThrow;
import static org.mockito.Mockito.never;
import static org.mockito.Mockito.verify;
import static org.mockito.Mockito.when;
import static org.springframework.test.web.servlet.result.MockMvcResultMatchers.content;
import static org.springframework.test.web.servlet.result.MockMvcResultMatchers.redirectedUrl;
import static org.springframework.test.web.servlet.result.MockMvcResultMatchers.status;

import java.sql.SQLException;
import java.time.Instant;
import java.util.List;
import java.util.Optional;
import java.util.UUID;
import org.junit.jupiter.api.BeforeEach;
import org.junit.jupiter.api.Test;
import org.junit.jupiter.params.ParameterizedTest;
import org.junit.jupiter.params.provider.CsvSource;
import org.springframework.boot.webmvc.test.autoconfigure.WebMvcTest;
import org.springframework.context.annotation.ComponentScan.Filter;
import org.springframework.context.annotation.FilterType;
import org.springframework.dao.DuplicateKeyException;
import org.springframework.test.context.bean.override.mockito.MockitoBean;
import wendo.app.platform.accounts.PageSlice;
import wendo.app.platform.accounts.Role;
import wendo.app.prepare.sources.SourceListed;
import wendo.app.prepare.sources.Sources;
import wendo.core.links.Channel;
import wendo.core.links.Tag;

@WebMvcTest(
        controllers = EvidenceController.class,
        excludeFilters = @Filter(type = FilterType.REGEX, pattern = PageSlice.BESIDE))
class EvidenceControllerTest extends PageSlice {
    private static final String PAGE = "/setup/codes";
    private static final UUID LEAFLETS = new UUID(5, 5);

    @MockitoBean
    private SourceClues clues;

    @MockitoBean
    private Sources sources;

    @BeforeEach
    void one_source_is_there() {
        when(sources.list())
                .thenReturn(List.of(
                        new SourceListed(LEAFLETS, "Leaflets", Tag.of("leaflets"), Channel.PRINT, Tag.of("print"))));
    }

    @Test
    void the_page_shows_what_stands_for_a_source_and_what_stands_for_none() throws Exception {
        when(clues.all())
                .thenReturn(List.of(new SourceClues.Standing(
                        ClueKind.CODE, "REED10", "Reed-10", LEAFLETS, "Leaflets", Channel.PRINT, 12)));
        when(clues.unmatched())
                .thenReturn(List.of(new SourceClues.Unmatched(
                        ClueKind.ANSWER, "a friend", "A friend", 3, Instant.parse("2026-05-03T10:00:00Z"))));
        mvc.perform(get(PAGE))
                .andExpect(status().isOk())
                .andExpect(content().string(containsString("Reed-10")))
                .andExpect(content().string(containsString("A friend")))
                .andExpect(content().string(containsString("/setup/sources/" + LEAFLETS)));
    }

    @Test
    void a_code_is_kept_as_it_is_written_and_compared_by_its_letters_and_digits() throws Exception {
        mvc.perform(post(PAGE, "kind", "code", "text", " Reed-10 ", "source", LEAFLETS.toString()))
                .andExpect(status().isFound())
                .andExpect(redirectedUrl(PAGE));
        verify(clues).add(new SourceClue.Key(ClueKind.CODE.key(), "REED10"), "Reed-10", LEAFLETS, "Ola Ness");
    }

    @ParameterizedTest
    @CsvSource(textBlock = """
                    code  | ' '    | 00000000-0000-0005-0000-000000000005 | Use letters or digits
                    code  | --     | 00000000-0000-0005-0000-000000000005 | Use letters or digits
                    coupon| REED10 | 00000000-0000-0005-0000-000000000005 | Use letters or digits
                    code  | REED10 | ''                                   | Choose its source
                    code  | REED10 | 00000000-0000-0009-0000-000000000009 | Choose its source
                    """, delimiter = '|')
    void what_is_wrong_is_told_beside_its_field(String kind, String text, String source, String said) throws Exception {
        mvc.perform(post(PAGE, "kind", kind, "text", text, "source", source))
                .andExpect(status().is(422))
                .andExpect(content().string(containsString(said)));
        verify(clues, never()).add(any(), any(), any(), any());
    }

    @Test
    void what_stands_for_another_source_already_is_refused_with_its_name() throws Exception {
        it_is_there_already();
        when(clues.taken(ClueKind.CODE, "REED10", LEAFLETS)).thenReturn(Optional.of("Radio"));
        mvc.perform(post(PAGE, "kind", "code", "text", "REED10", "source", LEAFLETS.toString()))
                .andExpect(status().is(422))
                .andExpect(content().string(containsString("Radio")))
                .andExpect(content().string(containsString("value=\"REED10\"")));
    }

    @Test
    void pressed_twice_it_is_there_once() throws Exception {
        it_is_there_already();
        when(clues.taken(ClueKind.CODE, "REED10", LEAFLETS)).thenReturn(Optional.empty());
        mvc.perform(post(PAGE, "kind", "code", "text", "REED10", "source", LEAFLETS.toString()))
                .andExpect(redirectedUrl(PAGE));
    }

    private void it_is_there_already() {
        doThrow(new DuplicateKeyException("source_clue", new SQLException("duplicate key", "23505")))
                .when(clues)
                .add(any(), any(), any(), any());
    }

    @Test
    void removing_what_is_of_no_kind_removes_nothing() throws Exception {
        mvc.perform(post(PAGE + "/remove", "kind", "coupon", "key", "REED10")).andExpect(redirectedUrl(PAGE));
        verify(clues, never()).remove(any(), any());
        mvc.perform(post(PAGE + "/remove", "kind", "code", "key", "REED10")).andExpect(redirectedUrl(PAGE));
        verify(clues).remove(ClueKind.CODE, "REED10");
    }

    @Test
    void staff_neither_see_nor_change_them() throws Exception {
        worksAs(Role.STAFF);
        mvc.perform(get(PAGE)).andExpect(status().isForbidden());
        mvc.perform(post(PAGE + "/remove", "kind", "code", "key", "REED10")).andExpect(status().isForbidden());
        verify(clues, never()).remove(any(), any());
    }
}
