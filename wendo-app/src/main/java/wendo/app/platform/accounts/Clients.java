package wendo.app.platform.accounts;

import jakarta.servlet.http.HttpServletRequest;
import java.util.Objects;
import org.springframework.beans.factory.ObjectProvider;
import org.springframework.stereotype.Component;
import wendo.app.platform.site.BrowserNames;
import wendo.app.platform.site.CountryNames;

/** Says of requests what they come from. */
@Component
class Clients {
    private static final int MAX_BROWSER = 80;
    private static final int MAX_ADDRESS = 45; // RFC 4291, section 2.2: the longest form

    private final ObjectProvider<BrowserNames> browsers;
    private final ObjectProvider<CountryNames> countries;

    Clients(ObjectProvider<BrowserNames> browsers, ObjectProvider<CountryNames> countries) {
        this.browsers = browsers;
        this.countries = countries;
    }

    /**
     * The browser that a request comes from, in words, and its network address.
     *
     * @param country ISO 3166-1 alpha-2 in capitals; empty text where it is not known
     */
    record Client(String browser, String address, String country) {}

    Client of(HttpServletRequest request) {
        String agent = Objects.requireNonNullElse(request.getHeader("User-Agent"), "");
        String address = cut(request.getRemoteAddr(), MAX_ADDRESS);
        return new Client(
                cut(browsers.getObject().browser(agent), MAX_BROWSER),
                address,
                countries.getObject().country(address));
    }

    private static String cut(String text, int most) {
        return text.length() <= most ? text : text.substring(0, most);
    }
}
