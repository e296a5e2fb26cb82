package wendo.app.prepare.destinations;

import java.io.IOException;
import java.net.SocketTimeoutException;
import java.net.URI;
import java.net.UnknownHostException;
import java.time.Duration;
import java.time.Instant;
import java.util.ArrayList;
import java.util.List;
import java.util.Optional;
import javax.net.ssl.SSLException;
import org.jsoup.Jsoup;
import org.jsoup.nodes.Document;
import org.springframework.stereotype.Component;
import wendo.app.platform.site.Texts;
import wendo.core.links.AddressRefused;
import wendo.core.links.WebAddress;
import wendo.core.text.Sentence;

/** Looks at a page as a visitor's browser would: follows 5 redirects at most, and gives up after 5 seconds in all. */
@Component
class DestinationLook {
    static final int MAX_REDIRECTS = 5;

    private static final Duration PATIENCE = Duration.ofSeconds(5);

    private final PageFetch pages;

    DestinationLook(PageFetch pages) {
        this.pages = pages;
    }

    Look look(WebAddress address, boolean allowsLocal) {
        List<String> hops = new ArrayList<>(List.of(address.toString()));
        Instant end = Instant.now().plus(PATIENCE);
        try {
            PageFetch.Answer answer = pages.fetch(address, allowsLocal, end);
            while (answer.leadsTo().isPresent()) {
                if (hops.size() > MAX_REDIRECTS) {
                    return failed(hops, Texts.of("prepare.destinations.it-redirects-more-than-times", MAX_REDIRECTS));
                }
                WebAddress next =
                        next(hops.get(hops.size() - 1), answer.leadsTo().get());
                hops.add(next.toString());
                answer = pages.fetch(next, allowsLocal, end);
            }
            Document page = Jsoup.parse(answer.text());
            return new Look(
                    Optional.of(answer.status()),
                    page.title().strip(),
                    hops,
                    answer.certificateUntil(),
                    PageCard.of(page, hops.get(hops.size() - 1)),
                    answer.status() < 400
                            ? ""
                            : Texts.of("prepare.destinations.it-answers-with-error", answer.status()));
        } catch (AddressRefused e) {
            return failed(hops, Texts.of("prepare.destinations.it-redirects-to-an-address"));
        } catch (IOException | RuntimeException e) {
            return failed(hops, why(e, !Instant.now().isBefore(end)));
        }
    }

    private static Look failed(List<String> hops, String problem) {
        return new Look(Optional.empty(), "", hops, Optional.empty(), PageCard.NONE, problem);
    }

    private static WebAddress next(String from, String location) {
        try {
            return WebAddress.of(URI.create(from)
                    .resolve(location.strip().replace(" ", "%20"))
                    .toString());
        } catch (IllegalArgumentException e) {
            throw new AddressRefused(Sentence.said(location));
        }
    }

    private static String why(Exception e, boolean isLate) {
        if (isLate || e instanceof SocketTimeoutException) {
            return Texts.of("prepare.destinations.it-did-not-answer-within", PATIENCE.toSeconds());
        }
        if (e instanceof PublicNames.NotPublic) {
            return Texts.of("prepare.destinations.only-a-private-network-can");
        }
        if (e instanceof UnknownHostException) {
            return Texts.of("prepare.destinations.there-is-no-site-of");
        }
        return e instanceof SSLException
                ? Texts.of("prepare.destinations.browsers-will-not-trust-its")
                : Texts.of("prepare.destinations.its-server-does-not-answer");
    }
}
