package wendo.standins;

import static org.assertj.core.api.Assertions.assertThat;

import java.net.URI;
import java.net.http.HttpClient;
import java.net.http.HttpRequest;
import java.net.http.HttpResponse;
import org.junit.jupiter.api.AfterEach;
import org.junit.jupiter.api.BeforeEach;
import org.junit.jupiter.api.Test;
import org.junit.jupiter.params.ParameterizedTest;
import org.junit.jupiter.params.provider.CsvSource;
import org.junit.jupiter.params.provider.ValueSource;

class DemoSiteTest {
    private final HttpClient client = HttpClient.newHttpClient();
    private DemoSite site;

    @BeforeEach
    void start() throws Exception {
        site = DemoSite.start(0, "http://go.localhost:8080", "key\"<1>");
    }

    @AfterEach
    void stop() {
        site.close();
    }

    private HttpResponse<String> get(String path) throws Exception {
        return client.send(HttpRequest.newBuilder(uri(path)).build(), HttpResponse.BodyHandlers.ofString());
    }

    private HttpResponse<String> post(String path, String form) throws Exception {
        return client.send(
                HttpRequest.newBuilder(uri(path))
                        .POST(HttpRequest.BodyPublishers.ofString(form))
                        .build(),
                HttpResponse.BodyHandlers.ofString());
    }

    private URI uri(String path) {
        return URI.create("http://127.0.0.1:" + site.port() + path);
    }

    @ParameterizedTest
    @ValueSource(strings = {"/", "/courses", "/enquiry", "/vouchers?utm_source=x&wcl=y"})
    void every_page_carries_the_site_tag_under_a_strict_policy(String path) throws Exception {
        HttpResponse<String> page = get(path);
        assertThat(page.statusCode()).isEqualTo(200);
        assertThat(page.body())
                .contains("src=\"http://go.localhost:8080/t/wendo.js\" data-site=\"key&quot;&lt;1&gt;\"")
                .doesNotContain("{{");
        assertThat(page.headers().firstValue("Content-Security-Policy").orElseThrow())
                .contains("script-src 'self' http://go.localhost:8080")
                .doesNotContain("unsafe");
    }

    @ParameterizedTest
    @CsvSource({
        "/enquiry,name=Ada,lead,0.00",
        "/courses,item=weekend,booking,195.00",
        "/vouchers,item=voucher-100,purchase,100.00"
    })
    void an_order_leads_to_a_thank_you_page_that_reports_it_and_can_be_loaded_again(
            String path, String form, String kind, String value) throws Exception {
        HttpResponse<String> answer = post(path, form);
        assertThat(answer.statusCode()).isEqualTo(303);
        String thanks = answer.headers().firstValue("Location").orElseThrow();
        String page = get(thanks).body();
        assertThat(page)
                .contains("data-wendo=\"" + kind + "\"", "data-value=\"" + value + "\"", "data-currency=\"GBP\"");
        assertThat(get(thanks).body()).isEqualTo(page);
    }

    @ParameterizedTest
    @CsvSource({"/courses,item=moon", "/vouchers,", "/thanks,item=taster"})
    void what_is_not_sold_cannot_be_ordered(String path, String form) throws Exception {
        assertThat(post(path, form == null ? "" : form).statusCode()).isEqualTo(422);
    }

    @Test
    void other_addresses_have_nothing() throws Exception {
        assertThat(get("/nothing").statusCode()).isEqualTo(404);
        assertThat(get("/thanks?ref=B-1").statusCode()).isEqualTo(404);
        assertThat(get("/thanks").statusCode()).isEqualTo(404);
    }
}
