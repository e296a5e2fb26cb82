package wendo.core.visits;

import java.io.BufferedReader;
import java.io.IOException;
import java.io.InputStream;
import java.io.InputStreamReader;
import java.io.UncheckedIOException;
import java.nio.charset.StandardCharsets;
import java.util.HashMap;
import java.util.Map;
import java.util.Objects;
import java.util.Optional;
import java.util.regex.Pattern;

/** Which hosts are search engines and which are social networks, as {@code referrers.txt} lists them. */
final class ReferrerHosts {
    private static final Map<String, Origin> ENTRIES = read();

    /** A country's ending: "uk", "com", "co.uk", "com.au". */
    private static final Pattern COUNTRY = Pattern.compile("\\.(?:[a-z]{2,3}\\.)?[a-z]{2,3}$");

    private ReferrerHosts() {}

    /** @param host in lower case; empty for a host that is neither */
    static Optional<Origin> find(String host) {
        String plain = host.startsWith("www.") ? host.substring(4) : host;
        return entry(plain)
                .or(() -> below(plain))
                .or(() -> anyCountry(plain).flatMap(ReferrerHosts::entry))
                .or(() -> anyCountry(plain).flatMap(ReferrerHosts::below));
    }

    private static Optional<String> anyCountry(String host) {
        String without = COUNTRY.matcher(host).replaceFirst("");
        return without.equals(host) ? Optional.empty() : Optional.of(without + ".*");
    }

    private static Optional<Origin> entry(String host) {
        return Optional.ofNullable(ENTRIES.get(host));
    }

    private static Optional<Origin> below(String host) {
        String rest = "." + host;
        while (!rest.isEmpty()) {
            Origin origin = ENTRIES.get(rest);
            if (origin != null) {
                return Optional.of(origin);
            }
            int dot = rest.indexOf('.', 1);
            rest = dot < 0 ? "" : rest.substring(dot);
        }
        return Optional.empty();
    }

    private static Map<String, Origin> read() {
        InputStream file = Objects.requireNonNull(ReferrerHosts.class.getResourceAsStream("referrers.txt"));
        try (BufferedReader lines = new BufferedReader(new InputStreamReader(file, StandardCharsets.UTF_8))) {
            Map<String, Origin> entries = new HashMap<>();
            lines.lines()
                    .filter(line -> !line.startsWith("#") && !line.isBlank())
                    .forEach(line -> {
                        int space = line.indexOf(' ');
                        entries.put(line.substring(space + 1), Origin.of(line.substring(0, space)));
                    });
            return Map.copyOf(entries);
        } catch (IOException e) {
            throw new UncheckedIOException(e);
        }
    }
}
