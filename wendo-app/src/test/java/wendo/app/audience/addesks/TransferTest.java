package wendo.app.audience.addesks;

import static org.assertj.core.api.Assertions.assertThat;

import java.io.IOException;
import java.net.http.HttpResponse;
import java.util.List;
import java.util.Locale;
import java.util.Optional;
import java.util.Set;
import java.util.UUID;
import java.util.stream.IntStream;
import org.junit.jupiter.api.AfterEach;
import org.junit.jupiter.api.BeforeEach;
import org.junit.jupiter.api.Test;
import org.springframework.beans.factory.annotation.Autowired;
import wendo.app.Http;
import wendo.app.WendoTest;
import wendo.app.platform.consent.ConsentGiven;
import wendo.app.platform.consent.ConsentPlace;
import wendo.app.platform.consent.ConsentPurpose;
import wendo.app.platform.consent.Consents;
import wendo.app.platform.consent.Withdrawal;
import wendo.standins.AdDesk;

/** An audience on the list of a simulated ad desk, which hashes its own members itself to compare. */
class TransferTest extends WendoTest {
    private static final int PEOPLE = 30;
    private static final int AGREED = 20;
    private static final int MEMBERS = 12;

    @Autowired
    private Consents consents;

    @Autowired
    private Transfers transfers;

    private Tenant tenant;
    private Http owner;
    private AdDesk desk;
    private String audience;

    @BeforeEach
    void open() throws IOException {
        tenant = tenant("Plover Paddles");
        owner = http().signIn(tenant.email());
        desk = AdDesk.start(0, "between-us");
        UUID told = UUID.randomUUID();
        in(tenant, () -> {
            List<String> all =
                    IntStream.range(0, PEOPLE).mapToObj(TransferTest::email).toList();
            all.forEach(email -> jdbc.sql(
                            "insert into identity values (gen_random_uuid(), ?, 'email', ?, gen_random_uuid())")
                    .params(tenant.id().value(), email)
                    .update());
            all.forEach(email -> jdbc.sql("insert into audience_due (business_id, contact) values (?, ?)")
                    .params(tenant.id().value(), email)
                    .update());
            consents.state(new ConsentGiven(
                    all.subList(0, AGREED),
                    Set.of(ConsentPurpose.ADVERTISING),
                    "Ticked when they booked",
                    ConsentPlace.TOLD,
                    told,
                    Optional.empty(),
                    Optional.empty(),
                    ""));
            return all;
        });
        IntStream.range(0, MEMBERS).forEach(i -> desk.join(" " + email(i).toUpperCase(Locale.ROOT)));
        await("everybody is known", () -> count(tenant, "select count(*) from audience_contact") == PEOPLE);
        audience = "/audiences/"
                + last(owner.form("/audiences/new", "/audiences/new", "name", "Everybody", "match.r", "all"));
        owner.form(
                "/setup/ad-desks",
                "/setup/ad-desks",
                "name",
                "Gannet Ads",
                "address",
                "http://localhost:" + desk.port(),
                "key",
                "between-us");
    }

    @AfterEach
    void close() {
        desk.close();
    }

    private static String email(int i) {
        return "walker.%d@post.example".formatted(i);
    }

    private static String last(HttpResponse<String> redirect) {
        assertThat(redirect.statusCode()).as(redirect.body()).isEqualTo(302);
        return redirect.headers().firstValue("Location").orElseThrow().replaceFirst("^.*/", "");
    }

    private String deskId() {
        return in(
                tenant,
                () -> jdbc.sql("select id::text from ad_desk where name = 'Gannet Ads'")
                        .query(String.class)
                        .single());
    }

    private String page() {
        return owner.get(audience + "/ad-desks")
                .body()
                .replaceAll("<[^>]*>", " ")
                .replaceAll("\\s+", " ");
    }

    private String begin(String list) {
        owner.form(audience + "/ad-desks", audience + "/ad-desks", "desk", deskId(), "list", list);
        return in(
                tenant,
                () -> jdbc.sql("select id::text from transfer where list_name = ?")
                        .param(list)
                        .query(String.class)
                        .single());
    }

    @Test
    void whoever_agreed_is_on_the_list_hashed_and_leaves_it_with_their_consent() {
        String transfer = audience + "/ad-desks/" + begin("coast walkers");
        await("the list is there", () -> desk.list("coast walkers").size() == AGREED);
        assertThat(desk.list("coast walkers")).allMatch(one -> one.matches("[0-9a-f]{64}"));
        await("it is told", () -> page().contains("20 0 20 12")); // added, removed, on it, known there
        assertThat(page()).contains("20 people agreed to advertising.");
        in(tenant, () -> {
            consents.withdraw(email(0), Withdrawal.OFFICE, "Test");
            return tenant;
        });
        owner.form(audience + "/ad-desks", transfer + "/run");
        await("who withdrew is off", () -> desk.list("coast walkers").size() == AGREED - 1);
        await("it is told", () -> page().contains("0 1 19 11"));
        assertThat(owner.form(audience + "/ad-desks", audience + "/ad-desks", "desk", deskId(), "list", "coast walkers")
                        .body())
                .contains("This list of the ad desk is kept already.");
        assertThat(owner.form("/setup/ad-desks", "/setup/ad-desks/" + deskId() + "/remove")
                        .statusCode())
                .isEqualTo(409);
        owner.form(audience + "/ad-desks", transfer + "/end");
        await("everybody is off", () -> desk.list("coast walkers").isEmpty());
    }

    @Test
    void an_archived_audience_is_taken_off_the_desks_lists() {
        begin("winter");
        await("the list is there", () -> desk.list("winter").size() == AGREED);
        owner.form(audience, audience + "/archive");
        await("everybody is off", () -> desk.list("winter").isEmpty());
        await("and it has ended", () -> count(tenant, "select count(*) from transfer where ended_at is not null") == 1);
    }

    @Test
    void a_desk_that_refuses_is_quoted_and_one_that_is_away_is_tried_again() {
        owner.form(
                "/setup/ad-desks",
                "/setup/ad-desks",
                "name",
                "Stale Ads",
                "address",
                "http://localhost:" + desk.port(),
                "key",
                "old");
        String stale = in(
                tenant,
                () -> jdbc.sql("select id::text from ad_desk where name = 'Stale Ads'")
                        .query(String.class)
                        .single());
        owner.form(audience + "/ad-desks", audience + "/ad-desks", "desk", stale, "list", "walkers");
        await(
                "it is told",
                () -> page().contains("The ad desk answered 401: Send this desk's key as a bearer token.")
                        || page().contains("The ad desk answered 401: Send this desk&#39;s key as a bearer token."));
        assertThat(desk.list("walkers")).isEmpty();
        desk.close();
        String transfer = begin("elsewhere");
        await("it is told", () -> page().contains("The ad desk did not answer."));
        assertThat(count(tenant, "select count(*) from transferred where transfer_id = '%s'".formatted(transfer)))
                .isZero();
    }

    @Test
    void whoever_is_on_the_list_of_a_desk_that_was_away_is_taken_off_the_next_night() {
        String transfer = begin("summer");
        await("the list is there", () -> count(tenant, "select count(*) from transferred") == AGREED);
        desk.close();
        owner.form(audience + "/ad-desks", audience + "/ad-desks/" + transfer + "/end");
        await(
                "it failed",
                () -> count(tenant, "select count(*) from transfer where ended_at is not null and fault <> ''") == 1);
        assertThat(in(tenant, transfers::unfinished)).containsExactly(UUID.fromString(transfer));
        in(tenant, () -> jdbc.sql("delete from transferred").update());
        assertThat(in(tenant, transfers::unfinished)).isEmpty();
    }

    @Test
    void a_refused_desk_says_what_is_wrong_and_its_key_is_never_shown() {
        assertThat(owner.form(
                                "/setup/ad-desks",
                                "/setup/ad-desks",
                                "name",
                                "",
                                "address",
                                "javascript:alert(1)",
                                "key",
                                "")
                        .body())
                .contains("Name the ad desk.", "Enter the key that it gave you.");
        assertThat(owner.get("/setup/ad-desks").body()).contains("Gannet Ads").doesNotContain("between-us");
        assertThat(http().get(audience + "/ad-desks").statusCode()).isEqualTo(302);
        assertThat(http().signIn(tenant("Rail Rowers").email())
                        .get(audience + "/ad-desks")
                        .statusCode())
                .isEqualTo(404);
    }
}
