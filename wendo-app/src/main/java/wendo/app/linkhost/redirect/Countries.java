package wendo.app.linkhost.redirect;

import com.maxmind.db.Reader;
import java.io.IOException;
import java.io.InputStream;
import java.net.InetAddress;
import java.nio.file.Files;
import java.nio.file.Path;
import java.util.Map;
import java.util.Objects;
import org.slf4j.Logger;
import org.slf4j.LoggerFactory;
import org.springframework.stereotype.Component;
import wendo.app.platform.site.CountryNames;
import wendo.app.platform.site.Installation;

/**
 * The country of a network address, from an open database in memory: one ships with the application, a newer one is a
 * setting. It tells where an address is registered, which is not always where its user is.
 */
@Component
class Countries implements CountryNames {
    private static final Logger LOG = LoggerFactory.getLogger(Countries.class);

    private final Reader reader;

    Countries(Installation installation) throws IOException {
        String file = installation.countries();
        try (InputStream in = file.isEmpty()
                ? Objects.requireNonNull(Countries.class.getResourceAsStream("/data/countries.mmdb"))
                : Files.newInputStream(Path.of(file))) {
            reader = new Reader(in);
        }
    }

    @Override
    public String country(String address) {
        return of(address);
    }

    /** ISO 3166-1 alpha-2 in capitals; empty text if the database does not know it. {@code address} is in numbers. */
    String of(String address) {
        try {
            Map<?, ?> entry = reader.get(InetAddress.getByName(address), Map.class);
            return entry == null ? "" : String.valueOf(entry.get("country_code"));
        } catch (IOException | RuntimeException e) { // a link answers, whatever the database of countries says
            LOG.warn("A country could not be looked up: {}", e.getMessage());
            return "";
        }
    }
}
