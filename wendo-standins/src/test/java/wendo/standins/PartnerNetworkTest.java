package wendo.standins;

import static org.assertj.core.api.Assertions.assertThat;

import com.sun.net.httpserver.HttpServer;
import java.io.IOException;
import java.net.InetAddress;
import java.net.InetSocketAddress;
import java.net.URI;
import java.net.URLEncoder;
import java.net.http.HttpClient;
import java.net.http.HttpRequest;
import java.net.http.HttpResponse;
import java.nio.charset.StandardCharsets;
import java.util.List;
import java.util.concurrent.CopyOnWriteArrayList;
import org.junit.jupiter.api.AfterEach;
import org.junit.jupiter.api.BeforeEach;
import org.junit.jupiter.api.Test;

class PartnerNetworkTest {
    private final List<String> told = new CopyOnWriteArrayList<>();
    private final HttpClient http = HttpClient.newHttpClient();
    private HttpServer listener;
    private PartnerNetwork network;

    @BeforeEach
    void start() throws IOException {
        listener = HttpServer.create(new InetSocketAddress(InetAddress.getLoopbackAddress(), 0), 0);
        listener.createContext("/", exchange -> {
            try (exchange) {
                told.add(String.valueOf(exchange.getRequestURI().getQuery()));
                exchange.sendResponseHeaders(200, -1);
            }
        });
        listener.start();
        network = PartnerNetwork.start(0);
    }

    @AfterEach
    void stop() {
        network.close();
        listener.stop(0);
    }

    private String get(String path) throws Exception {
        URI uri = URI.create("http://localhost:" + network.port() + path);
        return http.send(HttpRequest.newBuilder(uri).build(), HttpResponse.BodyHandlers.ofString())
                .body();
    }

    private void post(String path, String form) throws Exception {
        HttpRequest request = HttpRequest.newBuilder(URI.create("http://localhost:" + network.port() + path))
                .POST(HttpRequest.BodyPublishers.ofString(form))
                .build();
        assertThat(http.send(request, HttpResponse.BodyHandlers.discarding()).statusCode())
                .isEqualTo(303);
    }

    private void paste(String query) throws Exception {
        String address = "http://localhost:" + listener.getAddress().getPort() + "/?" + query;
        post("/postback", "address=" + URLEncoder.encode(address, StandardCharsets.UTF_8));
    }

    @Test
    void it_keeps_ten_digits_and_drops_any_other_sub_id() throws Exception {
        assertThat(get("/offer?deal=1&s1=0123456789")).contains("value=\"0123456789\"");
        assertThat(get("/offer?s1=01234567890")).contains("name=\"s1\" value=\"\"");
        assertThat(get("/offer?s1=abc")).contains("name=\"s1\" value=\"\"");
        assertThat(get("/offer")).contains("name=\"s1\" value=\"\"");
    }

    @Test
    void it_reports_a_sale_and_what_becomes_of_it_to_the_address_that_was_pasted() throws Exception {
        paste("sub=[s1]&n=[sale]&v=[amount]&st=[state]&cur=[money]");
        post("/sale", "s1=007&amount=12.50");
        post("/state", "sale=N-7001&state=rejected");
        assertThat(told)
                .containsExactly(
                        "sub=007&n=N-7001&v=12.50&st=pending&cur=[money]",
                        "sub=007&n=N-7001&v=12.50&st=rejected&cur=[money]");
        assertThat(get("/")).contains("N-7001", "rejected", "postback answered 200");
    }

    @Test
    void its_report_has_semicolons_and_decimal_commas() throws Exception {
        post("/sale", "s1=8&amount=1234.5");
        assertThat(get("/report.csv")).isEqualTo("""
                Transaction ID;Sub-ID;Amount;Commission;Status\r
                N-7001;8;1234,50;123,45;pending\r
                """);
        assertThat(told).as("nothing was pasted").isEmpty();
    }
}
