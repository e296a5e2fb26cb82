package wendo.app.desk.setup;

import static org.mockito.ArgumentMatchers.any;
import static org.mockito.ArgumentMatchers.eq;
import static org.mockito.Mockito.mock;
import static org.mockito.Mockito.verify;
import static org.mockito.Mockito.verifyNoInteractions;
import static org.mockito.Mockito.when;

import java.time.ZoneId;
import java.util.Locale;
import java.util.UUID;
import java.util.function.Supplier;
import org.joda.money.CurrencyUnit;
import org.junit.jupiter.api.BeforeEach;
import org.junit.jupiter.api.Test;
import org.springframework.boot.DefaultApplicationArguments;
import org.springframework.mock.env.MockEnvironment;
import wendo.app.issue.links.LinkHosts;
import wendo.app.platform.accounts.Accounts;
import wendo.app.platform.accounts.Role;
import wendo.app.platform.business.BusinessScope;
import wendo.app.platform.business.Businesses;

class NewBusinessTest {
    private final Accounts accounts = mock(Accounts.class);
    private final Businesses businesses = mock(Businesses.class);
    private final LinkHosts hosts = mock(LinkHosts.class);
    private final BusinessScope scope = mock(BusinessScope.class);
    private final MockEnvironment settings = new MockEnvironment()
            .withProperty("WENDO_OWNER_EMAIL", "o@teal.example")
            .withProperty("WENDO_OWNER_PASSWORD", "twelve-chars")
            .withProperty("WENDO_BUSINESS", "Teal Tours")
            .withProperty("WENDO_CURRENCY", "PLN")
            .withProperty("wendo.link-origin", "https://go.teal.example");

    @BeforeEach
    void nobody_is_there() {
        when(accounts.isEmpty()).thenReturn(true);
        when(accounts.register("o@teal.example", "o@teal.example", "twelve-chars"))
                .thenReturn(new UUID(1, 1));
        when(scope.within(any(), any())).thenAnswer(call -> ((Supplier<?>) call.getArgument(1)).get());
    }

    private void start() {
        new NewBusiness(settings, accounts, businesses, hosts, scope).run(new DefaultApplicationArguments());
    }

    @Test
    void a_first_start_opens_the_business_of_the_environment() {
        start();
        verify(businesses)
                .open(
                        any(),
                        eq("Teal Tours"),
                        eq(CurrencyUnit.of("PLN")),
                        eq(ZoneId.of("Europe/Berlin")),
                        eq(Locale.UK),
                        eq(false));
        verify(accounts).join(eq(new UUID(1, 1)), eq(Role.OWNER));
        verify(hosts).open("https://go.teal.example");
    }

    @Test
    void a_later_start_changes_nothing() {
        when(accounts.isEmpty()).thenReturn(false);
        start();
        verifyNoInteractions(businesses, hosts, scope);
    }

    @Test
    void a_short_password_or_a_missing_name_opens_nothing() {
        settings.setProperty("WENDO_OWNER_PASSWORD", "eleven-char");
        start();
        settings.setProperty("WENDO_OWNER_PASSWORD", "twelve-chars");
        settings.setProperty("WENDO_BUSINESS", " ");
        start();
        verifyNoInteractions(businesses, hosts, scope);
    }
}
