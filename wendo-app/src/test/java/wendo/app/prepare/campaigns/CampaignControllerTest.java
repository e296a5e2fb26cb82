package wendo.app.prepare.campaigns;

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
import java.time.LocalDate;
import java.util.Optional;
import java.util.UUID;
import org.junit.jupiter.api.BeforeEach;
import org.junit.jupiter.api.Test;
import org.springframework.boot.webmvc.test.autoconfigure.WebMvcTest;
import org.springframework.context.annotation.ComponentScan.Filter;
import org.springframework.context.annotation.FilterType;
import org.springframework.dao.DuplicateKeyException;
import org.springframework.orm.ObjectOptimisticLockingFailureException;
import org.springframework.test.context.bean.override.mockito.MockitoBean;
import wendo.app.platform.accounts.PageSlice;
import wendo.app.platform.accounts.Role;
import wendo.app.platform.business.EditedVersion;

@WebMvcTest(
        controllers = CampaignController.class,
        excludeFilters = @Filter(type = FilterType.REGEX, pattern = PageSlice.BESIDE))
class CampaignControllerTest extends PageSlice {
    private static final UUID ID = new UUID(3, 3);
    private static final String PAGE = "/setup/campaigns/" + ID;
    private static final CampaignForm.Checked SPRING = new CampaignForm.Checked(
            "Spring",
            Optional.of(LocalDate.of(2026, 3, 1)),
            Optional.of(LocalDate.of(2026, 5, 31)),
            Optional.of(120_000L),
            "");

    @MockitoBean
    private Campaigns campaigns;

    @MockitoBean
    private CampaignQueries queries;

    @BeforeEach
    void one_is_there() {
        when(campaigns.find(ID)).thenReturn(Optional.of(SPRING));
        when(campaigns.version(ID)).thenReturn(4);
    }

    @Test
    void its_page_shows_what_was_said_and_carries_the_version_along() throws Exception {
        mvc.perform(get(PAGE))
                .andExpect(status().isOk())
                .andExpect(content().string(containsString("value=\"1200.00\"")))
                .andExpect(content().string(containsString("name=\"version\" value=\"4\"")));
    }

    @Test
    void what_is_right_is_kept_and_leads_to_the_list() throws Exception {
        mvc.perform(post(PAGE, "name", "Summer", "budget", "£900", "version", "4"))
                .andExpect(status().isFound())
                .andExpect(redirectedUrl("/setup/campaigns"));
        verify(campaigns)
                .describe(
                        ID,
                        EditedVersion.of(4),
                        new CampaignForm.Checked(
                                "Summer", Optional.empty(), Optional.empty(), Optional.of(90_000L), ""));
    }

    @Test
    void what_is_wrong_comes_back_as_it_was_typed() throws Exception {
        mvc.perform(post(PAGE, "name", "Summer", "firstDay", "2026-06-01", "budget", "lots", "version", "4"))
                .andExpect(status().is(422))
                .andExpect(content().string(containsString("value=\"lots\"")))
                .andExpect(content().string(containsString("Enter both days, or neither.")));
        verify(campaigns, never()).describe(any(), any(), any());
    }

    @Test
    void of_two_who_save_the_later_one_is_asked() throws Exception {
        doThrow(new ObjectOptimisticLockingFailureException("Campaign", ID))
                .when(campaigns)
                .describe(any(), any(), any());
        mvc.perform(post(PAGE, "name", "Summer", "version", "3"))
                .andExpect(status().isConflict())
                .andExpect(
                        content().string(containsString("Somebody else changed this to &quot;Spring&quot; meanwhile.")))
                .andExpect(content().string(containsString("name=\"version\" value=\"4\"")))
                .andExpect(content().string(containsString("value=\"Summer\"")));
    }

    @Test
    void a_name_that_another_campaign_has_is_told_beside_its_field() throws Exception {
        doThrow(new DuplicateKeyException("campaign", new SQLException("duplicate key", "23505")))
                .when(campaigns)
                .add(any());
        mvc.perform(post("/setup/campaigns", "name", "Spring"))
                .andExpect(status().is(422))
                .andExpect(content().string(containsString("There is a campaign with this name already.")));
    }

    @Test
    void who_may_not_set_up_changes_nothing_and_what_is_not_there_is_not_found() throws Exception {
        mvc.perform(get("/setup/campaigns/" + new UUID(9, 9))).andExpect(status().isNotFound());
        worksAs(Role.STAFF);
        mvc.perform(post(PAGE, "name", "Summer", "version", "4")).andExpect(status().isForbidden());
        verify(campaigns, never()).describe(any(), any(), any());
    }
}
