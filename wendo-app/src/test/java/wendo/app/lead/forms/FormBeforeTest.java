package wendo.app.lead.forms;

import static org.assertj.core.api.Assertions.assertThat;
import static org.mockito.ArgumentMatchers.any;
import static org.mockito.Mockito.mock;
import static org.mockito.Mockito.when;

import java.util.Locale;
import java.util.Map;
import java.util.Optional;
import java.util.UUID;
import org.junit.jupiter.api.BeforeEach;
import org.junit.jupiter.api.Test;
import org.springframework.mock.web.MockHttpServletRequest;
import org.springframework.mock.web.MockHttpServletResponse;
import org.springframework.transaction.CannotCreateTransactionException;
import org.springframework.web.servlet.ModelAndView;
import org.springframework.web.servlet.view.RedirectView;
import wendo.app.issue.links.HostSpeech;
import wendo.app.issue.links.LinkDirectory;
import wendo.app.outcome.networks.NetworkDirectory;
import wendo.app.platform.business.BusinessId;
import wendo.app.platform.business.BusinessScope;
import wendo.app.platform.site.PublicFace;
import wendo.app.platform.site.TypedFields;
import wendo.app.visit.visits.VisitAliases;
import wendo.core.links.Way;

/** While the database is away: memory alone says where a link leads. */
class FormBeforeTest {
    private static final String PAGE = "https://stay.example/";

    private final MockHttpServletRequest request = new MockHttpServletRequest();
    private final MockHttpServletResponse response = new MockHttpServletResponse();
    private final LinkDirectory directory = mock(LinkDirectory.class);
    private FormBefore form;

    @BeforeEach
    void open() {
        BusinessId business = new BusinessId(UUID.randomUUID());
        LinkDirectory.Target target = new LinkDirectory.Target(
                UUID.randomUUID(),
                UUID.randomUUID(),
                business,
                new Way(UUID.randomUUID(), PAGE),
                Optional.empty(),
                Optional.empty(),
                false,
                true,
                UUID.randomUUID(),
                Optional.empty());
        when(directory.findHost(any()))
                .thenReturn(Optional.of(new LinkDirectory.Host(
                        UUID.randomUUID(),
                        business,
                        "Stay",
                        "",
                        true,
                        new HostSpeech(Locale.UK, Map.of()),
                        new PublicFace("Teal Tours", "site", false, false, 0, "", "", "", true, ""),
                        "https://stay.example",
                        Map.of("buoys", target))));
        when(directory.find(any(), any())).thenReturn(Optional.of(new LinkDirectory.Asked(target, "")));
        BusinessScope away = mock(BusinessScope.class);
        when(away.within(any(), any())).thenThrow(new CannotCreateTransactionException("away"));
        form = new FormBefore(
                mock(Forms.class),
                mock(FormIntake.class),
                mock(FormView.class),
                directory,
                mock(NetworkDirectory.class),
                mock(VisitAliases.class),
                away);
    }

    @Test
    void who_came_to_be_asked_is_led_on() {
        ModelAndView page = form.show(new FormBefore.Asked("buoys", "", ""), request, response);
        assertThat(page.getView())
                .isInstanceOfSatisfying(
                        RedirectView.class, view -> assertThat(view.getUrl()).isEqualTo(PAGE));
    }

    @Test
    void who_has_filled_it_in_is_told_and_shown_the_way_on() {
        ModelAndView page = form.send(
                new FormBefore.Asked("buoys", "", ""), TypedFields.of(Map.of("name", "Ines")), request, response);
        assertThat(page.getStatus())
                .isNotNull()
                .extracting(status -> status.value())
                .isEqualTo(503);
        assertThat(page.getViewName()).isEqualTo("lead/forms/open-later");
        assertThat(page.getModel()).containsEntry("onward", PAGE);
        assertThat(response.getHeader("Cache-Control")).isEqualTo("no-store");
    }

    @Test
    void a_path_that_is_no_link_has_no_form() {
        when(directory.find(any(), any())).thenReturn(Optional.empty());
        assertThat(form.show(new FormBefore.Asked("x", "", ""), request, response)
                        .getViewName())
                .isEqualTo("lead/forms/open-over");
    }
}
