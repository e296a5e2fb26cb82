package wendo.app.outcome.imports;

import static org.assertj.core.api.Assertions.assertThat;

import java.io.ByteArrayOutputStream;
import java.io.IOException;
import java.net.http.HttpResponse;
import java.nio.charset.Charset;
import java.nio.charset.StandardCharsets;
import java.time.Instant;
import java.time.LocalDate;
import java.time.ZoneId;
import java.util.List;
import org.apache.poi.ss.usermodel.CellStyle;
import org.apache.poi.ss.usermodel.Row;
import org.apache.poi.ss.usermodel.Sheet;
import org.apache.poi.xssf.usermodel.XSSFWorkbook;
import org.junit.jupiter.api.BeforeEach;
import org.junit.jupiter.api.Test;
import wendo.app.Http;
import wendo.app.WendoTest;
import wendo.core.visits.ClickId;

class ImportsTest extends WendoTest {
    private static final String MAY = """
            Order;Date;Total;Coupon;Customer
            T-1;31/05/2026;£ 1.250,50;REED 10;Zoë Marsh
            T-2;01/06/2026;80,00;;Ines
            T-3;02/06/2026;much;REED10;Bo
            T-1;31/05/2026;1.250,50;REED10;Zoë Marsh
            """;

    private Tenant tenant;
    private Http person;

    @BeforeEach
    void open() {
        tenant = tenant("Sandpiper Shop");
        person = http().signIn(tenant.email());
        http().issue(tenant.apiKey(), "https://sandpiper.example/", "Spring", "Reed Campsite");
    }

    private String campsite() {
        return in(
                tenant,
                () -> jdbc.sql("select id::text from source")
                        .query(String.class)
                        .single());
    }

    private String bring(byte[] file, String name) {
        return new OutcomeFiles(person).bring(file, name);
    }

    private void check(String page, String... fields) {
        new OutcomeFiles(person).check(page, fields);
    }

    private void run(String page) {
        new OutcomeFiles(person).run(page);
    }

    private String outcomes() {
        return in(
                tenant,
                () -> String.join(", ", jdbc.sql("""
                        select reference || ' ' || value_minor || ' ' || name from outcome order by reference
                        """).query(String.class).list()));
    }

    @Test
    void a_tills_file_says_each_rows_fate_is_imported_once_and_undone() {
        person.form("/setup/codes", "/setup/codes", "kind", "code", "text", "reed10", "source", campsite());
        String page = bring(MAY.getBytes(Charset.forName("windows-1252")), "May till.csv");
        assertThat(person.get(page).body())
                .contains(
                        "Windows-1252 with semicolons",
                        "value=\"comma\" selected",
                        "value=\"day_first\" selected",
                        "Zoë Marsh");
        check(page, "kind", "purchase");
        assertThat(person.get(page).body())
                .contains(
                        "All 4",
                        "1 known",
                        "1 new",
                        "1 refused",
                        "1 unmatched",
                        "Nothing in the row says",
                        "It appears again in line 5, which counts.")
                .contains("“much” is not an amount.", "Its code tells where it came from.");
        assertThat(count(tenant, "select count(*) from outcome"))
                .as("looking changes nothing")
                .isZero();
        run(page);
        assertThat(outcomes()).isEqualTo("T-1 125050 Zoë Marsh, T-2 8000 Ines");
        await("the code earns", () -> count(tenant, "select coalesce(sum(last_touch_minor), 0) from credit") == 125050);
        String again = bring(MAY.getBytes(StandardCharsets.UTF_8), "May till.csv");
        assertThat(person.get(again).body()).contains("are read in the same way");
        check(again, "kind", "purchase");
        assertThat(person.get(again).body()).contains("3 known", "1 refused");
        run(again);
        assertThat(outcomes()).isEqualTo("T-1 125050 Zoë Marsh, T-2 8000 Ines");
        assertThat(count(tenant, "select count(*) from outcome_change")).isZero();
        person.form(page, page + "/undo");
        assertThat(outcomes()).isEmpty();
        assertThat(count(tenant, "select count(*) from credit")).isZero();
    }

    @Test
    void a_later_report_changes_what_it_tells_and_undoing_it_leaves_alone_what_others_changed() {
        String first = bring(
                "Order,Total,Status\nP-1,10.00,pending\nP-2,20.00,pending\n".getBytes(StandardCharsets.UTF_8),
                "one.csv");
        check(first, "kind", "purchase", "partner", campsite());
        run(first);
        await("the partner's report joins them", () -> count(tenant, "select count(*) from credit") == 2);
        String second = bring(
                "Order,Total,Status\nP-1,12.50,approved\nP-2,0.00,declined\n".getBytes(StandardCharsets.UTF_8),
                "two.csv");
        check(second, "kind", "purchase", "partner", campsite());
        assertThat(person.get(second).body()).contains("2 changed");
        run(second);
        assertThat(count(tenant, "select sum(kept_minor) from outcome")).isEqualTo(1250);
        http().post(
                        tenant.apiKey(),
                        "/api/v1/outcomes",
                        "{\"kind\": \"purchase\", \"reference\": \"P-2\", \"value\": 7, \"status\": \"open\"}");
        HttpResponse<String> undone = person.form(second, second + "/undo");
        assertThat(undone.statusCode()).isEqualTo(302);
        assertThat(person.get(second).body())
                .contains(
                        "1 outcome is as before. 1 was left alone: changed by others since, won from a lead, or written to.");
        assertThat(count(tenant, "select sum(kept_minor) from outcome")).isEqualTo(1000 + 700);
    }

    /** The other library is Apache POI. */
    @Test
    void a_workbook_of_another_library_is_read_with_its_days_and_numbers() throws IOException {
        ByteArrayOutputStream file = new ByteArrayOutputStream();
        try (XSSFWorkbook workbook = new XSSFWorkbook()) {
            Sheet sheet = workbook.createSheet("Bookings");
            Row heading = sheet.createRow(0);
            List<String> names = List.of("Booking ref", "Booked on", "Gross", "Email");
            for (int i = 0; i < names.size(); i++) {
                heading.createCell(i).setCellValue(names.get(i));
            }
            CellStyle day = workbook.createCellStyle();
            day.setDataFormat(workbook.createDataFormat().getFormat("dd/mm/yyyy"));
            Row row = sheet.createRow(1);
            row.createCell(0).setCellValue("W-1");
            row.createCell(1).setCellValue(LocalDate.of(2026, 5, 3));
            row.getCell(1).setCellStyle(day);
            row.createCell(2).setCellValue(1234.5);
            row.createCell(3).setCellValue("Ines@marsh.example");
            workbook.write(file);
        }
        String page = bring(file.toByteArray(), "bookings.xlsx");
        check(page);
        assertThat(person.get(page).body()).contains("1 new");
        run(page);
        String stored = in(
                tenant,
                () -> jdbc.sql(
                                "select kind || ' ' || value_minor || ' ' || email || ' ' || (occurred_at at time zone 'Europe/London') from outcome")
                        .query(String.class)
                        .single());
        assertThat(stored).isEqualTo("booking 123450 ines@marsh.example 2026-05-03 23:59:59.999999");
    }

    @Test
    void without_a_reference_nothing_goes_on_and_another_business_sees_no_file() {
        String page = bring("A,B\n1,2\n".getBytes(StandardCharsets.UTF_8), "x.csv");
        HttpResponse<String> refused = person.form(page, page + "/check", "kind", "booking");
        assertThat(refused.statusCode()).isEqualTo(422);
        assertThat(refused.body()).contains("the column that names each outcome");
        assertThat(http().signIn(tenant("Strangers").email()).get(page).statusCode())
                .isEqualTo(404);
        person.form(page, page + "/drop");
        assertThat(person.get(page).statusCode()).isEqualTo(404);
    }

    /** A day alone in a file, beside a booking that the site reported with its click at 15:30 of the same day. */
    @Test
    void a_day_alone_moves_no_known_time_takes_no_credit_and_undoing_brings_everything_back() {
        String slug = in(
                tenant,
                () -> jdbc.sql("select slug from link").query(String.class).single());
        String click = Http.click(http().visit(tenant.host(), slug));
        Instant visited = ClickId.find(click).orElseThrow().arrivedAt();
        String day = LocalDate.ofInstant(visited, ZoneId.of("Europe/London")).toString();
        http().post(tenant.apiKey(), "/api/v1/outcomes", """
                {"kind": "booking", "reference": "Bk-7", "value": 95, "clickId": "%s"}""".formatted(click));
        await("it is credited", () -> credited() == 9500);
        String before = outcome("bk-7");
        String file = bring(
                ("Booking ref,Booked on,Total\nBK-7 ," + day + ",95.00\n").getBytes(StandardCharsets.UTF_8), "a.csv");
        check(file, "kind", "booking");
        assertThat(person.get(file).body()).contains("1 known", "Already there.");
        run(file);
        assertThat(outcome("bk-7")).isEqualTo(before);
        assertThat(credited()).isEqualTo(9500);

        String other = bring(
                "Booking ref,Booked on,Total,Email\nBk-7,2026-01-05,90.00,ada@reed.example\n"
                        .getBytes(StandardCharsets.UTF_8),
                "b.csv");
        check(other, "kind", "booking");
        assertThat(person.get(other).body())
                .contains(
                        "Value changed from £95.00 to £90.00; time moved from ",
                        " to 5 Jan 2026; e-mail set to ada@reed.example.");
        run(other);
        await("the visit lies after it now", () -> credited() == 0);
        person.form(other, other + "/undo");
        assertThat(person.get(other).body()).contains("1 outcome is as before.");
        assertThat(outcome("bk-7")).isEqualTo(before);
        await("the credit is back", () -> credited() == 9500);
    }

    private long credited() {
        return count(tenant, "select coalesce(sum(last_touch_minor), 0) from credit");
    }

    private String outcome(String key) {
        return in(
                tenant,
                () -> jdbc.sql(
                                "select reference || value_minor || occurred_at || click_id || email || (day_began_at is null) from outcome where reference_key = ?")
                        .param(key)
                        .query(String.class)
                        .single());
    }

    @Test
    void an_outcome_with_a_day_alone_counts_every_touch_of_that_day() {
        String slug = in(
                tenant,
                () -> jdbc.sql("select slug from link").query(String.class).single());
        String click = Http.click(http().visit(tenant.host(), slug));
        await("the visit is stored", () -> count(tenant, "select count(*) from visit") == 1);
        String day = LocalDate.ofInstant(ClickId.find(click).orElseThrow().arrivedAt(), ZoneId.of("Europe/London"))
                .toString();
        String file = bring(
                ("Booking ref,Booked on,Total,Click ID\nD-1," + day + ",10.00," + click + "\nD-2," + day
                                + ",20.00,0" + click.substring(0, 25).replace(click.charAt(5), 'z')
                                + "\nD-3,2026-01-05,1.00," + click
                                + "\nD-4," + day + ",1.00,nonsense\n")
                        .getBytes(StandardCharsets.UTF_8),
                "clicks.csv");
        check(file, "kind", "booking");
        assertThat(person.get(file).body())
                .contains(
                        "Its click identifier tells where it came from.",
                        "The visit of its click identifier came after it, so it earns nothing.",
                        "“nonsense” is no click identifier, so it was left out.");
        run(file);
        await("it is credited", () -> credited() == 1000);
        assertThat(person.get("/outcomes").body()).contains("D-1");
    }

    @Test
    void an_amount_in_another_currency_is_refused_and_a_layout_that_does_not_fit_asks() {
        String first =
                bring("Order,Booked on,Total\nA,13/02/2026,\"1.500,00\"\n".getBytes(StandardCharsets.UTF_8), "de.csv");
        check(first, "kind", "purchase");
        String second = bring(
                "Order,Booked on,Total\nB,02/13/2026,£10.00\nC,02/14/2026,€12.00\nD,02/15/2026,USD 12.00\n"
                        .getBytes(StandardCharsets.UTF_8),
                "us.csv");
        HttpResponse<String> asked = new OutcomeFiles(person).answer(second, "kind", "purchase");
        assertThat(asked.statusCode()).isEqualTo(422);
        assertThat(asked.body()).contains("“02/13/2026” is written in another way than chosen here.");
        check(second, "kind", "purchase", "days", "month_first", "amounts", "point");
        assertThat(person.get(second).body())
                .contains(
                        "1 unmatched",
                        "2 refused",
                        "“€12.00” is not in GBP. Convert it first.",
                        "“USD 12.00” is not in GBP.");
    }
}
