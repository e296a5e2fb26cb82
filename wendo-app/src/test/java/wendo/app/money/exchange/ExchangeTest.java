package wendo.app.money.exchange;

import static org.assertj.core.api.Assertions.assertThat;

import java.net.http.HttpResponse;
import java.time.LocalDate;
import java.util.List;
import java.util.Objects;
import java.util.UUID;
import org.junit.jupiter.api.BeforeEach;
import org.junit.jupiter.api.Test;
import org.springframework.beans.factory.annotation.Autowired;
import wendo.app.Http;
import wendo.app.WendoTest;
import wendo.app.prepare.sources.Sources;

/** A partner claims, asks and is answered on its own page; what is accepted is evidence and earns. */
class ExchangeTest extends WendoTest {
    @Autowired
    private Sources sources;

    @Autowired
    private PartnerMessages messages;

    private Tenant tenant;
    private Http owner;
    private UUID campsite;
    private String page;

    @BeforeEach
    void open() {
        tenant = tenant("Curlew Camping");
        owner = http().signIn(tenant.email());
        campsite = partner("Campsite");
        page = page(campsite);
    }

    private UUID partner(String name) {
        assertThat(owner.form("/partners", "/partners", "name", name).statusCode())
                .isEqualTo(302);
        UUID id = in(
                tenant,
                () -> Objects.requireNonNull(sources.byIdentifierAndTag()
                                .get(name.toLowerCase(java.util.Locale.ROOT).replace(' ', '-')))
                        .id());
        String terms = "/partners/%s/terms".formatted(id);
        owner.form(
                terms,
                terms,
                "way",
                "both",
                "firstDay",
                LocalDate.now().minusDays(300).toString(),
                "rate.booking",
                "10%");
        return id;
    }

    private String page(UUID partner) {
        owner.form("/partners/%s/details".formatted(partner), "/partners/%s/page".formatted(partner), "values", "yes");
        return "/t/partners/"
                + in(
                        tenant,
                        () -> jdbc.sql("select page_token from partner where id = ?")
                                .param(partner)
                                .query(String.class)
                                .single());
    }

    private void booking(String reference) {
        assertThat(http().post(
                                tenant.apiKey(),
                                "/api/v1/outcomes",
                                "{\"kind\": \"booking\", \"reference\": \"%s\", \"value\": \"100\"}"
                                        .formatted(reference))
                        .statusCode())
                .isEqualTo(201);
    }

    private HttpResponse<String> claim(String reference) {
        return http().form(
                        page, page + "/claims", "kind", "booking", "reference", reference, "said", "They stayed here");
    }

    private HttpResponse<String> decide(UUID partner, String... fields) {
        String path = "/partners/%s/exchange".formatted(partner);
        UUID claim = in(
                tenant,
                () -> jdbc.sql("select id from partner_claim where partner_id = ?")
                        .param(partner)
                        .query(UUID.class)
                        .single());
        return owner.form(path, "%s/claims/%s".formatted(path, claim), fields);
    }

    private List<String> lines() {
        return in(
                tenant,
                () -> jdbc.sql("select concat_ws(' ', reference, minor) from commission_line order by 1")
                        .query(String.class)
                        .list());
    }

    @Test
    void an_accepted_claim_is_evidence_and_earns_and_a_declined_one_says_why() {
        booking("B-1");
        assertThat(claim("B-1").statusCode()).isEqualTo(302);
        assertThat(claim(" b-1 ").statusCode()).as("the same again").isEqualTo(302);
        assertThat(count(tenant, "select count(*) from partner_claim")).isEqualTo(1);
        assertThat(http().get(page).body()).contains("waiting for an answer", "B-1");
        assertThat(owner.get("/today").body()).contains("Campsite waits for an answer", "1 claim on its page");
        assertThat(decide(campsite, "decision", "accept").statusCode()).isEqualTo(302);
        await("it earns", () -> lines().equals(List.of("B-1 1000")));
        UUID outcome = in(
                tenant,
                () -> jdbc.sql("select id from outcome").query(UUID.class).single());
        assertThat(owner.get("/outcomes/" + outcome).body())
                .contains("Campsite said that the booking was theirs, and it was accepted");
        assertThat(http().get(page).body()).contains("accepted", "£10.00");
        assertThat(decide(campsite, "decision", "decline", "reason", "").body()).contains("Say why");
        assertThat(decide(campsite, "decision", "decline", "reason", "They came by our postcard")
                        .statusCode())
                .isEqualTo(302);
        await("it earns no more", () -> lines().isEmpty());
        assertThat(http().get(page).body()).contains("declined", "They came by our postcard");
    }

    @Test
    void a_claim_of_something_unknown_waits_and_tells_the_partner_nothing() {
        assertThat(claim("B-404").statusCode()).isEqualTo(302);
        booking("B-1");
        assertThat(http().get(page).body()).contains("B-404").doesNotContain("knows no");
        assertThat(decide(campsite, "decision", "accept").body()).contains("Wendo knows no booking B-404");
        booking("B-404");
        assertThat(decide(campsite, "decision", "accept").statusCode()).isEqualTo(302);
        await("it earns", () -> lines().equals(List.of("B-404 1000")));
    }

    @Test
    void of_two_claims_for_one_booking_one_can_be_accepted() {
        UUID house = partner("Guest house");
        String theirs = page(house);
        booking("B-1");
        claim("B-1");
        http().form(theirs, theirs + "/claims", "kind", "booking", "reference", "B-1");
        assertThat(decide(campsite, "decision", "accept").statusCode()).isEqualTo(302);
        assertThat(decide(house, "decision", "accept").body())
                .contains("Another partner’s claim for this was accepted");
        await("one earns", () -> lines().equals(List.of("B-1 1000")));
    }

    @Test
    void two_who_decide_at_once_are_told_of_each_other() {
        booking("B-1");
        claim("B-1");
        decide(campsite, "decision", "decline", "reason", "No", "version", "0");
        assertThat(decide(campsite, "decision", "accept", "version", "0").body())
                .contains("Somebody else has decided meanwhile");
    }

    @Test
    void what_a_partner_asks_is_answered_on_its_page_and_by_mail() {
        String details = "/partners/%s/details".formatted(campsite);
        owner.form(details, details, "email", "reed@campsite.example", "language", "de");
        assertThat(http().form(page, page + "/messages", "body", "").body()).contains("Schreiben Sie zuerst etwas.");
        http().form(page, page + "/messages", "body", "When do you pay <b>us</b>?");
        String exchange = "/partners/%s/exchange".formatted(campsite);
        assertThat(owner.get(exchange).body()).contains("When do you pay &lt;b&gt;us&lt;/b&gt;?");
        owner.form(exchange, exchange + "/messages", "body", "On the 5th.");
        assertThat(http().get(page).body()).contains("On the 5th.", "When do you pay");
        assertThat(count(tenant, """
                        select count(*) from outgoing
                        where recipient = 'reed@campsite.example' and subject = 'Eine Nachricht von Curlew Camping'
                        """)).isEqualTo(1);
        assertThat(owner.get("/today").body()).doesNotContain("waits for an answer");
        for (int i = 0; i < PartnerMessages.MOST_WAITING; i++) {
            in(tenant, () -> messages.ask(campsite, "Again"));
        }
        assertThat(http().form(page, page + "/messages", "body", "Once more").body())
                .contains("Es warten schon zu viele auf Antwort.");
    }
}
