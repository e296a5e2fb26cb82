package wendo.app.outcome.outcomes;

import static org.assertj.core.api.Assertions.assertThat;

import java.io.ByteArrayInputStream;
import java.io.IOException;
import java.net.http.HttpResponse;
import java.util.List;
import java.util.UUID;
import org.dhatim.fastexcel.reader.ReadableWorkbook;
import org.junit.jupiter.api.BeforeEach;
import org.junit.jupiter.api.Test;
import org.springframework.beans.factory.annotation.Autowired;
import wendo.app.Http;
import wendo.app.WendoTest;
import wendo.app.platform.accounts.Accounts;
import wendo.app.platform.accounts.Role;

/** The ledger is searched, filtered and exported; what no other road reports is entered by hand. */
class LedgerTest extends WendoTest {
    @Autowired
    private Accounts accounts;

    private Tenant tenant;
    private Http owner;

    @BeforeEach
    void open() {
        tenant = tenant("Knot Knitwear");
        owner = http().signIn(tenant.email());
        http().issue(tenant.apiKey(), "https://knot.example/", "Spring", "Postcards", "Campsite");
    }

    private Http join(Role role) {
        String email = role.key() + "@" + UUID.randomUUID().toString().substring(0, 8) + ".example";
        in(tenant, () -> {
            accounts.join(accounts.register(email, "Tomas Ness", PASSWORD), role);
            return email;
        });
        return http().signIn(email);
    }

    private String source(String name) {
        return in(
                tenant,
                () -> jdbc.sql("select id::text from source where name = ?")
                        .param(name)
                        .query(String.class)
                        .single());
    }

    private HttpResponse<String> enter(Http person, String... fields) {
        return person.form("/outcomes/new", "/outcomes/new", fields);
    }

    private String rows(String query) {
        return owner.get("/outcomes/ledger.csv?" + query).body();
    }

    @Test
    void what_is_entered_by_hand_has_its_source_its_consent_and_its_name() {
        HttpResponse<String> done = enter(
                owner,
                "kind",
                "booking",
                "reference",
                "B-7",
                "made",
                "HAND-X",
                "value",
                "£95",
                "day",
                "2026-05-03",
                "time",
                "",
                "name",
                "Ines Marsh",
                "email",
                "Ines@Marsh.example",
                "items",
                "Taster",
                "source",
                source("Postcards"),
                "consent-email-news",
                "yes",
                "consentWords",
                "May we send you our news?");
        assertThat(done.statusCode()).isEqualTo(302);
        String page =
                owner.get(done.headers().firstValue("Location").orElseThrow()).body();
        assertThat(page)
                .contains("3 May 2026, time not known", "£95.00", "Postcards", "a colleague")
                .contains("May we send you our news?", "told to Ola Ness");
        assertThat(count(tenant, "select count(*) from consent_record where contact = 'ines@marsh.example'"))
                .isOne();
        await("its source has the credit", () -> count(tenant, """
                        select count(*) from credit c join source s on s.id = c.source_id
                        where s.name = 'Postcards' and c.last_touch_minor = 9500""") == 1);
    }

    private String outcome(String reference) {
        return in(
                tenant,
                () -> jdbc.sql("select id::text from outcome where reference = ?")
                        .param(reference)
                        .query(String.class)
                        .single());
    }

    private String change(Http person, String... fields) {
        String ledger = person.form("/outcomes", "/outcomes/selected?sort=value&kind=booking", fields)
                .headers()
                .firstValue("Location")
                .orElseThrow()
                .replaceFirst("^https?://[^/]+", "");
        assertThat(ledger).contains("sort=value", "kind=booking");
        return person.get(ledger).body();
    }

    @Test
    void many_outcomes_are_given_a_source_or_a_status_at_once() {
        for (String reference : List.of("B-1", "B-2", "B-3")) {
            enter(owner, "kind", "booking", "reference", reference, "value", "95", "day", "2026-05-03", "time", "");
        }
        String one = outcome("B-1");
        String two = outcome("B-2");
        assertThat(change(owner, "what", "source", "known", source("Campsite"), "outcome", one, "outcome", two))
                .contains("2 outcomes now count for Campsite.");
        assertThat(count(tenant, "select count(*) from outcome where set_source_id is not null"))
                .isEqualTo(2);
        assertThat(change(owner, "what", "source", "known", "", "outcome", one))
                .contains("1 outcome goes by the evidence again.");
        assertThat(change(owner, "what", "status", "standing", "cancelled", "outcome", one, "outcome", two))
                .contains("Status set to Cancelled: 2 outcomes.");
        assertThat(count(tenant, "select count(*) from outcome where status = 'cancelled'"))
                .isEqualTo(2);
        assertThat(change(owner, "what", "status", "standing", "lost", "outcome", one))
                .contains("Select a status first.");
        assertThat(change(owner, "what", "source")).contains("Select the outcomes to change first.");
        Http staff = join(Role.STAFF);
        assertThat(staff.form("/outcomes", "/outcomes/selected", "what", "source", "outcome", one)
                        .statusCode())
                .isEqualTo(403);
        assertThat(staff.get("/outcomes?kind=booking").body()).doesNotContain("Set status");
        assertThat(http().signIn(tenant("Somebody Else").email())
                        .form("/outcomes", "/outcomes/selected", "what", "source", "outcome", one)
                        .statusCode())
                .isEqualTo(404);
    }

    @Test
    void pressed_twice_it_is_entered_once_and_a_known_reference_is_told() {
        for (int i = 0; i < 2; i++) {
            assertThat(enter(owner, "kind", "purchase", "made", "HAND-B7X", "value", "12", "day", "2026-05-03")
                            .statusCode())
                    .isEqualTo(302);
        }
        assertThat(count(tenant, "select count(*) from outcome")).isOne();
        HttpResponse<String> again = enter(
                owner,
                "kind",
                "purchase",
                "reference",
                "hand-b7x",
                "made",
                "HAND-C",
                "value",
                "13",
                "day",
                "2026-05-03");
        assertThat(again.statusCode()).isEqualTo(422);
        assertThat(again.body()).contains("There is a purchase with this reference already.", "Open", "value=\"13\"");
        assertThat(count(tenant, "select value_minor from outcome")).isEqualTo(1200);
    }

    @Test
    void what_is_wrong_with_it_is_told_beside_its_field_and_nothing_typed_is_lost() {
        HttpResponse<String> refused = enter(
                owner,
                "kind",
                "booking",
                "made",
                "HAND-X",
                "value",
                "much",
                "day",
                "2999-01-01",
                "email",
                "nobody",
                "name",
                "Ines",
                "source",
                UUID.randomUUID().toString(),
                "consent-text-news",
                "yes");
        assertThat(refused.statusCode()).isEqualTo(422);
        assertThat(refused.body())
                .contains(
                        "Must be an amount in GBP", "Choose today or an earlier day.", "This is not an e-mail address")
                .contains("This source is no longer in use", "Write what you asked them")
                .contains("value=\"much\"", "value=\"Ines\"");
        assertThat(count(tenant, "select count(*) from outcome")).isZero();
    }

    @Test
    void staff_may_enter_and_viewers_may_not() {
        Http staff = join(Role.STAFF);
        assertThat(staff.get("/outcomes").body()).contains("Add outcome").doesNotContain("Export CSV");
        assertThat(enter(staff, "kind", "booking", "made", "HAND-S", "value", "5", "day", "2026-05-03")
                        .statusCode())
                .isEqualTo(302);
        Http viewer = join(Role.VIEWER);
        assertThat(viewer.get("/outcomes?from=2026-05-01&to=2026-05-31").body())
                .contains("Export CSV")
                .doesNotContain("Add outcome");
        assertThat(viewer.get("/outcomes/new").statusCode()).isEqualTo(403);
    }

    @Test
    void it_is_searched_filtered_and_exported_as_it_is_seen() throws IOException {
        String span = "from=2026-05-01&to=2026-05-31";
        enter(
                owner,
                "kind",
                "booking",
                "reference",
                "B-1",
                "value",
                "95",
                "day",
                "2026-05-03",
                "name",
                "Ines Marsh",
                "email",
                "ines@marsh.example",
                "source",
                source("Postcards"));
        enter(
                owner,
                "kind",
                "purchase",
                "reference",
                "=B-2",
                "value",
                "20",
                "day",
                "2026-05-04",
                "items",
                "50% voucher",
                "source",
                source("Campsite"));
        enter(
                owner,
                "kind",
                "purchase",
                "reference",
                "P-3",
                "value",
                "7",
                "day",
                "2026-05-05",
                "phone",
                "07700 900123");
        assertThat(rows(span).lines()).hasSize(4).first().asString().contains("Occurred at", "Value, GBP", "E-mail");
        assertThat(rows(span + "&find=MARSH").lines())
                .hasSize(2)
                .last()
                .asString()
                .contains("B-1", "95.00", "ines@marsh.example");
        assertThat(rows(span + "&find=50%25").lines())
                .hasSize(2)
                .last()
                .asString()
                .contains("'=B-2");
        assertThat(rows(span + "&find=%25").lines()).hasSize(2);
        assertThat(rows(span + "&kind=purchase").lines()).hasSize(3);
        await(
                "they are credited",
                () -> rows(span + "&source=" + source("Campsite")).contains("=B-2"));
        assertThat(rows(span + "&source=" + source("Campsite")).lines()).hasSize(2);
        assertThat(rows(span + "&joined=no").lines())
                .hasSize(2)
                .last()
                .asString()
                .contains("P-3");
        String id = in(
                tenant,
                () -> jdbc.sql("select id::text from outcome where reference = 'P-3'")
                        .query(String.class)
                        .single());
        owner.form("/outcomes/" + id, "/outcomes/" + id, "status", "cancelled", "value", "7");
        assertThat(rows(span + "&status=cancelled").lines())
                .hasSize(2)
                .last()
                .asString()
                .contains("P-3", "cancelled");
        assertThat(owner.get("/outcomes?" + span + "&find=nobody").body())
                .contains("No outcome in this period matches.");
        assertThat(owner.get("/outcomes?" + span + "&kind=nonsense&source=x&status=y&page=-1")
                        .statusCode())
                .isEqualTo(200);
        byte[] book = owner.bytes(owner.request("/outcomes/ledger.xlsx?" + span));
        try (ReadableWorkbook read = new ReadableWorkbook(new ByteArrayInputStream(book))) {
            assertThat(read.getFirstSheet().read()).hasSize(4);
        }
        assertThat(owner.get("/outcomes/ledger.pdf").statusCode()).isEqualTo(404);

        Http viewer = join(Role.VIEWER);
        String theirs = viewer.get("/outcomes/ledger.csv?" + span).body();
        assertThat(theirs).contains("B-1").doesNotContain("marsh", "E-mail", "900123");
        assertThat(viewer.get("/outcomes/ledger.csv?" + span + "&find=marsh")
                        .body()
                        .lines())
                .as("who may not see contacts cannot search them")
                .hasSize(1);
        assertThat(join(Role.STAFF).get("/outcomes/ledger.csv?" + span).statusCode())
                .isEqualTo(403);
    }
}
