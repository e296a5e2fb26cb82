package wendo.app.platform.business;

import static org.assertj.core.api.Assertions.assertThat;
import static org.assertj.core.api.Assertions.assertThatThrownBy;

import java.util.List;
import java.util.UUID;
import org.junit.jupiter.api.BeforeEach;
import org.junit.jupiter.api.Test;
import wendo.app.Http;
import wendo.app.WendoTest;

/** A person of business A cannot reach anything of B, by any address or identifier. */
class TenancyTest extends WendoTest {
    private static final List<String> PAGES =
            List.of("/today", "/links", "/outcomes", "/compare", "/spend", "/setup", "/issue");

    private Tenant a;
    private Tenant b;
    private String slugOfB;
    private UUID linkOfB;
    private UUID sourceOfB;

    @BeforeEach
    void two_businesses() {
        a = tenant("Aldermoor Ferries");
        b = tenant("Bittern Boats");
        slugOfB = http().issue(b.apiKey(), "https://bittern.example/", "Hidden harvest", "Secret source")
                .get(0);
        linkOfB = in(b, () -> jdbc.sql("select id from link").query(UUID.class).single());
        sourceOfB =
                in(b, () -> jdbc.sql("select id from source").query(UUID.class).single());
        http().post(b.apiKey(), "/api/v1/outcomes", "{\"kind\": \"lead\", \"reference\": \"SECRET-1\"}");
    }

    @Test
    void no_page_shows_anything_of_another_business() {
        Http person = http().signIn(a.email());
        for (String page : PAGES) {
            String body = person.get(page).body();
            assertThat(body)
                    .as(page)
                    .contains("Aldermoor Ferries")
                    .doesNotContain("Secret source", "SECRET-1", "Bittern", slugOfB);
        }
        assertThat(person.get("/links?find=" + slugOfB).body()).contains("0 links found");
        assertThat(http().signIn(b.email()).get("/links").body()).contains("Secret source");
    }

    @Test
    void identifiers_of_another_business_open_nothing_and_change_nothing() {
        Http person = http().signIn(a.email());
        assertThat(person.get("/issue/done?link=" + linkOfB).statusCode()).isEqualTo(302);
        UUID key =
                in(b, () -> jdbc.sql("select id from api_key").query(UUID.class).single());
        assertThat(person.form("/setup", "/setup/keys/" + key + "/revoke").statusCode())
                .isEqualTo(404);
        assertThat(person.form("/spend", "/spend/" + UUID.randomUUID() + "/remove")
                        .statusCode())
                .isEqualTo(404);
        assertThat(person.form("/today", "/business", "business", b.id().value().toString())
                        .statusCode())
                .isEqualTo(404);
        assertThat(person.form(
                                "/spend",
                                "/spend",
                                "source",
                                sourceOfB.toString(),
                                "amount",
                                "5",
                                "firstDay",
                                "2026-05-01",
                                "lastDay",
                                "2026-05-01",
                                "note",
                                "")
                        .statusCode())
                .isEqualTo(422);
        assertThat(person.form("/issue", "/issue/sheet", "source", sourceOfB.toString(), "destination", "a.example")
                        .body())
                .contains("The sheet grows here.")
                .doesNotContain("Secret source");
        assertThat(http().api(b.apiKey(), "/api/v1/links").statusCode()).isEqualTo(200);
    }

    @Test
    void keys_reach_their_own_business_only() {
        for (String path : List.of("/api/v1/links", "/api/v1/outcomes", "/api/v1/compare")) {
            assertThat(http().api(a.apiKey(), path).body()).doesNotContain("Secret source", "SECRET-1", slugOfB);
            assertThat(http().api("wendo_" + "0".repeat(48), path).statusCode()).isEqualTo(401);
            assertThat(http().get(path).statusCode()).isEqualTo(401);
        }
        assertThat(http().api(b.apiKey(), "/api/v1/outcomes").body()).contains("SECRET-1");
    }

    @Test
    void a_click_identifier_of_another_business_joins_nothing() {
        String click = Http.click(http().visit(b.host(), slugOfB));
        await("the visit is stored", () -> count(b, "select count(*) from visit") == 1);
        http().post(
                        a.apiKey(),
                        "/api/v1/outcomes",
                        "{\"kind\": \"lead\", \"reference\": \"A-1\", \"clickId\": \"%s\"}".formatted(click));
        assertThat(http().signIn(a.email()).get("/outcomes").body())
                .contains("A click identifier came back with the lead, but no visit carries it.")
                .doesNotContain("Secret source");
    }

    @Test
    void a_statement_that_forgets_its_business_shows_nothing() {
        assertThat(jdbc.sql("select count(*) from link").query(Long.class).single())
                .isZero();
        assertThat(count(a, "select count(*) from link")).isZero();
        assertThat(count(b, "select count(*) from link")).isOne();
    }

    @Test
    void rows_cannot_be_written_into_another_business() {
        assertThatThrownBy(() -> in(
                        a,
                        () -> jdbc.sql("insert into source values (?, ?, 'x', 'x', 'PRINT', 'print', now())")
                                .params(UUID.randomUUID(), b.id().value())
                                .update()))
                .hasStackTraceContaining("row-level security");
        assertThatThrownBy(() -> in(
                        a,
                        () -> jdbc.sql(
                                        "insert into spend values (?, ?, ?, 5, '2026-05-01', '2026-05-01', '', now(), '', 'lump', 0, null, null, '')")
                                .params(UUID.randomUUID(), a.id().value(), sourceOfB)
                                .update()))
                .hasStackTraceContaining("foreign key");
        assertThat(in(
                        a,
                        () -> jdbc.sql("update link set name = 'mine' where id = ?")
                                .param(linkOfB)
                                .update()))
                .isZero();
    }
}
