package wendo.app.money.targets;

import static org.hamcrest.Matchers.containsString;
import static org.hamcrest.Matchers.not;
import static org.mockito.ArgumentMatchers.any;
import static org.mockito.Mockito.doThrow;
import static org.mockito.Mockito.never;
import static org.mockito.Mockito.verify;
import static org.mockito.Mockito.when;
import static org.springframework.test.web.servlet.result.MockMvcResultMatchers.content;
import static org.springframework.test.web.servlet.result.MockMvcResultMatchers.redirectedUrl;
import static org.springframework.test.web.servlet.result.MockMvcResultMatchers.status;

import java.util.List;
import java.util.Map;
import java.util.Optional;
import java.util.OptionalInt;
import java.util.UUID;
import org.junit.jupiter.api.BeforeEach;
import org.junit.jupiter.api.Test;
import org.junit.jupiter.params.ParameterizedTest;
import org.junit.jupiter.params.provider.CsvSource;
import org.springframework.boot.webmvc.test.autoconfigure.WebMvcTest;
import org.springframework.context.annotation.ComponentScan.Filter;
import org.springframework.context.annotation.FilterType;
import org.springframework.orm.ObjectOptimisticLockingFailureException;
import org.springframework.test.context.bean.override.mockito.MockitoBean;
import wendo.app.platform.accounts.PageSlice;
import wendo.app.platform.accounts.Role;
import wendo.app.platform.business.EditedVersion;
import wendo.app.prepare.sources.SourceListed;
import wendo.app.prepare.sources.Sources;
import wendo.core.links.Channel;
import wendo.core.links.Tag;
import wendo.core.outcomes.OutcomeKind;

@WebMvcTest(
        controllers = TargetController.class,
        excludeFilters = @Filter(type = FilterType.REGEX, pattern = PageSlice.BESIDE))
class TargetControllerTest extends PageSlice {
    private static final String PAGE = "/setup/targets";
    private static final UUID LEAFLETS = new UUID(5, 5);
    private static final Target FOR_ALL = new Target(Map.of(OutcomeKind.LEAD, 3_200L), OptionalInt.of(60));
    private static final Target FOR_LEAFLETS = new Target(Map.of(OutcomeKind.BOOKING, 4_550L), OptionalInt.empty());

    @MockitoBean
    private Targets targets;

    @MockitoBean
    private Sources sources;

    @BeforeEach
    void one_source_has_its_own() {
        when(sources.list())
                .thenReturn(List.of(
                        new SourceListed(LEAFLETS, "Leaflets", Tag.of("leaflets"), Channel.PRINT, Tag.of("print"))));
        when(targets.all()).thenReturn(new Targets.All(FOR_ALL, Map.of(LEAFLETS, FOR_LEAFLETS)));
        when(targets.versions()).thenReturn(Map.of("", 2, LEAFLETS.toString(), 7));
    }

    @Test
    void the_page_shows_what_holds_for_all_and_for_a_source() throws Exception {
        mvc.perform(get(PAGE))
                .andExpect(status().isOk())
                .andExpect(content().string(containsString("value=\"32.00\"")))
                .andExpect(content().string(containsString("value=\"60\"")))
                .andExpect(content().string(containsString("value=\"45.50\"")))
                .andExpect(content().string(containsString("name=\"version\" value=\"7\"")));
    }

    @Test
    void what_is_right_is_kept_for_the_source_that_it_was_typed_for() throws Exception {
        mvc.perform(post(PAGE, "source", LEAFLETS.toString(), "booking", "£1,050", "margin", "35 %", "version", "7"))
                .andExpect(status().isFound())
                .andExpect(redirectedUrl(PAGE));
        verify(targets)
                .set(
                        Optional.of(LEAFLETS),
                        new Target(Map.of(OutcomeKind.BOOKING, 105_000L), OptionalInt.of(35)),
                        EditedVersion.of(7));
    }

    @Test
    void empty_fields_take_away_what_was_set_for_all() throws Exception {
        mvc.perform(post(PAGE, "source", "", "version", "2")).andExpect(redirectedUrl(PAGE));
        verify(targets).set(Optional.empty(), Target.NONE, EditedVersion.of(2));
    }

    @ParameterizedTest
    @CsvSource({"margin, 0", "margin, 101", "margin, 12.5", "margin, half", "lead, lots", "lead, -5", "lead, €20"})
    void what_is_no_amount_or_no_percentage_comes_back_as_it_was_typed(String field, String text) throws Exception {
        mvc.perform(post(PAGE, "source", "", field, text))
                .andExpect(status().is(422))
                .andExpect(content().string(containsString("value=\"" + text + "\"")))
                .andExpect(content().string(containsString("aria-invalid=\"true\"")));
        verify(targets, never()).set(any(), any(), any());
    }

    @ParameterizedTest
    @CsvSource({"1", "100", "100 %"})
    void margins_at_the_bounds_are_taken(String margin) throws Exception {
        mvc.perform(post(PAGE, "source", "", "margin", margin)).andExpect(redirectedUrl(PAGE));
    }

    @Test
    void of_two_who_save_the_later_one_sees_what_the_other_set() throws Exception {
        doThrow(new ObjectOptimisticLockingFailureException("SetTarget", LEAFLETS))
                .when(targets)
                .set(any(), any(), any());
        mvc.perform(post(PAGE, "source", LEAFLETS.toString(), "booking", "50", "version", "6"))
                .andExpect(status().isConflict())
                .andExpect(
                        content().string(containsString("Somebody else changed this to &quot;45.50&quot; meanwhile.")))
                .andExpect(content().string(containsString("value=\"50\"")))
                .andExpect(content().string(containsString("name=\"version\" value=\"7\"")));
    }

    @Test
    void a_source_that_is_not_there_is_not_found() throws Exception {
        mvc.perform(post(PAGE, "source", new UUID(9, 9).toString(), "lead", "20"))
                .andExpect(status().isNotFound());
        mvc.perform(post(PAGE, "source", "leaflets", "lead", "20")).andExpect(status().isNotFound());
    }

    @ParameterizedTest
    @CsvSource({"STAFF", "VIEWER"})
    void who_may_not_set_up_changes_nothing(Role role) throws Exception {
        worksAs(role);
        mvc.perform(post(PAGE, "source", "", "lead", "20")).andExpect(status().isForbidden());
        mvc.perform(get(PAGE)).andExpect(content().string(not(containsString("name=\"version\""))));
        verify(targets, never()).set(any(), any(), any());
    }
}
