package wendo.app.desk.setup;

import static org.assertj.core.api.Assertions.assertThat;

import java.util.ArrayList;
import java.util.List;
import java.util.UUID;
import org.junit.jupiter.api.BeforeEach;
import org.junit.jupiter.api.Test;
import org.springframework.beans.factory.annotation.Autowired;
import wendo.app.Http;
import wendo.app.WendoTest;
import wendo.app.platform.accounts.CurrentPerson;
import wendo.app.platform.accounts.Role;

/** The list of what can be set up, with how far each part is. */
class SetupTest extends WendoTest {
    @Autowired
    private SetupStates states;

    private Tenant tenant;
    private Http person;

    @BeforeEach
    void open() {
        tenant = tenant("Whimbrel Walks");
        person = http().signIn(tenant.email());
    }

    private String state(SetupEntry entry) {
        return in(tenant, () -> states.list(new CurrentPerson(UUID.randomUUID(), "Ola Ness", Role.OWNER))).stream()
                .flatMap(group -> group.entries().stream())
                .filter(one -> one.entry() == entry)
                .findFirst()
                .orElseThrow()
                .state();
    }

    @Test
    void each_entry_leads_to_its_page_and_its_page_shows_where_one_is() {
        List<String> wrong = new ArrayList<>();
        String list = person.get("/setup").body();
        for (SetupEntry entry : SetupEntry.values()) {
            String page = person.get(entry.address()).body();
            if (!list.contains("<a href=\"" + entry.address() + "\"")
                    || !page.contains("aria-current=\"page\"><span>" + entry.label())) {
                wrong.add(entry.address());
            }
        }
        assertThat(wrong).isEmpty();
    }

    @Test
    void a_state_says_what_there_is() {
        assertThat(state(SetupEntry.SOURCES)).isEqualTo("none yet");
        assertThat(state(SetupEntry.KEYS)).isEqualTo("1 active");
        assertThat(state(SetupEntry.TAG)).isEqualTo("no calls today");
        assertThat(state(SetupEntry.TARGETS)).isEqualTo("not set");
        http().issue(tenant.apiKey(), "https://whimbrel.example/", "Spring", "Sign", "Flyer");
        person.form("/setup/targets", "/setup/targets", "lead", "12");
        assertThat(state(SetupEntry.SOURCES)).isEqualTo("2 active");
        assertThat(state(SetupEntry.TARGETS)).isEqualTo("set");
        person.form("/setup/keys", "/setup/keys", "name", "Booking system");
        assertThat(person.get("/setup").body()).contains("2 active");
    }
}
