package wendo.standins;

import java.io.IOException;

/** Starts the stand-ins. Settings come from the environment; they stop with the process. */
public final class Standins {
    private Standins() {}

    public static void main(String[] args) throws IOException {
        int port = Integer.parseInt(setting("WENDO_SITE_PORT", "8090"));
        String linkOrigin = setting("WENDO_LINK_ORIGIN", "http://go.localhost:8080");
        DemoSite site = DemoSite.start(port, linkOrigin, setting("WENDO_SITE_KEY", ""));
        PostOffice office = PostOffice.start(
                Integer.parseInt(setting("WENDO_MAIL_PORT", "8025")),
                Integer.parseInt(setting("WENDO_POST_PORT", "8091")),
                "http://127.0.0.1:" + setting("WENDO_PORT", "8080") + "/t/messages/news",
                setting("WENDO_TEXT_GATEWAY_KEY", "demo"));
        PartnerNetwork network = PartnerNetwork.start(Integer.parseInt(setting("WENDO_NETWORK_PORT", "8092")));
        AdDesk desk = AdDesk.start(Integer.parseInt(setting("WENDO_AD_DESK_PORT", "8093")), "demo");
        for (int student = 0; student < 340; student += 3) {
            desk.join("student.%d@post.example".formatted(student));
        }
        Runtime.getRuntime().addShutdownHook(new Thread(() -> {
            site.close();
            office.close();
            network.close();
            desk.close();
        }));
    }

    private static String setting(String name, String otherwise) {
        String value = System.getenv(name);
        return value == null || value.isBlank() ? otherwise : value;
    }
}
