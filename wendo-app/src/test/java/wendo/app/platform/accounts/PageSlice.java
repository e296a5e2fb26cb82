package wendo.app.platform.accounts;

import static org.mockito.ArgumentMatchers.any;
import static org.mockito.Mockito.when;
import static org.springframework.security.test.web.servlet.request.SecurityMockMvcRequestPostProcessors.csrf;
import static org.springframework.security.test.web.servlet.request.SecurityMockMvcRequestPostProcessors.user;

import java.util.List;
import java.util.Optional;
import java.util.UUID;
import org.junit.jupiter.api.BeforeEach;
import org.springframework.beans.factory.annotation.Autowired;
import org.springframework.boot.context.properties.EnableConfigurationProperties;
import org.springframework.context.annotation.Import;
import org.springframework.test.context.bean.override.mockito.MockitoBean;
import org.springframework.test.web.servlet.MockMvc;
import org.springframework.test.web.servlet.request.MockHttpServletRequestBuilder;
import org.springframework.test.web.servlet.request.MockMvcRequestBuilders;
import wendo.app.TealTours;
import wendo.app.platform.business.Business;
import wendo.app.platform.business.Businesses;
import wendo.app.platform.site.Backlog;
import wendo.app.platform.site.FieldRoom;
import wendo.app.platform.site.Installation;
import wendo.app.platform.site.SharedLimits;
import wendo.app.platform.site.TextSource;

/** A test of one controller with its templates, behind the doors that stand before it; its services are doubles. */
@EnableConfigurationProperties(Installation.class)
@Import({
    SecurityConfiguration.class,
    AccountDoors.class,
    PasskeyDoors.class,
    BusinessFilters.class,
    PageArguments.class,
    FrameAdvice.class,
    FieldRoom.class,
    Backlog.class,
    TextSource.class
})
public abstract class PageSlice {
    /** What stands before or beside every page and needs the database: not of this slice. */
    public static final String BESIDE = ".*(LeadCounter|LinkHostFilter|SetupList|ActivityRecorder.*)";

    private static final SignedIn OLA = new SignedIn(new UUID(7, 7), "ola@teal.example", "Ola Ness", "", false);
    private static final Business TEAL = TealTours.BUSINESS;

    @Autowired
    protected MockMvc mvc;

    @MockitoBean
    private Accounts accounts;

    @MockitoBean
    private Businesses businesses;

    @MockitoBean
    private ApiKeys keys;

    @MockitoBean
    private SharedLimits limits;

    @MockitoBean
    private KnownDevices devices;

    @MockitoBean
    private OwnLinks links;

    @MockitoBean
    private SignIns signIns;

    @MockitoBean
    private Sessions sessions;

    @MockitoBean
    private Passkeys passkeys;

    @MockitoBean
    private Credentials credentials;

    @MockitoBean
    private IdentityCheck identity;

    @BeforeEach
    void somebody_is_signed_in() {
        when(businesses.current()).thenReturn(TEAL);
        when(accounts.spoken(any())).thenReturn(new Accounts.Spoken("Ola Ness", "ola@teal.example", Optional.empty()));
        worksAs(Role.OWNER);
    }

    protected void worksAs(Role role) {
        when(accounts.memberships(any())).thenReturn(List.of(new Membership(TEAL.id(), TEAL.name(), role, false)));
    }

    protected static MockHttpServletRequestBuilder get(String path) {
        return MockMvcRequestBuilders.get(path).with(user(OLA));
    }

    protected static MockHttpServletRequestBuilder post(String path, String... fields) {
        MockHttpServletRequestBuilder request =
                MockMvcRequestBuilders.post(path).with(user(OLA)).with(csrf());
        for (int i = 0; i < fields.length; i += 2) {
            request = request.param(fields[i], fields[i + 1]);
        }
        return request;
    }
}
