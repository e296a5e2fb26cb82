package wendo.app.lead.leads;

import static org.assertj.core.api.Assertions.assertThat;

import java.util.UUID;
import org.junit.jupiter.api.BeforeEach;
import org.junit.jupiter.api.Test;
import org.springframework.beans.factory.annotation.Autowired;
import wendo.app.Http;
import wendo.app.WendoTest;
import wendo.app.platform.accounts.Accounts;
import wendo.app.platform.accounts.Role;

/** Leads are searched, filtered, exported, and become what they are won as. */
class LeadListTest extends WendoTest {
    @Autowired
    private Accounts accounts;

    private Tenant tenant;
    private Http owner;
    private String slug;

    @BeforeEach
    void open() {
        tenant = tenant("Ruff Rowing");
        owner = http().signIn(tenant.email());
        slug = http().issue(tenant.apiKey(), "https://ruff.example/", "Spring", "Postcards")
                .get(0);
        await("the link is known", () -> http().visit(tenant.host(), slug).statusCode() == 302);
    }

    /** A lead by the link, and where its page is. */
    private String lead(String reference, String more) {
        String click = Http.click(http().visit(tenant.host(), slug));
        http().post(
                        tenant.apiKey(),
                        "/api/v1/outcomes",
                        "{\"kind\": \"lead\", \"reference\": \"%s\", \"clickId\": \"%s\"%s}"
                                .formatted(reference, click, more));
        await(
                "it is taken up",
                () -> count(
                                tenant,
                                "select count(*) from lead l join outcome o on o.id = l.outcome_id where o.reference = '"
                                        + reference + "' and l.handed_at is not null")
                        == 1);
        return "/leads/" + id(reference);
    }

    private String id(String reference) {
        return in(
                tenant,
                () -> jdbc.sql("select id::text from outcome where reference = ?")
                        .param(reference)
                        .query(String.class)
                        .single());
    }

    @Test
    void what_the_list_is_held_back_by_stands_as_words_that_can_be_removed() {
        lead("E-1", "");
        String page =
                owner.get("/leads?whose=all&find=a+%26+b&stage=new&days=28").body();
        assertThat(page)
                .contains(
                        "href=\"/leads?whose=all&amp;stage=new&amp;days=28\"",
                        "“a &amp; b”",
                        "href=\"/leads?whose=all&amp;find=a%20%26%20b&amp;days=28\"",
                        "href=\"/leads?whose=all&amp;find=a%20%26%20b&amp;stage=new\"",
                        ", remove this filter");
        assertThat(owner.get("/leads?whose=all").body()).doesNotContain("remove this filter");
    }

    @Test
    void a_lead_that_is_won_with_an_amount_becomes_a_booking_at_once_and_carries_its_origin() {
        String page = lead("E-1", "");
        owner.form(page, page + "/stage", "stage", "quoted", "quoted", "300");
        assertThat(owner.form(page, page + "/stage", "stage", "won", "amount", "lots")
                        .body())
                .contains("Must be an amount in GBP", "value=\"lots\"");
        for (int i = 0; i < 2; i++) {
            owner.form(
                    page, page + "/stage", "stage", "won", "amount", "£280", "becomes", "booking", "reference", "B-77");
        }
        assertThat(
                        count(
                                tenant,
                                "select count(*) from outcome where kind = 'booking' and reference = 'B-77' and value_minor = 28000"))
                .isOne();
        assertThat(owner.get(page).body()).contains("Won", "quoted £300.00", "became", "a booking of £280");
        await("its source has the credit, though nobody's contact joins them", () -> count(tenant, """
                select count(*) from credit c join outcome o on o.id = c.outcome_id join source s on s.id = c.source_id
                where o.reference = 'B-77' and s.name = 'Postcards' and c.last_touch_minor = 28000""") == 1);
        String other = lead("E-2", "");
        assertThat(owner.form(other, other + "/stage", "stage", "won", "amount", "5", "reference", "b-77")
                        .body())
                .contains("There is a booking with this reference already.");
        owner.form(other, other + "/stage", "stage", "won", "amount", "5", "becomes", "purchase");
        assertThat(count(tenant, "select count(*) from outcome where kind = 'purchase' and reference = 'E-2'"))
                .isOne();
    }

    @Test
    void won_without_an_amount_waits_for_the_report() {
        String page = lead("E-3", "");
        owner.form(page, page + "/stage", "stage", "won");
        assertThat(count(tenant, "select count(*) from outcome")).isOne();
        assertThat(count(tenant, "select count(*) from lead where stage = 'won' and became_id is null"))
                .isOne();
    }

    @Test
    void consent_given_by_phone_is_put_on_record_with_the_words() {
        String page = lead("E-4", ", \"email\": \"ines@marsh.example\"");
        assertThat(owner.form(page, page + "/consent", "consentWords", "News?").body())
                .contains("Tick what they agreed to.");
        assertThat(owner.form(page, page + "/consent", "consent-text-news", "yes", "consentWords", "News?")
                        .body())
                .contains("Text news needs a phone number.", "News?");
        owner.form(page, page + "/consent", "consent-email-news", "yes", "consentWords", "May we send you news?");
        assertThat(owner.get(page).body()).contains("May we send you news?", "told to Ola Ness", "E-mail news");
        String outcome = "/outcomes/" + id("E-4");
        owner.form(outcome, outcome + "/consent", "consent-advertising", "yes", "consentWords", "Ads?");
        assertThat(owner.get("/setup/consent/records.csv").body()).contains("Ads?", "told: to Ola Ness");
    }

    @Test
    void leads_are_searched_filtered_and_exported() {
        lead("E-5", ", \"name\": \"Ines Marsh\", \"email\": \"ines@marsh.example\", \"note\": \"Twelve people\"");
        String won = lead("E-6", ", \"name\": \"Bo Reed\"");
        owner.form(won, won + "/stage", "stage", "lost", "reason", "Too far");
        assertThat(owner.get("/leads?whose=all&find=twelve").body())
                .contains("Ines Marsh")
                .doesNotContain("Bo Reed");
        assertThat(owner.get("/leads?whose=all&stage=lost").body())
                .contains("Bo Reed")
                .doesNotContain("Ines Marsh");
        assertThat(owner.get("/leads?whose=all&find=nobody").body()).contains("No lead matches.");
        assertThat(owner.get("/leads?whose=all&days=7&source=" + UUID.randomUUID())
                        .body())
                .contains("No lead matches.");
        assertThat(owner.get("/leads/leads.csv?whose=all&days=7").body().lines())
                .hasSize(3);
        assertThat(owner.get("/leads/leads.csv?whose=open").body())
                .contains("ines@marsh.example")
                .doesNotContain("Bo Reed");
        assertThat(owner.get("/leads/leads.xlsx")
                        .headers()
                        .firstValue("Content-Disposition")
                        .orElseThrow())
                .contains("leads.xlsx");
        String email = "tomas@" + UUID.randomUUID() + ".example";
        in(tenant, () -> {
            accounts.join(accounts.register(email, "Tomas", PASSWORD), Role.STAFF);
            return email;
        });
        assertThat(http().signIn(email).get("/leads/leads.csv").statusCode()).isEqualTo(403);
    }

    private String owned(String reference) {
        return in(
                tenant, () -> jdbc.sql("""
                        select coalesce(p.name, '') from lead l join outcome o on o.id = l.outcome_id
                        left join person p on p.id = l.owner_id where o.reference = ?
                        """).param(reference).query(String.class).single());
    }

    /** The list that follows. */
    private String assign(String query, String... fields) {
        String list = owner.form("/leads", "/leads/owner" + query, fields)
                .headers()
                .firstValue("Location")
                .orElseThrow();
        assertThat(list).contains("/leads?").contains(query);
        return owner.get(list.replaceFirst("^https?://[^/]+", "")).body();
    }

    /** From the list, and back to it as it was; somebody else's leads are neither named nor changed. */
    @Test
    void many_leads_are_assigned_at_once() {
        lead("E-1", "");
        lead("E-2", "");
        lead("E-3", "");
        String person = in(
                tenant,
                () -> jdbc.sql("select person_id::text from membership")
                        .query(String.class)
                        .single());
        String first = id("E-1");
        assertThat(assign(
                        "?whose=all&sort=lead", "lead", first, "lead", id("E-2"), "lead", "nonsense", "owner", person))
                .contains("2 leads assigned to Ola Ness.");
        assertThat(owned("E-1")).isEqualTo("Ola Ness").isEqualTo(owned("E-2"));
        assertThat(owned("E-3")).isEmpty();
        assertThat(assign("", "lead", first, "owner", "")).contains("1 lead is unassigned now.");
        assertThat(owned("E-1")).isEmpty();
        assertThat(assign("", "owner", person)).contains("Select the leads to assign first.");
        assertThat(owner.form(
                                "/leads",
                                "/leads/owner",
                                "lead",
                                id("E-2"),
                                "owner",
                                UUID.randomUUID().toString())
                        .statusCode())
                .as("whoever works here no more")
                .isEqualTo(404);
        Http stranger = http().signIn(tenant("Other Oars").email());
        assertThat(stranger.form("/leads", "/leads/owner", "lead", id("E-2"), "owner", "")
                        .statusCode())
                .isEqualTo(404);
        assertThat(owned("E-2")).isEqualTo("Ola Ness");
    }
}
