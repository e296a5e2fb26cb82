package wendo.app.issue.links;

import static org.assertj.core.api.Assertions.assertThat;
import static org.assertj.core.api.Assertions.assertThatThrownBy;

import java.net.http.HttpResponse;
import java.util.UUID;
import org.junit.jupiter.api.BeforeEach;
import org.junit.jupiter.api.Test;
import org.springframework.beans.factory.annotation.Autowired;
import wendo.app.Http;
import wendo.app.WendoTest;
import wendo.app.platform.accounts.Accounts;
import wendo.app.platform.accounts.Role;

/** Link hosts, tag plans, and what the desk makes of them. */
class PrepareTest extends WendoTest {
    @Autowired
    private Accounts accounts;

    private Tenant tenant;
    private Http person;

    @BeforeEach
    void open() {
        tenant = tenant("Godwit Gliders");
        person = http().signIn(tenant.email());
    }

    private UUID id(String sql) {
        return in(tenant, () -> jdbc.sql(sql).query(UUID.class).single());
    }

    private String addHost() {
        String name = "two-" + tenant.host();
        person.form("/setup/hosts", "/setup/hosts", "name", name + ":" + port);
        return name;
    }

    /** Issues on the desk, for one source that is made if need be, and answers what the desk answered. */
    private HttpResponse<String> desk(String... fields) {
        if (count(tenant, "select count(*) from source") == 0) {
            person.form("/issue", "/issue/source", "newSource", "Harbour Sign", "newChannel", "place");
        }
        java.util.List<String> all = new java.util.ArrayList<>(java.util.List.of(fields));
        all.addAll(java.util.List.of(
                "source", id("select id from source limit 1").toString(), "campaign", "Spring", "goAhead", "yes"));
        if (!all.contains("destination")) {
            all.addAll(java.util.List.of("destination", "gliders.example/offer"));
        }
        return person.form("/issue", "/issue", all.toArray(String[]::new));
    }

    private String tagged() {
        return in(
                tenant,
                () -> jdbc.sql("select tagged_address from link order by created_at desc, slug limit 1")
                        .query(String.class)
                        .single());
    }

    @Test
    void a_second_host_is_checked_used_and_taken_out_of_use_while_its_links_live_on() {
        String second = addHost();
        await(
                "the name answers",
                () -> http().visit(second, ".well-known/wendo").statusCode() == 200);
        UUID host = id("select id from link_host where not is_default");
        person.form("/setup/hosts", "/setup/hosts/" + host + "/check");
        assertThat(person.get("/setup/hosts").body()).contains("Reached on");
        person.form("/setup/hosts", "/setup/hosts/" + host + "/default");
        String slug = http().issue(tenant.apiKey(), "gliders.example", "Spring", "Radio")
                .get(0);
        await("links are made there", () -> http().visit(second, slug).statusCode() == 302);

        UUID first = id("select id from link_host where not is_default");
        person.form("/setup/hosts", "/setup/hosts/" + first + "/default");
        person.form("/setup/hosts", "/setup/hosts/" + host + "/retire", "away", "true");
        assertThat(person.get("/issue").body()).doesNotContain(second);
        person.form("/setup/hosts", "/setup/hosts/" + host + "/default");
        assertThat(count(tenant, "select count(*) from link_host where is_default and retired_at is not null"))
                .as("what is out of use is nobody's default")
                .isZero();
        assertThat(http().visit(second, slug).statusCode()).isEqualTo(302);
    }

    @Test
    void links_move_to_another_domain_and_what_is_printed_keeps_answering() {
        String second = addHost();
        await(
                "the name answers",
                () -> http().visit(second, ".well-known/wendo").statusCode() == 200);
        String printed = http().issue(tenant.apiKey(), "gliders.example", "Spring", "Radio")
                .get(0);
        UUID from = id("select id from link_host where is_default");
        UUID to = id("select id from link_host where not is_default");
        await("it answers", () -> http().visit(tenant.host(), printed).statusCode() == 302);

        person.form("/setup/hosts", "/setup/hosts/" + from + "/move", "to", to.toString());
        assertThat(person.get("/setup/hosts").body()).contains("1 link moved to " + second, "keep answering.");
        await("the new address answers", () -> http().visit(second, printed).statusCode() == 302);
        assertThat(http().visit(tenant.host(), printed).statusCode()).isEqualTo(302);
        UUID link = id("select id from link");
        assertThat(person.get("/links/" + link).body())
                .contains("Also answers at", tenant.host() + ":" + port + "/" + printed, second);

        HttpResponse<String> again = http().post(
                        tenant.apiKey(),
                        "/api/v1/links",
                        "{\"destination\": \"gliders.example\", \"campaign\": \"Spring\", \"sources\": [{\"source\": \"Other\", \"slug\": \"%s\"}]}"
                                .formatted(printed));
        assertThat(again.body()).as("nobody else gets the former address").contains("taken");
        assertThatThrownBy(() -> in(
                        tenant,
                        () -> jdbc.sql("update link set host_id = ?, slug = ? where id = ?")
                                .params(from, printed, copied(link))
                                .update()))
                .hasMessageContaining("former address");
        assertThat(person.form("/setup/hosts", "/setup/hosts/" + to + "/move", "to", "nowhere")
                        .statusCode())
                .isEqualTo(302);
        person.form("/setup/hosts", "/setup/hosts/" + to + "/move", "to", from.toString());
        assertThat(count(tenant, "select count(*) from link_former_address where host_id = '" + from + "'"))
                .as("back where it was")
                .isZero();
        assertThat(http().visit(second, printed).statusCode()).isEqualTo(302);
    }

    /** Another link of the same host, to try to give it an ending. */
    private UUID copied(UUID link) {
        http().issue(tenant.apiKey(), "gliders.example", "Summer", "Radio");
        return id("select id from link where id <> '" + link + "'");
    }

    @Test
    void a_domain_that_does_not_answer_is_offered_with_a_warning() {
        person.form("/setup/hosts", "/setup/hosts", "name", "silent.gliders.example");
        UUID host = id("select id from link_host where not is_default");
        assertThat(person.get("/issue").body()).contains("silent.gliders.example (does not answer)");
        person.form("/setup/hosts", "/setup/hosts/" + host + "/default");
        assertThat(person.get("/issue").body()).contains("Nothing answers at this name yet.", "Check domain");
    }

    /** On one machine a bare name would lead to the port of the web's servers, where nothing is. */
    @Test
    void a_name_of_this_machine_gets_the_port_of_the_others() {
        person.form("/setup/hosts", "/setup/hosts", "name", "bare-" + tenant.host());
        assertThat(in(
                        tenant,
                        () -> jdbc.sql("select origin from link_host where not is_default")
                                .query(String.class)
                                .single()))
                .isEqualTo("http://bare-" + tenant.host() + ":" + port);
    }

    @Test
    void what_leads_nowhere_below_our_own_paths_shows_a_visitor_the_businesss_page() {
        assertThat(http().send(http().request("/t/nowhere")
                                .header("Host", tenant.host())
                                .header("Accept", "text/html,*/*"))
                        .body())
                .contains("This address leads nowhere", "Godwit Gliders");
        assertThat(http().send(http().request("/t/nowhere").header("Host", tenant.host()))
                        .headers()
                        .firstValue("Content-Type")
                        .orElseThrow())
                .contains("problem+json");
    }

    @Test
    void a_name_is_one_businesss_only_and_a_name_that_leads_elsewhere_says_so() {
        assertThat(tenant("Snipe Sails").host()).isNotEqualTo(tenant.host());
        assertThat(person.form("/setup/hosts", "/setup/hosts", "name", tenant.host())
                        .body())
                .contains("is a link domain already");
        assertThat(person.form("/setup/hosts", "/setup/hosts", "name", "go.gliders.example/path")
                        .body())
                .contains("Enter the name alone");
        person.form("/setup/hosts", "/setup/hosts", "name", "go.gliders.example");
        assertThat(person.get("/setup/hosts").body()).contains("Nothing answers at this name yet.");
    }

    @Test
    void a_whole_name_forwards_by_way_of_one_link() {
        String slug = http().issue(tenant.apiKey(), "gliders.example", "Spring", "Old domain")
                .get(0);
        String second = addHost();
        UUID host = id("select id from link_host where not is_default");
        await(
                "nothing answers there yet",
                () -> http().visit(second, "any/thing").statusCode() == 404);
        assertThat(person.form("/setup/hosts", "/setup/hosts/" + host + "/forward", "link", "nope")
                        .body())
                .contains("You have no link");
        person.form(
                "/setup/hosts",
                "/setup/hosts/" + host + "/forward",
                "link",
                tenant.host() + "/" + slug.toUpperCase(java.util.Locale.ROOT) + "?x=1");
        await("all paths forward", () -> http().visit(second, "any/thing").statusCode() == 302);
        assertThat(http().visit(second, "").headers().firstValue("Location").orElseThrow())
                .contains("utm_source=old-domain");
        await("and are visits of that link", () -> count(tenant, "select count(*) from visit") >= 2);
        person.form("/setup/hosts", "/setup/hosts/" + host + "/forward", "link", "");
        await("until they no longer do", () -> http().visit(second, "any/thing").statusCode() == 404);
    }

    private UUID addPlan(String... rows) {
        UUID plan = UUID.randomUUID();
        java.util.List<String> fields =
                new java.util.ArrayList<>(java.util.List.of("name", "Print shop", "spelling", "UNDERSCORES"));
        String[] names = {"parameter", "from", "required", "values"};
        for (int i = 0; i < rows.length; i++) {
            fields.addAll(java.util.List.of(names[i % 4], rows[i]));
        }
        HttpResponse<String> answer =
                person.form("/setup/tag-plans/new", "/setup/tag-plans/" + plan, fields.toArray(String[]::new));
        assertThat(answer.statusCode()).as(answer.body()).isEqualTo(302);
        return plan;
    }

    @Test
    void links_are_tagged_by_the_plan_that_is_chosen() {
        UUID plan = addPlan(
                "brand",
                "FIXED",
                "no",
                "Godwit",
                "src",
                "SOURCE",
                "no",
                "",
                "placement",
                "TYPED",
                "yes",
                "Front window, Counter",
                "",
                "TYPED",
                "no",
                "");
        assertThat(desk("plan", plan.toString()).body())
                .contains("The tag plan wants Placement: one of Front window, Counter.");
        desk("plan", plan.toString(), "field.placement", "counter");
        assertThat(tagged()).isEqualTo("https://gliders.example/offer?brand=godwit&src=harbour_sign&placement=counter");
        desk();
        assertThat(tagged()).contains("utm_source=harbour-sign");
        person.form("/setup/tag-plans", "/setup/tag-plans/" + plan + "/default");
        assertThat(person.get("/setup/tag-plans").body()).contains("brand=godwit&amp;src=postcards_to_dunlin_bay");
        person.form("/setup/tag-plans", "/setup/tag-plans/" + plan + "/remove");
        assertThat(count(tenant, "select count(*) from tag_plan"))
                .as("the default stays")
                .isEqualTo(2);
        assertThat(person.form(
                                "/setup/tag-plans/new",
                                "/setup/tag-plans/" + plan,
                                "name",
                                "x",
                                "spelling",
                                "HYPHENS",
                                "parameter",
                                "wcl",
                                "from",
                                "SOURCE")
                        .body())
                .contains("choose another name");
    }

    @Test
    void tags_of_a_pasted_destination_are_offered_as_what_they_mean() {
        String pasted = "gliders.example/offer?a=1&utm_source=Harbour_Sign&utm_medium=sign&utm_campaign=Old";
        desk();
        HttpResponse<String> sheet = person.form("/issue", "/issue/sheet", "destination", pasted);
        assertThat(sheet.body()).contains("utm_source=Harbour_Sign", "Use them as source and campaign");
        HttpResponse<String> adopted = person.form("/issue", "/issue/adopt", "destination", pasted, "adopt", "0");
        assertThat(adopted.body())
                .contains(
                        "value=\"https://gliders.example/offer?a=1\"",
                        "value=\"Old\"",
                        "a=1&amp;utm_source=harbour-sign&amp;utm_medium=sign&amp;utm_campaign=old");
        assertThat(person.form("/issue", "/issue/adopt", "destination", pasted.replace("Harbour", "New"), "adopt", "0")
                        .body())
                .as("an unknown source is ready to be added")
                .contains("value=\"New_Sign\"");
        assertThat(person.form("/issue", "/issue/adopt", "destination", pasted, "adopt", "7")
                        .statusCode())
                .isEqualTo(200);
    }

    @Test
    void endings_come_from_a_pattern_and_are_numbered_where_taken() {
        desk("pattern", "{source}-{campaign}");
        desk("pattern", "{source}-{campaign}");
        assertThat(in(
                        tenant,
                        () -> jdbc.sql("select slug from link order by slug")
                                .query(String.class)
                                .list()))
                .containsExactly("harbour-sign-spring", "harbour-sign-spring-2");
        assertThat(desk("pattern", "{nonsense}").body())
                .contains("The pattern knows {campaign}, {channel}, {medium}, {source}");
    }

    @Test
    void each_destination_gets_a_link_for_each_source() {
        person.form("/issue", "/issue/source", "newSource", "Radio", "newChannel", "other");
        person.form("/issue", "/issue/source", "newSource", "Flyer", "newChannel", "print");
        java.util.List<String> fields = new java.util.ArrayList<>(java.util.List.of(
                "destination",
                "gliders.example/a",
                "destination",
                "gliders.example/b",
                "campaign",
                "Spring",
                "goAhead",
                "yes"));
        in(tenant, () -> jdbc.sql("select id from source").query(UUID.class).list())
                .forEach(source -> fields.addAll(java.util.List.of("source", source.toString())));
        assertThat(person.form("/issue", "/issue", fields.toArray(String[]::new))
                        .statusCode())
                .isEqualTo(302);
        assertThat(count(tenant, "select count(distinct (source_id, destination_id)) from link"))
                .isEqualTo(4);
    }

    @Test
    void terms_are_checked_and_kept() {
        String first = "2031-01-01";
        assertThat(desk(
                                "firstDay",
                                first,
                                "lastDay",
                                "2030-01-01",
                                "labels",
                                "x".repeat(41),
                                "paid",
                                "yes",
                                "owner",
                                "Nobody I know")
                        .body())
                .contains(
                        "The last day is before the first.",
                        "Enter where the link leads outside of its days",
                        "A label may have 40 characters",
                        "Enter what stands beside a paid link",
                        "Nobody here has the name");
        desk(
                "labels",
                "Shore, sea",
                "owner",
                tenant.email(),
                "paid",
                "yes",
                "disclosure",
                "Advertisement",
                "note",
                "Why");
        desk("labels", "SHORE,Sea ,shore", "lastDay", "2020-01-01", "outside", "gliders.example/over");
        assertThat(count(tenant, "select count(*) from link where labels = '{Shore,sea}'"))
                .as("a label keeps the spelling it has")
                .isEqualTo(2);
        assertThat(
                        count(
                                tenant,
                                "select count(*) from link where is_paid and disclosure = 'Advertisement' and owner_id is not null and note = 'Why'"))
                .isOne();
        String over = in(
                tenant,
                () -> jdbc.sql("select slug from link where last_day is not null")
                        .query(String.class)
                        .single());
        await("the host knows", () -> http().visit(tenant.host(), over).statusCode() == 302);
        assertThat(http().visit(tenant.host(), over)
                        .headers()
                        .firstValue("Location")
                        .orElseThrow())
                .as("its last day has passed")
                .startsWith("https://gliders.example/over?utm_source=harbour-sign");
    }

    @Test
    void a_failing_destination_is_issued_only_on_purpose() {
        person.form("/issue", "/issue/source", "newSource", "Radio", "newChannel", "other");
        String source = id("select id from source").toString();
        HttpResponse<String> refused = person.form(
                "/issue", "/issue", "destination", "nowhere.example", "campaign", "Spring", "source", source);
        assertThat(refused.statusCode()).isEqualTo(422);
        assertThat(refused.body()).contains("nowhere.example: There is no site of this name.", "Issue anyway");
        assertThat(person.form("/issue", "/issue/look", "destination", "nowhere.example")
                        .body())
                .contains("There is no site of this name.");
        assertThat(count(tenant, "select count(*) from link")).isZero();
        desk("destination", "nowhere.example");
        assertThat(count(tenant, "select count(*) from link")).isOne();
    }

    @Test
    void staff_may_issue_but_not_set_up() {
        String email = "staff@" + tenant.host() + ".example";
        in(tenant, () -> {
            accounts.join(accounts.register(email, "Sam Low", PASSWORD), Role.STAFF);
            return true;
        });
        Http staff = http().signIn(email);
        assertThat(staff.form("/setup", "/setup/hosts", "name", "x.gliders.example")
                        .statusCode())
                .isEqualTo(403);
        assertThat(staff.get("/setup/tag-plans/new").statusCode()).isEqualTo(403);
        assertThat(staff.get("/issue").statusCode()).isEqualTo(200);
    }
}
