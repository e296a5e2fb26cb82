package wendo.app.issue.batches;

import static org.assertj.core.api.Assertions.assertThat;

import java.io.ByteArrayOutputStream;
import java.io.IOException;
import java.net.http.HttpRequest;
import java.net.http.HttpResponse;
import java.nio.charset.StandardCharsets;
import java.util.ArrayList;
import java.util.List;
import java.util.UUID;
import java.util.regex.Matcher;
import java.util.regex.Pattern;
import org.junit.jupiter.api.BeforeEach;
import org.junit.jupiter.api.Test;
import wendo.app.Http;
import wendo.app.WendoTest;
import wendo.app.platform.tables.Table;
import wendo.app.platform.tables.TableReader;
import wendo.app.platform.tables.TableWriter;

class BatchesTest extends WendoTest {
    private Tenant tenant;
    private Http person;

    @BeforeEach
    void open() {
        tenant = tenant("Turnstone Tours");
        person = http().signIn(tenant.email());
    }

    private String paste(String table) {
        HttpResponse<String> answer = person.form("/issue/files", "/issue/files", "pasted", table);
        assertThat(answer.statusCode()).as(answer.body()).isEqualTo(302);
        return answer.headers().firstValue("Location").orElseThrow().replaceFirst("^.*(/issue/files/)", "$1");
    }

    /** Sends the form of the columns as it is shown, with changes, and waits for the report. */
    private String check(String batch, String... changes) {
        Matcher selected = Pattern.compile("<select id=\"column-([^\"]+)\".*?</select>", Pattern.DOTALL)
                .matcher(person.get(batch + "/columns").body());
        List<String> fields = new ArrayList<>(List.of(changes));
        while (selected.find()) {
            Matcher value = Pattern.compile("value=\"(\\d+)\"\\s+selected").matcher(selected.group());
            String name = "column." + selected.group(1);
            if (value.find() && !fields.contains(name)) {
                fields.addAll(List.of(name, value.group(1)));
            }
        }
        person.form(batch + "/columns", batch + "/check", fields.toArray(String[]::new));
        return reportOf(batch);
    }

    private String reportOf(String batch) {
        await(
                "the work on it ends",
                () -> count(
                                tenant,
                                "select count(*) from batch where state in ('checking', 'issuing') and id = '%s'"
                                        .formatted(batch.replaceFirst("^.*/", "")))
                        == 0);
        return person.get(batch).body();
    }

    private Table result(String batch, String kind) {
        HttpRequest.Builder request = person.request(batch + "/result." + kind);
        return TableReader.read(person.bytes(request));
    }

    @Test
    void columns_are_matched_by_their_headings_and_by_hand() {
        String batch = paste("""
                Where;Landing page;Slug;Push;Remarks
                Postcards to Rill;tours.example/a;Rill-1;Spring;first
                Radio;tours.example/b;;Spring;
                """);
        String report = check(batch, "column.source", "0");
        assertThat(report).contains("All 2 rows are fine", "Postcards to Rill · Spring (new source)", "/rill-1");
        assertThat(count(tenant, "select count(*) from link"))
                .as("nothing is made yet")
                .isZero();
        assertThat(report)
                .as("nobody answers for a name that is reserved")
                .contains("2 pages failed their check", "https://tours.example/a: ");
        HttpResponse<String> asked = person.form(batch, batch + "/issue");
        assertThat(asked.statusCode()).isEqualTo(422);
        assertThat(asked.body()).contains("role=\"alert\"");
        person.form(batch, batch + "/issue", "goAhead", "true");
        assertThat(reportOf(batch)).contains("2 links issued");
        assertThat(count(tenant, "select count(*) from link where note = 'first' and slug = 'rill-1'"))
                .isOne();
        assertThat(report)
                .as("what was shown is what was made")
                .contains(in(
                        tenant,
                        () -> jdbc.sql("select slug from link where slug <> 'rill-1'")
                                .query(String.class)
                                .single()));
    }

    @Test
    void every_wrong_row_is_told_its_line_its_column_and_why() {
        http().issue(tenant.apiKey(), "https://tours.example/", "Spring", "Radio");
        String taken = in(
                tenant,
                () -> jdbc.sql("select slug from link").query(String.class).single());
        String batch = paste("""
                Source,Destination,Campaign,Ending,Channel,Last day,Owner
                Radio,tours.example,Spring,%s,,,

                Radio,ftp://tours.example,Spring,,,,
                --,tours.example,,twin,,,
                Radio,tours.example,Spring,tw1n,pigeon,,
                New one,tours.example,Spring,,pigeon,31/02/2027,Nobody
                Radio,tours.example,Spring,,,,
                """.formatted(taken));
        String report = check(batch);
        assertThat(report)
                .contains(
                        "5 of 6 rows are wrong",
                        "Ending: “" + taken + "” is taken by another link. “" + taken + "-2” is free.",
                        "Destination: Only http and https",
                        "Source: Name the new source",
                        "Campaign: Choose a campaign",
                        "Ending: Another link on this sheet has this ending",
                        "Channel: There is no channel “pigeon”",
                        "Last day: “31/02/2027” is not a day. Write it like 31/12/2026.",
                        "Owner: Nobody here has the name",
                        "Issue only the 1 good one");
        assertThat(person.get(batch + "?show=good").body()).contains(">8<").doesNotContain(">7<");
        person.form(batch, batch + "/issue", "goAhead", "true");
        assertThat(reportOf(batch)).contains("1 link issued");
        assertThat(count(tenant, "select count(*) from link")).isEqualTo(2);
        assertThat(count(tenant, "select count(*) from source")).isOne();
    }

    @Test
    void the_result_has_the_same_columns_and_can_come_back() throws IOException {
        String batch = paste("Source\tDestination\tCampaign\tOur own\nRadio\ttours.example\tSpring\t=1+1\n");
        check(batch);
        person.form(batch, batch + "/issue", "goAhead", "true");
        reportOf(batch);
        for (String kind : List.of("csv", "xlsx")) {
            Table table = result(batch, kind);
            assertThat(table.columns())
                    .containsExactly(
                            "Source", "Destination", "Campaign", "Our own", "Link", "Leads to", "What happened");
            assertThat(table.rows().get(0).cell(3)).isEqualTo("=1+1");
            assertThat(table.rows().get(0).cell(4)).startsWith("http://" + tenant.host());
            assertThat(table.rows().get(0).cell(6)).isEqualTo("issued");
        }
        Table table = result(batch, "csv");
        List<List<String>> rows = new ArrayList<>();
        table.rows().forEach(row -> rows.add(row.cells()));
        rows.add(List.of("Flyer", "tours.example", "Spring"));
        rows.add(List.of("Flyer", "tours.example", "Spring", "", "http://elsewhere.example/x"));
        ByteArrayOutputStream csv = new ByteArrayOutputStream();
        TableWriter.writeCsv(table.columns(), rows, csv);
        String again = paste(csv.toString(StandardCharsets.UTF_8).replace("\uFEFF", ""));
        assertThat(check(again))
                .contains(
                        "1 of 3 rows are wrong", "Already a link", "you have no link &quot;http://elsewhere.example/x");
        person.form(again, again + "/issue", "goAhead", "true");
        reportOf(again);
        assertThat(count(tenant, "select count(*) from link")).isEqualTo(2);
        assertThat(result(again, "csv").rows().get(0).cell(6)).isEqualTo("was a link already");
    }

    @Test
    void what_changed_between_the_report_and_the_issue_issues_nothing() {
        String batch = paste(
                "Source,Destination,Campaign,Ending\nRadio,tours.example,Spring,wanted\nFlyer,tours.example,Spring,\n");
        check(batch);
        http().post(
                        tenant.apiKey(),
                        "/api/v1/links",
                        "{\"destination\": \"tours.example\", \"campaign\": \"Spring\", \"sources\": [{\"source\": \"Quick\", \"slug\": \"wanted\"}]}");
        person.form(batch, batch + "/issue", "goAhead", "true");
        assertThat(reportOf(batch))
                .contains("Something changed since the check", "1 of 2 rows are wrong", "is taken by another link");
        assertThat(count(tenant, "select count(*) from link")).isOne();
    }

    @Test
    void a_file_is_issued_once_and_belongs_to_one_business() {
        String batch = paste("Source,Destination,Campaign\nRadio,tours.example,Spring\n");
        check(batch);
        person.form(batch, batch + "/issue", "goAhead", "true");
        person.form(batch, batch + "/issue", "goAhead", "true");
        reportOf(batch);
        person.form(batch, batch + "/issue", "goAhead", "true");
        person.form(batch, batch + "/drop");
        assertThat(person.get(batch).body()).contains("1 link issued");
        assertThat(count(tenant, "select count(*) from link")).isOne();
        Http other = http().signIn(tenant("Dotterel Dives").email());
        assertThat(other.get(batch).statusCode()).isEqualTo(404);
        assertThat(other.get("/issue/files/" + UUID.randomUUID()).statusCode()).isEqualTo(404);
        assertThat(person.form("/issue/files", "/issue/files", "pasted", " ").body())
                .contains("Choose a file, or paste a table.");
        assertThat(person.form("/issue/files", "/issue/files", "pasted", "one line <b>")
                        .body())
                .contains("It has a heading and no rows.", "one line &lt;b&gt;");
    }

    @Test
    void thousands_of_rows_of_one_pattern_get_as_many_endings() {
        StringBuilder table = new StringBuilder("Source,Note\n");
        for (int i = 0; i < 2_000; i++) {
            table.append("Village ").append(i % 40).append(",row ").append(i).append('\n');
        }
        String batch = paste(table.toString());
        String report = check(
                batch,
                "usual.destination",
                "tours.example",
                "usual.campaign",
                "Spring",
                "pattern",
                "{source}-{campaign}");
        assertThat(report).contains("All 2,000 rows are fine", "village-0-spring", "From line 102 on");
        person.form(batch, batch + "/issue", "goAhead", "true");
        assertThat(reportOf(batch)).contains("2,000 links issued");
        assertThat(count(tenant, "select count(distinct skeleton) from link")).isEqualTo(2_000);
        await(
                "the host knows the last of them",
                () -> http().visit(tenant.host(), "village-39-spring-50").statusCode() == 302);
    }
}
