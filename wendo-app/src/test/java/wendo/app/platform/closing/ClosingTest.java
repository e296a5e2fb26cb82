package wendo.app.platform.closing;

import static org.assertj.core.api.Assertions.assertThat;

import java.io.ByteArrayInputStream;
import java.io.IOException;
import java.net.URLEncoder;
import java.net.http.HttpRequest;
import java.net.http.HttpResponse;
import java.nio.charset.StandardCharsets;
import java.util.ArrayList;
import java.util.HashMap;
import java.util.List;
import java.util.Map;
import java.util.UUID;
import java.util.zip.ZipEntry;
import java.util.zip.ZipInputStream;
import org.jsoup.Jsoup;
import org.junit.jupiter.api.BeforeEach;
import org.junit.jupiter.api.Test;
import org.springframework.beans.factory.annotation.Autowired;
import wendo.app.Http;
import wendo.app.WendoTest;
import wendo.app.platform.accounts.Accounts;
import wendo.app.platform.accounts.Role;

/** Everything is taken along, thirty days are waited, and then nothing of the business is left and all of the others is. */
class ClosingTest extends WendoTest {
    private static final String PAGE = "/setup/closing";

    @Autowired
    private Closing closing;

    @Autowired
    private Accounts accounts;

    private Tenant tenant;
    private Tenant other;
    private Http owner;

    @BeforeEach
    void two_businesses_with_something_in_them() {
        tenant = tenant("Smew Sails");
        other = tenant("Garganey Gigs");
        owner = http().signIn(tenant.email());
        for (Tenant one : List.of(tenant, other)) {
            http().issue(one.apiKey(), "https://smew.example/", "Spring", "Postcards", "Campsite");
            http().post(one.apiKey(), "/api/v1/outcomes", """
                    {"kind": "lead", "reference": "L-1", "name": "Ines", "email": "ines@quill.example"}
                    """);
        }
    }

    private Map<String, String> export() throws IOException {
        String token = Jsoup.parse(owner.get(PAGE).body())
                .select("form[action$=zip] input[name=_csrf]")
                .val();
        byte[] zip = owner.bytes(owner.request(PAGE + "/everything.zip")
                .header("Content-Type", "application/x-www-form-urlencoded")
                .POST(HttpRequest.BodyPublishers.ofString(
                        "_csrf=" + URLEncoder.encode(token, StandardCharsets.UTF_8))));
        Map<String, String> files = new HashMap<>();
        try (ZipInputStream in = new ZipInputStream(new ByteArrayInputStream(zip))) {
            for (ZipEntry entry = in.getNextEntry(); entry != null; entry = in.getNextEntry()) {
                files.put(entry.getName(), new String(in.readAllBytes(), StandardCharsets.UTF_8));
            }
        }
        return files;
    }

    private HttpResponse<String> delete(String name) {
        return owner.form(PAGE, PAGE + "/delete", "name", name);
    }

    /** Rows of a business in each table that has any. */
    private Map<String, Long> rows(UUID business) {
        Map<String, Long> rows = new HashMap<>();
        List<String> tables = new ArrayList<>();
        in(other, () -> tables.addAll(jdbc.sql("""
                        select c.relname from pg_class c join pg_attribute a on a.attrelid = c.oid and a.attname = 'business_id'
                        where c.relnamespace = 'public'::regnamespace and c.relkind in ('r', 'p') and not c.relispartition
                            and has_table_privilege(c.oid, 'select')
                        """).query(String.class).list()));
        scope.within(new wendo.app.platform.business.BusinessId(business), () -> {
            for (String table : tables) {
                long some = jdbc.sql("select count(*) from " + table)
                        .query(Long.class)
                        .single();
                if (some > 0) {
                    rows.put(table, some);
                }
            }
            return true;
        });
        return rows;
    }

    private void daysPass() {
        in(
                tenant,
                () -> jdbc.sql("update business set deletes_at = now() - interval '1 second'")
                        .update());
    }

    @Test
    void all_of_it_goes_and_nothing_of_anybody_else() throws IOException {
        String colleague = "bo@" + UUID.randomUUID() + ".example";
        UUID both = in(tenant, () -> {
            UUID person = accounts.register(colleague, "Bo", PASSWORD);
            accounts.join(person, Role.STAFF);
            return person;
        });
        in(other, () -> {
            accounts.join(both, Role.STAFF);
            return true;
        });
        String slug = in(
                tenant,
                () -> jdbc.sql("select slug from link limit 1")
                        .query(String.class)
                        .single());
        await("the link is known", () -> http().visit(tenant.host(), slug).statusCode() == 302);
        await("its visit is stored", () -> count(tenant, "select count(*) from visit") > 0);
        await("it is a lead", () -> count(tenant, "select count(*) from lead where handed_at is not null") == 1);
        for (Tenant one : List.of(tenant, other)) {
            await("who sent it is known", () -> count(one, "select count(*) from audience_contact") == 1);
            await("nothing waits", () -> count(one, "select count(*) from audience_due") == 0);
        }
        Map<String, Long> others = rows(other.id().value());

        assertThat(delete("Smew Sails").body()).contains("Download everything first.");
        export();
        assertThat(delete("smew").statusCode()).isEqualTo(422);
        assertThat(delete(" Smew Sails ").statusCode()).isEqualTo(302);
        assertThat(owner.get("/today").body()).contains("This business will be deleted on");
        assertThat(in(
                        tenant,
                        () -> jdbc.sql("select subject from outgoing where recipient = ?")
                                .param(tenant.email())
                                .query(String.class)
                                .list()))
                .as("every owner is told")
                .anyMatch(subject -> subject.startsWith("Smew Sails will be deleted on"));
        closing.run();
        assertThat(rows(tenant.id().value())).as("thirty days have not passed").containsKey("link");

        owner.form(PAGE, PAGE + "/keep");
        daysPass();
        in(tenant, () -> jdbc.sql("update business set deletes_at = null").update());
        closing.run();
        assertThat(rows(tenant.id().value())).as("it was kept").containsKey("link");

        delete("Smew Sails");
        daysPass();
        closing.run();
        assertThat(rows(tenant.id().value())).isEmpty();
        assertThat(rows(other.id().value())).isEqualTo(others);
        await(
                "its links lead nowhere",
                () -> http().visit(tenant.host(), slug)
                        .headers()
                        .firstValue("Location")
                        .filter(address -> address.contains("smew.example"))
                        .isEmpty());
        assertThat(http().form("/sign-in", "/sign-in", "email", tenant.email(), "password", PASSWORD)
                        .statusCode())
                .as("the owner worked for no other business")
                .isNotEqualTo(302);
        assertThat(http().signIn(colleague).get("/today").body()).contains("Garganey Gigs");
    }

    @Test
    void everything_is_in_the_export_and_no_secret() throws IOException {
        Map<String, String> files = export();
        assertThat(files).containsKeys("schema.json", "link.csv", "outcome.csv", "business.csv", "visit.csv");
        assertThat(files.getOrDefault("link.csv", "").lines()).hasSize(1 + 2);
        assertThat(files.get("outcome.csv")).contains("ines@quill.example");
        assertThat(files.get("business.csv")).contains("Smew Sails").doesNotContain("Garganey", "site_secret");
        assertThat(files.get("api_key.csv")).doesNotContain("secret_hash");
        Map<String, String> headers = new HashMap<>();
        Http.json(files.getOrDefault("schema.json", ""))
                .get("tables")
                .properties()
                .forEach(table -> headers.put(
                        table.getKey() + ".csv",
                        String.join(",", table.getValue().propertyNames())));
        headers.forEach((file, columns) -> assertThat(
                        files.getOrDefault(file, "").lines().findFirst())
                .as(file)
                .hasValue(columns));
        assertThat(files).hasSize(headers.size() + 1);
        assertThat(owner.get("/setup/activity").body()).contains("everything.zip");
    }

    @Test
    void whoever_works_there_can_leave_but_the_last_owner() {
        assertThat(owner.get("/account/leave").body()).contains("You are its only owner");
        assertThat(owner.form("/account", "/account/leave").statusCode()).isEqualTo(422);
        String email = "mia@" + UUID.randomUUID() + ".example";
        UUID mia = in(tenant, () -> {
            UUID person = accounts.register(email, "Mia", PASSWORD);
            accounts.join(person, Role.STAFF);
            return person;
        });
        in(tenant, () -> jdbc.sql("update link set owner_id = ?").param(mia).update());
        Http staff = http().signIn(email);
        assertThat(staff.get("/account/leave").body()).contains("2 links", "Ola Ness");
        String successor = in(
                tenant,
                () -> jdbc.sql("select person_id::text from membership where role = 'owner'")
                        .query(String.class)
                        .single());
        assertThat(staff.form("/account/leave", "/account/leave", "successor", successor)
                        .headers()
                        .firstValue("Location"))
                .hasValue("/sign-in");
        assertThat(count(tenant, "select count(*) from membership")).isOne();
        assertThat(count(tenant, "select count(*) from link where owner_id = '" + successor + "'"))
                .isEqualTo(2);
        assertThat(staff.get("/today").statusCode()).isEqualTo(302);
    }
}
