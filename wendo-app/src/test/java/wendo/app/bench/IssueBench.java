package wendo.app.bench;

import static org.assertj.core.api.Assertions.assertThat;
import static wendo.app.bench.Bench.say;
import static wendo.app.bench.Bench.seconds;

import java.lang.management.ManagementFactory;
import java.lang.management.MemoryPoolMXBean;
import java.lang.management.MemoryType;
import java.net.URLEncoder;
import java.nio.charset.StandardCharsets;
import java.util.ArrayList;
import java.util.Arrays;
import java.util.List;
import java.util.UUID;
import java.util.regex.Matcher;
import java.util.regex.Pattern;
import java.util.stream.Collectors;
import org.apache.pdfbox.Loader;
import org.apache.pdfbox.pdmodel.PDDocument;
import org.junit.jupiter.api.BeforeEach;
import org.junit.jupiter.api.Tag;
import org.junit.jupiter.api.Test;
import wendo.app.Http;
import wendo.app.WendoTest;

/** {@code ./wendo bench issue}: what issuing and keeping many links takes, over HTTP, beside a plain measure in the same run. */
@Tag("bench")
class IssueBench extends WendoTest {
    private static final int ROWS = 10_000;
    private static final int LINKS = 50_000;
    private static final int SEARCHES = 400;

    private Tenant tenant;
    private Http person;

    @BeforeEach
    void open() {
        tenant = tenant("Brent Boats");
        person = http().signIn(tenant.email());
    }

    private static long heapPeakMegabytes() {
        return ManagementFactory.getMemoryPoolMXBeans().stream()
                        .filter(pool -> pool.getType() == MemoryType.HEAP)
                        .mapToLong(pool -> pool.getPeakUsage().getUsed())
                        .sum()
                / 1024
                / 1024;
    }

    @Test
    void a_file_of_10_000_links() {
        StringBuilder table = new StringBuilder("Source,Destination,Campaign,Ending\n");
        for (int i = 0; i < ROWS; i++) {
            table.append("Shop %d,boats.example/page-%d,Spring,\n".formatted(i % 40, i % 20));
        }
        System.gc();
        ManagementFactory.getMemoryPoolMXBeans().forEach(MemoryPoolMXBean::resetPeakUsage);
        String[] batch = {""};
        double brought =
                seconds(() -> batch[0] = person.form("/issue/files", "/issue/files", "pasted", table.toString())
                        .headers()
                        .firstValue("Location")
                        .orElseThrow()
                        .replaceFirst("^.*(/issue/files/)", "$1"));
        double checked = seconds(() -> {
            person.form(batch[0] + "/columns", batch[0] + "/check", matched(batch[0]));
            awaitEnd();
        });
        double issued = seconds(() -> {
            person.form(batch[0], batch[0] + "/issue", "goAhead", "true");
            awaitEnd();
        });
        assertThat(count(tenant, "select count(*) from link")).isEqualTo(ROWS);
        long peak = heapPeakMegabytes();
        double plain = seconds(() -> copyLinks(ROWS, "plain"));
        double all = brought + checked + issued;
        say(
                "file of %,d links: brought %.1f s, checked %.1f s, issued %.1f s; together %.1f s",
                ROWS, brought, checked, issued, all);
        say("  greatest heap in that time %d MB, server and caller together", peak);
        say("  plain insert of as many rows %.2f s: the road takes %.0f times that", plain, all / plain);
    }

    private String[] matched(String batch) {
        Matcher selected = Pattern.compile("<select id=\"column-([^\"]+)\".*?</select>", Pattern.DOTALL)
                .matcher(person.get(batch + "/columns").body());
        List<String> fields = new ArrayList<>();
        while (selected.find()) {
            Matcher value = Pattern.compile("value=\"(\\d+)\"\\s+selected").matcher(selected.group());
            if (value.find()) {
                fields.addAll(List.of("column." + selected.group(1), value.group(1)));
            }
        }
        return fields.toArray(String[]::new);
    }

    private void awaitEnd() {
        await(
                "the work ends",
                () -> count(tenant, "select count(*) from batch where state in ('checking', 'issuing')") == 0);
    }

    /** As many rows as one statement makes of a link that is there. */
    private int copyLinks(int number, String prefix) {
        return in(tenant, () -> jdbc.sql("""
                        insert into link (id, business_id, host_id, slug, skeleton, name, note, source_id, campaign_id,
                            destination_id, tagged_address, tags, labels, outside_address, is_paid, disclosure, created_at,
                            created_by)
                        select gen_random_uuid(), business_id, host_id, ? || n, ? || n, 'Board ' || n || ' at pier ' || n % 97,
                            'Put up for the regatta, number ' || n, source_id, campaign_id, destination_id, tagged_address, tags,
                            '{coast}', '', false, '', created_at, created_by
                        from (select * from link limit 1) l, generate_series(1, ?) n
                        """).params(prefix, prefix, number).update());
    }

    @Test
    void the_finder_on_50_000_links() {
        http().issue(tenant.apiKey(), "https://boats.example/", "Spring", "Boards");
        copyLinks(LINKS - 1, "b");
        in(tenant, () -> {
            return jdbc.sql("select count(*) from link").query(Long.class).single();
        });
        String[] kinds = {
            "pier 4",
            "number 48",
            "b31",
            "HTTP://%s/b31999?utm_x=1".formatted(tenant.host()),
            "regatta",
            "nothing like it"
        };
        List<double[]> all = new ArrayList<>();
        double[] plain = search("");
        for (String kind : kinds) {
            double[] times = search(kind);
            say("finder on %,d links, “%s”: p50 %.1f ms, p99 %.1f ms", LINKS, kind, at(times, 0.5), at(times, 0.99));
            all.add(times);
        }
        double[] together = all.stream().flatMapToDouble(Arrays::stream).toArray();
        say(
                "  together p50 %.1f ms, p99 %.1f ms; an empty search, which asks nothing, p50 %.1f ms",
                at(together, 0.5), at(together, 0.99), at(plain, 0.5));
        assertThat(person.get("/find/quick?find=b31999").body()).contains("/b31999");
    }

    private double[] search(String text) {
        double[] times = new double[SEARCHES];
        for (int i = -20; i < SEARCHES; i++) {
            double took = 1000
                    * seconds(() -> assertThat(
                                    person.get("/find/quick?find=" + URLEncoder.encode(text, StandardCharsets.UTF_8))
                                            .statusCode())
                            .isEqualTo(200));
            if (i >= 0) {
                times[i] = took;
            }
        }
        return times;
    }

    private static double at(double[] times, double share) {
        double[] sorted = times.clone();
        Arrays.sort(sorted);
        return sorted[(int) Math.min(sorted.length - 1, Math.floor(share * sorted.length))];
    }

    @Test
    void a_sheet_of_200_codes() throws Exception {
        http().issue(tenant.apiKey(), "https://boats.example/", "Spring", "Boards");
        copyLinks(199, "c");
        String ids = in(
                        tenant,
                        () -> jdbc.sql("select id from link").query(UUID.class).list())
                .stream()
                .map(id -> "&link=" + id)
                .collect(Collectors.joining());
        double[] one = new double[5];
        double[] many = new double[5];
        byte[][] pdf = {new byte[0]};
        for (int i = 0; i < one.length; i++) {
            one[i] = seconds(() -> person.bytes(person.request("/codes/sheet.pdf?side=20" + ids.substring(0, 42))));
            many[i] = seconds(() -> pdf[0] = person.bytes(person.request("/codes/sheet.pdf?side=20" + ids)));
        }
        try (PDDocument document = Loader.loadPDF(pdf[0])) {
            assertThat(document.getNumberOfPages()).isEqualTo(9);
        }
        say(
                "200 codes on sheets of labels, PDF of %d KB: first %.2f s, median %.2f s; one code %.2f s",
                pdf[0].length / 1024, many[0], at(many, 0.5), at(one, 0.5));
    }
}
