package wendo.app.money.registration;

import static org.assertj.core.api.Assertions.assertThat;

import java.util.Objects;
import java.util.UUID;
import org.junit.jupiter.api.BeforeEach;
import org.junit.jupiter.api.Test;
import org.springframework.beans.factory.annotation.Autowired;
import wendo.app.Http;
import wendo.app.WendoTest;
import wendo.app.prepare.sources.Sources;

/** Somebody registers as a partner, is approved, and knows a link, a code and a page. */
class RegistrationTest extends WendoTest {
    private static final String PAGE = "/partners/registrations";

    @Autowired
    private Sources sources;

    @Autowired
    private Registrations registrations;

    private Tenant tenant;
    private Http owner;

    @BeforeEach
    void open() {
        tenant = tenant("Turnstone Tours");
        owner = http().signIn(tenant.email());
    }

    private String form() {
        owner.form(PAGE, PAGE + "/page", "words", "Ten per cent for you");
        return "/t/partner-registration/"
                + in(tenant, () -> registrations.page().token().orElseThrow());
    }

    private int register(String form, String... more) {
        return http().form(form, form, more).statusCode();
    }

    private UUID waiting() {
        return in(tenant, () -> registrations.waiting().get(0).id());
    }

    private String approve(String... fields) {
        return owner.form(PAGE, "%s/%s/approve".formatted(PAGE, waiting()), fields)
                .headers()
                .firstValue("Location")
                .orElse("refused");
    }

    @Test
    void the_form_is_closed_until_somebody_opens_it_and_its_old_address_stays_dead() {
        assertThat(http().get("/t/partner-registration/AAAAAAAAAAAAAAAAAAAAAA").statusCode())
                .isEqualTo(404);
        String form = form();
        assertThat(http().get(form).body()).contains("Become a partner of Turnstone Tours", "Ten per cent for you");
        owner.form(PAGE, PAGE + "/page", "page", "close", "words", "Ten per cent for you");
        assertThat(http().get(form).statusCode()).isEqualTo(404);
        assertThat(register(form, "name", "A", "contact", "B", "email", "c@d.example"))
                .isEqualTo(404);
        assertThat(form()).isNotEqualTo(form);
    }

    @Test
    void who_is_approved_has_a_link_a_code_terms_and_a_page_and_hears_of_it() {
        owner.form("/partners", "/partners", "name", "Campsite");
        UUID campsite = in(
                tenant,
                () -> Objects.requireNonNull(sources.byIdentifierAndTag().get("campsite"))
                        .id());
        String terms = "/partners/%s/terms".formatted(campsite);
        owner.form(terms, terms, "way", "code", "firstDay", "2026-01-01", "rate.booking", "12%");
        http().issue(tenant.apiKey(), "https://turnstone.example/", "Spring", "Campsite");
        String form = form();
        String[] typed = {"name", "Ines Films", "contact", "Ines Ibis", "email", "Ines@Films.example", "said", "Weekly"
        };
        assertThat(register(form, typed)).isEqualTo(200);
        assertThat(register(form, typed)).as("pressed twice").isEqualTo(200);
        assertThat(count(tenant, "select count(*) from partner_registration")).isEqualTo(1);
        assertThat(owner.get("/today").body()).contains("1 partner waits for approval");
        assertThat(owner.get(PAGE).body()).contains("Ines Films", "ines@films.example", "Weekly");
        String destination = in(
                tenant,
                () -> jdbc.sql("select id::text from destination")
                        .query(String.class)
                        .single());
        String partner = approve(
                "name", "Ines Films", "code", "INES10", "destination", destination, "terms", campsite.toString());
        assertThat(owner.get(partner).body()).contains("INES10", "12%");
        assertThat(count(
                        tenant,
                        "select count(*) from link l join source s on s.id = l.source_id where s.name = 'Ines Films'"))
                .isEqualTo(1);
        String mail = in(
                tenant,
                () -> jdbc.sql("select body from outgoing where recipient = 'ines@films.example'")
                        .query(String.class)
                        .single());
        assertThat(mail).contains("Your code: INES10", "/t/partners/", "Your link: http");
        assertThat(owner.get(PAGE).body()).contains("Nobody waits");
        String token = mail.replaceAll("(?s).*/t/partners/([\\w-]+).*", "$1");
        assertThat(http().get("/t/partners/" + token).body()).contains("Ines Films", "INES10");
    }

    @Test
    void a_refused_code_makes_no_second_partner_when_it_is_tried_again() {
        owner.form("/partners", "/partners", "name", "Campsite");
        UUID campsite = in(
                tenant,
                () -> Objects.requireNonNull(sources.byIdentifierAndTag().get("campsite"))
                        .id());
        owner.form("/partners/" + campsite, "/partners/%s/codes".formatted(campsite), "code", "TAKEN1");
        register(form(), "name", "Ines Films", "contact", "Ines", "email", "ines@films.example");
        assertThat(approve("name", "Campsite", "code", "INES10")).isEqualTo("refused");
        assertThat(approve("name", "Ines Films", "code", "TAKEN1")).isEqualTo("refused");
        assertThat(approve("name", "Ines Films", "code", "INES10")).startsWith("/partners/");
        assertThat(count(tenant, "select count(*) from partner")).isEqualTo(2);
    }

    @Test
    void what_programs_send_is_refused_or_kept_out() {
        String form = form();
        assertThat(register(form, "name", "", "contact", "x", "email", "no")).isEqualTo(422);
        assertThat(register(form, "name", "x".repeat(5000), "contact", "x", "email", "a@b.example"))
                .isEqualTo(422);
        assertThat(register(form, "name", "Bot", "contact", "Bot", "email", "b@c.example", "company", "Bot Ltd"))
                .isEqualTo(200);
        assertThat(count(tenant, "select count(*) from partner_registration")).isZero();
        owner.form(PAGE, PAGE + "/page", "words", "");
        register(form, "name", "Ines", "contact", "Ines", "email", "i@f.example");
        owner.form(PAGE, "%s/%s/decline".formatted(PAGE, waiting()));
        assertThat(owner.get(PAGE).body()).contains("Nobody waits");
        assertThat(count(tenant, "select count(*) from partner")).isZero();
    }
}
