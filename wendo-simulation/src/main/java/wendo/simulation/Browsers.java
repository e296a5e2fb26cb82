package wendo.simulation;

import java.util.List;
import java.util.SplittableRandom;
import java.util.UUID;
import wendo.core.links.Channel;

/** What simulated visitors say of themselves. The names of browsers are those that real ones send. */
public final class Browsers {
    private static final List<String> ORDINARY = List.of(
            "Mozilla/5.0 (Linux; Android 15; Mobile) AppleWebKit/537.36 (KHTML, like Gecko) Chrome/150.0.0.0 Mobile Safari/537.36",
            "Mozilla/5.0 (iPhone; CPU iPhone OS 19_2 like Mac OS X) AppleWebKit/605.1.15 (KHTML, like Gecko) Version/19.2 Mobile/15E148 Safari/604.1",
            "Mozilla/5.0 (Windows NT 10.0; Win64; x64) AppleWebKit/537.36 (KHTML, like Gecko) Chrome/150.0.0.0 Safari/537.36",
            "Mozilla/5.0 (Macintosh; Intel Mac OS X 10_15_7) AppleWebKit/605.1.15 (KHTML, like Gecko) Version/19.2 Safari/605.1.15",
            "Mozilla/5.0 (X11; Linux x86_64; rv:148.0) Gecko/20100101 Firefox/148.0");

    private static final List<String> AUTOMATIC = List.of(
            "WhatsApp/2.24.20", "Mozilla/5.0 (compatible; Googlebot/2.1)", "python-requests/2.32.0", "curl/8.5.0", "");

    private static final List<String> COUNTRIES =
            List.of("GB", "GB", "GB", "GB", "GB", "GB", "GB", "GB", "GB", "GB", "IE", "FR", "DE", "NL");

    private Browsers() {}

    /** Most live near; the season's own dice are left alone. */
    public static String country(UUID visitor) {
        return COUNTRIES.get((int) Long.remainderUnsigned(visitor.getLeastSignificantBits(), COUNTRIES.size()));
    }

    /** Always the same of one visitor. */
    public static String ordinary(UUID visitor) {
        return ORDINARY.get(Math.floorMod(visitor.hashCode(), ORDINARY.size()));
    }

    static String ordinary(SplittableRandom random) {
        return ORDINARY.get(random.nextInt(ORDINARY.size()));
    }

    static String automatic(SplittableRandom random) {
        return AUTOMATIC.get(random.nextInt(AUTOMATIC.size()));
    }

    static String referrer(Channel channel) {
        return switch (channel) {
            case AD -> "https://search.example/";
            case SOCIAL -> "https://social.example/";
            case PARTNER -> "https://partner.example/staying-here";
            case PRINT, TEXT, NEWSLETTER, PLACE, OTHER -> "";
        };
    }
}
