package wendo.app.prepare.destinations;

import java.io.IOException;
import java.net.URI;
import java.time.Duration;
import java.time.Instant;
import java.util.Optional;
import org.jsoup.Jsoup;
import org.jsoup.nodes.Document;
import org.springframework.stereotype.Component;
import wendo.core.links.WebAddress;

/** Reads a page as its server sends it, following redirects on the same site, within 5 seconds in all. */
@Component
public class PageReader {
    private static final Duration PATIENCE = Duration.ofSeconds(5);

    private final PageFetch pages;

    PageReader(PageFetch pages) {
        this.pages = pages;
    }

    /** Empty if it does not answer with a page. */
    public Optional<Document> read(WebAddress address, boolean allowsLocal) {
        Instant end = Instant.now().plus(PATIENCE);
        WebAddress at = address;
        try {
            for (int hops = 0; hops <= DestinationLook.MAX_REDIRECTS; hops++) {
                PageFetch.Answer answer = pages.fetch(at, allowsLocal, end);
                if (answer.leadsTo().isEmpty()) {
                    return answer.status() < 400 && !answer.text().isEmpty()
                            ? Optional.of(Jsoup.parse(answer.text(), at.toString()))
                            : Optional.empty();
                }
                WebAddress next = WebAddress.of(URI.create(at.toString())
                        .resolve(answer.leadsTo().get().strip().replace(" ", "%20"))
                        .toString());
                if (!isSameSite(next.host(), address.host())) {
                    return Optional.empty();
                }
                at = next;
            }
        } catch (IOException | RuntimeException e) {
            return Optional.empty(); // whatever is wrong with it, there is nothing to read
        }
        return Optional.empty();
    }

    /** A site is the same with "www." before it and without; most redirect from one to the other. */
    static boolean isSameSite(String host, String other) {
        return withoutWww(host).equals(withoutWww(other));
    }

    private static String withoutWww(String host) {
        return host.startsWith("www.") ? host.substring("www.".length()) : host;
    }
}
