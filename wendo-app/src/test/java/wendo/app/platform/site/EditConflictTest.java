package wendo.app.platform.site;

import static org.assertj.core.api.Assertions.assertThat;

import java.net.http.HttpResponse;
import java.util.ArrayList;
import java.util.Arrays;
import java.util.List;
import java.util.Map;
import java.util.UUID;
import org.junit.jupiter.api.BeforeEach;
import org.junit.jupiter.api.Test;
import wendo.app.Http;
import wendo.app.WendoTest;
import wendo.core.links.Channel;

/** Two people edit the same thing: the later one is told, and chooses. */
class EditConflictTest extends WendoTest {
    private Tenant tenant;
    private Http ola;
    private Http bo;
    private UUID link;

    @BeforeEach
    void open() {
        tenant = tenant("Plover Punts");
        ola = http().signIn(tenant.email());
        bo = http().signIn(tenant.email());
        http().issue(tenant.apiKey(), "https://punts.example/", "Spring", "Postcards");
        link = id("link");
    }

    private UUID id(String table) {
        return in(
                tenant,
                () -> jdbc.sql("select id from %s limit 1".formatted(table))
                        .query(UUID.class)
                        .single());
    }

    private String one(String sql) {
        return in(tenant, () -> jdbc.sql(sql).query(String.class).single());
    }

    private static String version(String page, String action) {
        String form = page.substring(page.indexOf("action=\"" + action + "\""));
        return form.replaceFirst("(?s).*?name=\"version\" value=\"(\\d+)\".*", "$1");
    }

    private static String plain(HttpResponse<String> answer) {
        return answer.body().replace("&#39;", "'").replace("&quot;", "\"");
    }

    private static HttpResponse<String> save(Http person, String page, String version, List<String> fields) {
        List<String> all = new ArrayList<>(fields);
        all.addAll(List.of("version", version));
        return person.form(page, page, all.toArray(String[]::new));
    }

    /** Both open the page, Bo saves first; Ola is asked, sees Bo's words beside hers, and keeps her own. */
    private void both(String page, List<String> bos, List<String> olas, String bosWords, String stored) {
        String version = version(ola.get(page).body(), page);
        assertThat(save(bo, page, version, bos).statusCode()).as("%s, Bo", page).isEqualTo(302);
        HttpResponse<String> asked = save(ola, page, version, olas);
        assertThat(asked.statusCode()).as("%s, Ola", page).isEqualTo(409);
        assertThat(plain(asked))
                .contains("Somebody else changed this while you were typing", "Save mine")
                .contains("Somebody else changed this to \"" + bosWords + "\" meanwhile.")
                .contains("<a class=\"button\" href=\"" + page + "\">Take theirs</a>");
        assertThat(one(stored)).as("%s, not yet Ola's", page).contains(bosWords);
        String now = version(asked.body(), page);
        assertThat(save(ola, page, now, olas).statusCode())
                .as("%s, again", page)
                .isEqualTo(302);
        assertThat(one(stored)).as("%s, Ola's", page).contains("Ola's");
    }

    private static List<String> named(String name, String... rest) {
        List<String> fields = new ArrayList<>(List.of("name", name));
        fields.addAll(Arrays.asList(rest));
        return fields;
    }

    @Test
    void of_two_who_describe_a_campaign_a_source_or_a_page_the_later_one_chooses() {
        both(
                "/setup/campaigns/" + id("campaign"),
                named("Bo's spring", "note", ""),
                named("Ola's spring", "note", ""),
                "Bo's spring",
                "select name from campaign");
        both(
                "/setup/sources/" + id("source where name = 'Postcards'"),
                named("Postcards", "channel", "print", "medium", "print", "note", "Bo's note"),
                named("Postcards", "channel", "print", "medium", "print", "note", "Ola's note"),
                "Bo's note",
                "select note from source where name = 'Postcards'");
        both(
                "/setup/destinations/" + id("destination"),
                named("Bo's page", "note", ""),
                named("Ola's page", "note", ""),
                "Bo's page",
                "select name from destination");
    }

    /** Before anything is stored there is nothing that a version could count; the later one is asked all the same. */
    @Test
    void of_two_who_are_the_first_to_set_something_the_later_one_is_asked_too() {
        List<String> target = List.of("/setup/targets", "source", "", "lead", "%s");
        List<String> message = List.of("/links/" + link + "/message", "text", "See {link} %s");
        for (List<String> form : List.of(target, message)) {
            String page = form.get(0);
            String version = version(ola.get(page).body(), page);
            assertThat(save(bo, page, version, filled(form, "12")).statusCode())
                    .as("%s, Bo", page)
                    .isEqualTo(302);
            assertThat(save(ola, page, version, filled(form, "10")).statusCode())
                    .as("%s, Ola", page)
                    .isEqualTo(409);
        }
    }

    private static List<String> filled(List<String> form, String with) {
        return form.stream().skip(1).map(field -> field.replace("%s", with)).toList();
    }

    @Test
    void identifiers_and_yes_or_no_are_not_shown_as_what_somebody_wrote() {
        assertThat(EditConflict.marks(
                        Map.of("owner", "", "open", "true", "note", "mine"),
                        Map.of("owner", "source:" + new UUID(1, 2), "open", "false", "note", "theirs")))
                .containsOnly(
                        Map.entry("owner", "Somebody else changed this meanwhile."),
                        Map.entry("open", "Somebody else changed this meanwhile."),
                        Map.entry("note", "Somebody else changed this to \"theirs\" meanwhile."));
    }

    @Test
    void a_link_that_was_changed_in_bulk_is_not_overwritten_by_its_page() {
        String page = "/links/" + link;
        String version = version(ola.get(page).body(), page);
        HttpResponse<String> bulk =
                bo.form("/links", "/links/changes", "link", link.toString(), "what", "label", "label", "summer");
        assertThat(one("select array_to_string(labels, ',') from link"))
                .as(bulk.body())
                .isEqualTo("summer");
        HttpResponse<String> asked = save(ola, page, version, named("Ola's name", "labels", "winter"));
        assertThat(asked.statusCode()).isEqualTo(409);
        assertThat(plain(asked))
                .contains("Somebody else changed this to \"summer\" meanwhile.", "value=\"Ola's name\"");
        assertThat(one("select array_to_string(labels, ',') from link")).isEqualTo("summer");
    }

    /** Settings that have no page of their own: the fault stands beside the field, and the later one may insist. */
    private void settings(String page, String action, String field, List<String> bosOlasAndStored) {
        String version = version(ola.get(page).body(), action);
        assertThat(bo.form(page, action, field, bosOlasAndStored.get(0), "version", version)
                        .statusCode())
                .isEqualTo(302);
        HttpResponse<String> asked = ola.form(page, action, field, bosOlasAndStored.get(1), "version", version);
        assertThat(asked.statusCode()).as(action).isEqualTo(409);
        assertThat(plain(asked))
                .contains("Somebody else changed this to \"" + bosOlasAndStored.get(2) + "\" meanwhile.")
                .contains("value=\"" + bosOlasAndStored.get(1) + "\"");
        assertThat(ola.form(page, action, field, bosOlasAndStored.get(1), "version", version(asked.body(), action))
                        .statusCode())
                .isEqualTo(302);
    }

    @Test
    void of_two_who_set_how_long_visits_are_kept_or_what_is_believed_the_later_one_chooses() {
        settings("/setup/visits", "/setup/visits", "months", List.of("6", "12", "6"));
        settings("/setup/site-tag", "/setup/site-tag/ceiling", "ceiling", List.of("900", "1200", "£900.00"));
        assertThat(one("select keeps_visits_months || ' ' || most_believed_minor from business"))
                .isEqualTo("12 120000");
    }

    @Test
    void of_two_who_set_hours_or_windows_the_later_one_chooses() {
        String hours = "/setup/handovers/hours";
        String version = version(ola.get("/setup/handovers").body(), hours);
        assertThat(hours(bo, "16:00", version).statusCode()).isEqualTo(302);
        HttpResponse<String> asked = hours(ola, "18:30", version);
        assertThat(asked.statusCode()).isEqualTo(409);
        assertThat(plain(asked)).contains("Somebody else changed this to \"16:00\" meanwhile.");
        assertThat(one("select cut_off::text from business")).isEqualTo("16:00:00");
        assertThat(hours(ola, "18:30", version(asked.body(), hours)).statusCode())
                .isEqualTo(302);

        String windows = "/setup/sources/windows";
        String shown = version(ola.get("/setup/sources").body(), windows);
        assertThat(windows(bo, "10", shown).statusCode()).isEqualTo(302);
        HttpResponse<String> refused = windows(ola, "20", shown);
        assertThat(refused.statusCode()).isEqualTo(409);
        assertThat(plain(refused)).contains("Somebody else changed this to \"10\" meanwhile.");
        assertThat(windows(ola, "20", version(refused.body(), windows)).statusCode())
                .isEqualTo(302);
    }

    private static HttpResponse<String> hours(Http person, String cutOff, String version) {
        return person.form(
                "/setup/handovers",
                "/setup/handovers/hours",
                "cutOff",
                cutOff,
                "quietFrom",
                "20:00",
                "quietUntil",
                "08:00",
                "version",
                version);
    }

    private static HttpResponse<String> windows(Http person, String days, String version) {
        List<String> fields = new ArrayList<>(List.of("version", version));
        for (Channel channel : Channel.values()) {
            fields.addAll(List.of(channel.key(), days));
        }
        return person.form("/setup/sources", "/setup/sources/windows", fields.toArray(String[]::new));
    }

    @Test
    void of_two_who_write_a_plan_the_later_one_chooses() {
        bo.form(
                "/setup/follow-up/new",
                "/setup/follow-up/new",
                "name",
                "Group days",
                "kind.0",
                "task",
                "body.0",
                "Ring them");
        both(
                "/setup/follow-up/" + id("follow_up_plan"),
                named("Group days", "kind.0", "task", "body.0", "Bo's text"),
                named("Group days", "kind.0", "task", "body.0", "Ola's text"),
                "Bo's text",
                "select body from follow_up_step where place = 0");
    }

    @Test
    void names_that_differ_by_large_letters_only_are_the_same_name() {
        String page = "/setup/follow-up/new";
        String[] plan = {"name", "Group days", "kind.0", "task", "body.0", "Ring them"};
        assertThat(bo.form(page, page, plan).statusCode()).isEqualTo(302);
        plan[1] = "group DAYS";
        HttpResponse<String> again = bo.form(page, page, plan);
        assertThat(again.body()).contains("There is a plan with this name.");
        assertThat(one("select count(*) from follow_up_plan where lower(name) = 'group days'"))
                .isEqualTo("1");
    }

    @Test
    void of_two_who_write_a_form_the_later_one_chooses() {
        List<String> rest =
                List.of("button", "Send", "thanks", "Thank you.", "purpose", "enquiry", "ask.email", "needed");
        List<String> first = new ArrayList<>(named("Group days", "title", "Ask us"));
        first.addAll(rest);
        bo.form("/setup/forms/new", "/setup/forms/new", first.toArray(String[]::new));
        List<String> bos = new ArrayList<>(named("Group days", "title", "Bo's title"));
        bos.addAll(rest);
        List<String> olas = new ArrayList<>(named("Group days", "title", "Ola's title"));
        olas.addAll(rest);
        both("/setup/forms/" + id("entry_form"), bos, olas, "Bo's title", "select title from entry_form");
    }

    @Test
    void a_lead_that_is_handed_out_while_a_round_is_saved_holds_nobody_up() {
        bo.form("/setup/handovers", "/setup/rounds", "name", "All");
        String page = "/setup/rounds/" + id("round");
        String person = one("select person_id::text from membership");
        String version = version(ola.get(page).body(), page);
        assertThat(save(ola, page, version, List.of("weight." + person, "2")).statusCode())
                .isEqualTo(302);
        String open = version(ola.get(page).body(), page);
        in(
                tenant,
                () -> jdbc.sql("update round_turn set given = given + 1, version = version + 1")
                        .update());
        assertThat(save(ola, page, open, List.of("weight." + person, "3")).statusCode())
                .as("a lead was handed out meanwhile")
                .isEqualTo(302);
        HttpResponse<String> late = save(bo, page, open, List.of("weight." + person, "4"));
        assertThat(late.statusCode()).as("somebody changed it meanwhile").isEqualTo(409);
        assertThat(plain(late)).contains("weight 3");
        assertThat(one("select weight::text from round_turn")).isEqualTo("3");
    }

    @Test
    void of_two_who_set_a_target_or_what_happens_to_leads_the_later_one_chooses() {
        assertThat(ola.form("/setup/targets", "/setup/targets", "source", "", "lead", "10", "version", "0")
                        .statusCode())
                .isEqualTo(302);
        HttpResponse<String> late =
                bo.form("/setup/targets", "/setup/targets", "source", "", "lead", "12", "version", "7");
        assertThat(late.statusCode()).isEqualTo(409);
        assertThat(plain(late)).contains("Somebody else changed this to \"10.00\" meanwhile.", "value=\"12\"");
        String page = "/setup/handovers/link/" + link;
        ola.form(page, page, "ownerIs", "none", "note", "First", "version", "0");
        both(
                page,
                List.of("ownerIs", "none", "note", "Bo's note"),
                List.of("ownerIs", "none", "note", "Ola's note"),
                "Bo's note",
                "select note from handover");
    }

    @Test
    void of_two_who_correct_a_spend_the_later_one_is_asked() {
        String source = "source:" + id("source where name = 'Postcards'");
        List<String> first = List.of(
                "subject", source, "way", "lump", "amount", "100", "firstDay", "2026-05-01", "lastDay", "2026-05-31");
        ola.form("/spend", "/spend", first.toArray(String[]::new));
        String page = "/spend/" + id("spend");
        List<String> bos = new ArrayList<>(first);
        bos.addAll(List.of("note", "Bo's note"));
        List<String> olas = new ArrayList<>(first);
        olas.addAll(List.of("note", "Ola's note"));
        String shown = ola.get(page).body();
        String version = shown.replaceFirst("(?s).*?name=\"version\" value=\"(\\d+)\".*", "$1");
        assertThat(save(bo, page, version, bos).statusCode()).isEqualTo(302);
        HttpResponse<String> asked = save(ola, page, version, olas);
        assertThat(asked.statusCode()).isEqualTo(409);
        assertThat(plain(asked)).contains("Somebody else changed this to \"Bo's note\" meanwhile.", "Ola's note");
        assertThat(one("select note from spend")).isEqualTo("Bo's note");
        assertThat(one("select count(*)::text from spend_correction")).isEqualTo("1");
    }

    @Test
    void of_two_who_put_an_outcome_right_or_move_a_lead_the_later_one_is_asked() {
        http().post(
                        tenant.apiKey(),
                        "/api/v1/outcomes",
                        "{\"kind\": \"booking\", \"reference\": \"B-1\", \"value\": 95}");
        String outcome = "/outcomes/" + id("outcome");
        String shown = version(ola.get(outcome).body(), outcome);
        assertThat(save(bo, outcome, shown, List.of("status", "confirmed", "value", "90"))
                        .statusCode())
                .isEqualTo(302);
        HttpResponse<String> asked = save(ola, outcome, shown, List.of("status", "confirmed", "value", "80"));
        assertThat(asked.statusCode()).isEqualTo(409);
        assertThat(plain(asked)).contains("Somebody else changed this to \"90.00\" meanwhile.", "value=\"80\"");
        assertThat(one("select value_minor::text from outcome")).isEqualTo("9000");
        http().post(
                        tenant.apiKey(),
                        "/api/v1/outcomes",
                        "{\"kind\": \"lead\", \"reference\": \"L-1\", \"email\": \"ada@post.example\"}");
        await(
                "it is a lead",
                () -> one("select count(*)::text from lead where handed_at is not null")
                        .equals("1"));
        String lead = "/leads/" + one("select outcome_id::text from lead");
        String page = ola.get(lead).body();
        String version = version(page, lead + "/stage");
        assertThat(stage(bo, lead, version, "lost").statusCode()).isEqualTo(302);
        HttpResponse<String> late = stage(ola, lead, version, "won");
        assertThat(late.statusCode()).isEqualTo(409);
        assertThat(plain(late)).contains("Somebody else changed this to \"lost\" meanwhile.");
        assertThat(one("select stage from lead")).isEqualTo("lost");
    }

    private static HttpResponse<String> stage(Http person, String lead, String version, String stage) {
        return person.form(lead, lead + "/stage", "stage", stage, "reason", "Too far", "version", version);
    }

    @Test
    void what_differs_is_said_field_by_field() {
        record Form(String name, String note) {}
        assertThat(EditConflict.marks(new Form("Our count", "same"), new Form("Theirs", "same ")))
                .isEqualTo(Map.of("name", "Somebody else changed this to \"Theirs\" meanwhile."));
        assertThat(EditConflict.marks(Map.of("note", "typed"), Map.of("note", "")))
                .isEqualTo(Map.of("note", "Somebody else emptied this meanwhile."));
    }
}
