package wendo.standins;

import com.sun.net.httpserver.HttpExchange;
import com.sun.net.httpserver.HttpServer;
import java.io.IOException;
import java.net.InetAddress;
import java.net.InetSocketAddress;
import java.net.URI;
import java.net.http.HttpClient;
import java.net.http.HttpRequest;
import java.net.http.HttpResponse;
import java.nio.charset.StandardCharsets;
import java.util.LinkedHashMap;
import java.util.Locale;
import java.util.Map;
import java.util.concurrent.ExecutorService;
import java.util.concurrent.Executors;

/**
 * A partner network that pays for people sent to it. It keeps a sub-ID of ten digits at most, in the parameter s1, and
 * drops any other; it reports sales to a postback address that is pasted on its page, and in a file at month's end. It
 * keeps a tenth of each sale for whoever sent the buyer, and approves, declines or pays it.
 */
public final class PartnerNetwork implements AutoCloseable {
    private static final String SUB_ID = "[0-9]{1,10}";

    private final HttpServer server;
    private final ExecutorService threads = Executors.newFixedThreadPool(4);
    private final HttpClient http = HttpClient.newHttpClient();
    private final Map<String, Sale> sales = new LinkedHashMap<>();
    private volatile String postback = "";

    private record Sale(String number, String subId, int pence, String state, int answer) {
        /** A tenth, half up. */
        int fee() {
            return (pence + 5) / 10;
        }
    }

    private PartnerNetwork(HttpServer server) {
        this.server = server;
    }

    /** @param port 0 for any free one */
    public static PartnerNetwork start(int port) throws IOException {
        HttpServer server = HttpServer.create(new InetSocketAddress(InetAddress.getLoopbackAddress(), port), 0);
        PartnerNetwork network = new PartnerNetwork(server);
        server.createContext("/", network::answer);
        server.setExecutor(network.threads);
        server.start();
        return network;
    }

    public int port() {
        return server.getAddress().getPort();
    }

    @Override
    public void close() {
        server.stop(0);
        threads.shutdownNow();
    }

    private void answer(HttpExchange exchange) throws IOException {
        try (exchange) {
            boolean isPosted = exchange.getRequestMethod().equals("POST");
            String path = exchange.getRequestURI().getPath();
            if (isPosted) {
                Map<String, String> form = DemoSite.form(exchange.getRequestBody());
                switch (path) {
                    case "/postback" ->
                        postback = form.getOrDefault("address", "").strip();
                    case "/sale" -> sell(form);
                    default -> decide(form);
                }
                exchange.getResponseHeaders().set("Location", "/");
                exchange.sendResponseHeaders(303, -1);
            } else if (path.equals("/offer")) {
                send(exchange, "text/html", offer(subId(exchange.getRequestURI())));
            } else if (path.equals("/report.csv")) {
                send(exchange, "text/csv", report());
            } else {
                send(exchange, "text/html", desk());
            }
        } catch (InterruptedException e) {
            Thread.currentThread().interrupt();
        }
    }

    private static String subId(URI uri) {
        for (String pair : (uri.getRawQuery() == null ? "" : uri.getRawQuery()).split("&")) {
            if (pair.startsWith("s1=")) {
                return pair.substring(3).matches(SUB_ID) ? pair.substring(3) : "";
            }
        }
        return "";
    }

    private void sell(Map<String, String> form) throws IOException, InterruptedException {
        int pence = (int) Math.round(Double.parseDouble(form.getOrDefault("amount", "12.50")) * 100);
        Sale sale;
        synchronized (sales) {
            String number = "N-" + (7001 + sales.size());
            sale = new Sale(number, form.getOrDefault("s1", ""), pence, "pending", 0);
            sales.put(number, sale);
        }
        tell(sale);
    }

    private void decide(Map<String, String> form) throws IOException, InterruptedException {
        Sale before;
        synchronized (sales) {
            before = sales.get(form.getOrDefault("sale", ""));
        }
        if (before != null) {
            String state = form.getOrDefault("state", "approved");
            tell(new Sale(before.number(), before.subId(), before.pence(), state, 0));
        }
    }

    /** Fills in the placeholders of the pasted address; one it does not know stays as it stands. */
    private void tell(Sale sale) throws IOException, InterruptedException {
        int status = 0;
        if (!postback.isEmpty()) {
            String address = postback.replace("[s1]", sale.subId())
                    .replace("[sale]", sale.number())
                    .replace("[amount]", amount(sale.pence(), '.'))
                    .replace("[fee]", amount(sale.fee(), '.'))
                    .replace("[state]", sale.state())
                    .replace("[", "%5B")
                    .replace("]", "%5D");
            status = http.send(
                            HttpRequest.newBuilder(URI.create(address)).build(), HttpResponse.BodyHandlers.discarding())
                    .statusCode();
        }
        synchronized (sales) {
            sales.put(sale.number(), new Sale(sale.number(), sale.subId(), sale.pence(), sale.state(), status));
        }
    }

    private static String amount(int pence, char point) {
        return String.format(Locale.ROOT, "%d%c%02d", pence / 100, point, pence % 100);
    }

    /** As such files come: semicolons and a decimal comma. */
    private String report() {
        StringBuilder file = new StringBuilder("Transaction ID;Sub-ID;Amount;Commission;Status\r\n");
        synchronized (sales) {
            sales.values()
                    .forEach(sale -> file.append("%s;%s;%s;%s;%s\r\n"
                            .formatted(
                                    sale.number(),
                                    sale.subId(),
                                    amount(sale.pence(), ','),
                                    amount(sale.fee(), ','),
                                    sale.state())));
        }
        return file.toString();
    }

    private static String offer(String subId) {
        return """
                <!doctype html><html lang="en"><meta charset="utf-8"><title>Sail insurance</title><h1>Sail insurance for a season</h1>
                <form method="post" action="/sale"><input type="hidden" name="s1" value="%s">
                <label>Pays <input name="amount" value="12.50"></label> <button>Buy it</button></form>
                """.formatted(subId);
    }

    private String desk() {
        StringBuilder page = new StringBuilder("""
                <!doctype html><html lang="en"><meta charset="utf-8"><title>Partner network</title><h1>Partner network</h1>
                <form method="post" action="/postback"><label>Postback address, with [s1] [sale] [amount] [fee] [state]
                <input name="address" size="120" value="%s"></label> <button>Keep</button></form>
                <p><a href="/report.csv">Report of all sales</a></p><ul>
                """.formatted(DemoSite.escape(postback)));
        synchronized (sales) {
            sales.values()
                    .forEach(sale -> page.append("""
                            <li>%s, sub-ID %s, %s, %s, postback answered %d <form method="post" action="/state">
                            <input type="hidden" name="sale" value="%s"><button name="state" value="approved">Approve</button>
                            <button name="state" value="rejected">Reject</button>
                            <button name="state" value="paid">Pay</button></form></li>
                            """.formatted(
                                    sale.number(),
                                    sale.subId(),
                                    amount(sale.pence(), '.'),
                                    DemoSite.escape(sale.state()),
                                    sale.answer(),
                                    sale.number())));
        }
        return page.append("</ul>").toString();
    }

    private static void send(HttpExchange exchange, String type, String body) throws IOException {
        byte[] bytes = body.getBytes(StandardCharsets.UTF_8);
        exchange.getResponseHeaders().set("Content-Type", type + "; charset=utf-8");
        exchange.sendResponseHeaders(200, bytes.length);
        exchange.getResponseBody().write(bytes);
    }
}
