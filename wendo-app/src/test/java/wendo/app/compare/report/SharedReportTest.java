package wendo.app.compare.report;

import static org.assertj.core.api.Assertions.assertThat;

import java.net.http.HttpResponse;
import java.util.List;
import java.util.regex.Matcher;
import java.util.regex.Pattern;
import java.util.stream.IntStream;
import org.apache.pdfbox.Loader;
import org.apache.pdfbox.text.PDFTextStripper;
import org.junit.jupiter.api.Test;
import wendo.app.Http;
import wendo.app.compare.table.SmallSeason;

class SharedReportTest extends SmallSeason {
    private static final Pattern ADDRESS = Pattern.compile("/t/reports/[\\w-]+");
    private static final String HERE = "/compare/reports?period=7d&by=source&kind=booking";

    private Http owner() {
        return http().signIn(tenant.email());
    }

    private static HttpResponse<String> share(Http person, String kept, String lastDay, String... sections) {
        List<String> fields =
                new java.util.ArrayList<>(List.of("title", "For Idris", "kept", kept, "lastDay", lastDay));
        for (String section : sections) {
            fields.addAll(List.of("section", section));
        }
        return person.form(HERE, HERE, fields.toArray(String[]::new));
    }

    private static String today(int plusDays) {
        return java.time.LocalDate.now(java.time.ZoneOffset.UTC)
                .plusDays(plusDays)
                .toString();
    }

    private static String address(Http person) {
        Matcher found = ADDRESS.matcher(person.get(HERE).body());
        assertThat(found.find()).isTrue();
        return found.group();
    }

    @Test
    void a_stranger_sees_what_was_chosen_and_nothing_of_a_person() {
        Http person = owner();
        assertThat(share(person, "live", today(30), "answer", "table", "pairs", "months")
                        .statusCode())
                .isEqualTo(302);
        HttpResponse<String> open = http().get(address(person));
        assertThat(open.statusCode()).isEqualTo(200);
        assertThat(open.body())
                .contains("For Idris", "Godwit Gear", "Postcards", "£95.10", "Total")
                .doesNotContain("B-1", "/outcomes/", "/compare/", "/setup", tenant.email());
        assertThat(open.headers().firstValue("X-Robots-Tag")).contains("noindex, nofollow");
        assertThat(open.headers().firstValue("Cache-Control")).contains("private, no-store");
        assertThat(person.get(HERE).body()).contains("opened once");
    }

    @Test
    void a_live_one_goes_on_and_a_frozen_one_stays() {
        Http person = owner();
        share(person, "live", today(30), "table");
        String live = address(person);
        share(person, "frozen", today(30), "table");
        String frozen = address(person);
        assertThat(frozen).isNotEqualTo(live);
        report("booking", "B-7", "1000", "");
        await("the booking is counted", () -> http().get(live).body().contains("£1,265.09"));
        assertThat(http().get(frozen).body()).contains("£265.09", "As of").doesNotContain("£1,265.09");
        assertThat(http().get(frozen).body())
                .as("icons go by a name that stays")
                .contains("/assets/icons.svg#")
                .doesNotContainPattern("/assets/icons-[0-9a-f]+\\.svg");
    }

    @Test
    void taken_back_or_over_it_is_gone_for_everybody() {
        Http person = owner();
        share(person, "live", today(0), "answer");
        String address = address(person);
        in(
                tenant,
                () -> jdbc.sql("update shared_report set last_day = last_day - 2")
                        .update());
        assertThat(http().get(address).statusCode())
                .as("its last day has passed")
                .isEqualTo(404);
        assertThat(person.get(HERE).body()).contains("Its last day was");
        in(
                tenant,
                () -> jdbc.sql("update shared_report set last_day = last_day + 9")
                        .update());
        assertThat(http().get(address).statusCode()).isEqualTo(200);
        String id = in(
                tenant,
                () -> jdbc.sql("select id from shared_report")
                        .query(String.class)
                        .single());
        Http stranger = http().signIn(tenant("Somebody Else").email());
        assertThat(stranger.form(HERE, "/compare/reports/" + id + "/revoke").statusCode())
                .isEqualTo(404);
        assertThat(http().get(address).statusCode()).isEqualTo(200);
        assertThat(person.form(HERE, "/compare/reports/" + id + "/revoke").statusCode())
                .isEqualTo(302);
        HttpResponse<String> gone = http().get(address);
        assertThat(gone.statusCode()).isEqualTo(404);
        assertThat(gone.body()).contains("This report cannot be opened").doesNotContain("Godwit");
        assertThat(http().get(address + "x").body()).isEqualTo(gone.body());
    }

    @Test
    void what_cannot_be_shared_is_said_and_kept_as_typed() {
        Http person = owner();
        assertThat(share(person, "live", "soon", "answer").body())
                .contains("Choose a day, like 2026-05-01.", "For Idris");
        assertThat(share(person, "live", today(900), "answer").body()).contains("Choose a day from today to");
        assertThat(share(person, "live", today(3)).body()).contains("Choose at least one part to show.");
        HttpResponse<String> owners = person.form(
                HERE, HERE.replace("by=source", "by=owner"), "title", "x", "lastDay", today(3), "section", "table");
        assertThat(owners.statusCode()).isEqualTo(422);
        assertThat(owners.body()).contains("By owner the report would name people.");
        assertThat(person.get(HERE).body()).doesNotContain("/t/reports/");
    }

    @Test
    void on_paper_the_sum_stands_once_however_many_pages_there_are() throws Exception {
        for (int sheet = 0; sheet < 4; sheet++) {
            int first = sheet * 15;
            http().issue(
                            tenant.apiKey(),
                            "https://godwit.example/",
                            "Spring",
                            IntStream.range(first, first + 15)
                                    .mapToObj(number -> "Village " + number)
                                    .toArray(String[]::new));
        }
        byte[] pdf = owner().bytes(owner().request("/compare/comparison.pdf?period=7d&kind=booking"));
        try (var document = Loader.loadPDF(pdf)) {
            assertThat(document.getNumberOfPages()).isGreaterThan(1);
            assertThat(new PDFTextStripper().getText(document).split("Total", -1))
                    .hasSize(2);
        }
    }

    /** Read again by another library than the one that wrote it. */
    @Test
    void on_paper_each_figure_has_its_interval() throws Exception {
        Http person = owner();
        byte[] pdf = person.bytes(person.request("/compare/comparison.pdf?period=7d&kind=booking"));
        try (var document = Loader.loadPDF(pdf)) {
            String text = new PDFTextStripper().getText(document);
            assertThat(text)
                    .contains(
                            "Godwit Gear", "Postcards", "20.0%", "3.6% to 62.4%", "£50.01", "£8.98 to £1,975", "1 / 1");
        }
    }
}
