package wendo.app.prepare.brands;

import static org.assertj.core.api.Assertions.assertThat;

import java.util.List;
import java.util.UUID;
import org.junit.jupiter.api.Test;
import org.junit.jupiter.params.ParameterizedTest;
import org.junit.jupiter.params.provider.CsvSource;
import wendo.app.platform.site.FormRules;

/** The sites of a brand, as they are typed, and whose site an address leads to. */
class BrandFormTest {
    private static final BrandListed GULL =
            new BrandListed(new UUID(1, 1), "Gull Sails", List.of("gull.example", "shop.gull.example"), true, "");

    private static BrandForm typed(String sites) {
        return new BrandForm("Gull Sails", sites, true);
    }

    @ParameterizedTest
    @CsvSource({
        "gull.example, gull.example",
        "WWW.Gull.example, gull.example",
        "https://www.gull.example/kayaks?x=1#top, gull.example",
        "http://gull.example:8080, gull.example",
        "www., www."
    })
    void a_site_is_its_name_without_what_stands_around_it(String typed, String site) {
        assertThat(typed(typed).siteList()).containsExactly(site);
    }

    @Test
    void sites_stand_one_a_line_each_once_and_twenty_at_most() {
        assertThat(typed("gull.example\n\n https://gull.example/ ,plover.example;tern.example")
                        .siteList())
                .containsExactly("gull.example", "plover.example", "tern.example");
        String many = java.util.stream.IntStream.range(0, 30)
                .mapToObj("s%d.example"::formatted)
                .collect(java.util.stream.Collectors.joining("\n"));
        assertThat(typed(many).siteList()).hasSize(BrandForm.MOST_SITES);
        assertThat(typed("").siteList()).isEmpty();
    }

    @ParameterizedTest
    @CsvSource({"gull.example, ''", "no_site, no_site", "gull..example, gull..example", "<script>, <script>"})
    void what_is_no_name_of_a_site_is_named(String typed, String fault) {
        assertThat(typed(typed).notASite().orElse("")).isEqualTo(fault);
    }

    @Test
    void a_name_is_needed_and_has_its_length() {
        assertThat(FormRules.faults(new BrandForm("", "", true))).containsOnlyKeys("name");
        assertThat(FormRules.faults(new BrandForm("x".repeat(80), "", true))).isEmpty();
        assertThat(FormRules.faults(new BrandForm("x".repeat(81), "", true))).containsOnlyKeys("name");
    }

    @ParameterizedTest
    @CsvSource({
        "https://gull.example/kayaks, true",
        "https://WWW.GULL.example/, true",
        "https://shop.gull.example:8443/, true",
        "https://blog.gull.example/, false",
        "https://seagull.example/, false",
        "gull.example, false",
        "https://[bad, false"
    })
    void an_address_leads_to_a_brands_site_by_its_host_alone(String address, boolean isOne) {
        assertThat(Brands.ofSite(List.of(GULL), address).isPresent()).isEqualTo(isOne);
    }
}
