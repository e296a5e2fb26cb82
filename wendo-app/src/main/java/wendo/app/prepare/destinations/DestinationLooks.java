package wendo.app.prepare.destinations;

import com.github.benmanes.caffeine.cache.Cache;
import com.github.benmanes.caffeine.cache.Caffeine;
import java.io.IOException;
import java.time.Clock;
import java.time.Duration;
import java.time.Instant;
import java.util.List;
import java.util.Optional;
import org.springframework.stereotype.Service;
import wendo.app.platform.business.Business;
import wendo.app.platform.business.BusinessId;
import wendo.app.platform.business.BusinessScope;
import wendo.core.links.WebAddress;

/** Looks at pages on behalf of people who wait for the answer, and keeps what was found. */
@Service
public class DestinationLooks {
    /** Within this time a page is not asked twice, whoever asks. */
    private static final Duration FRESH = Duration.ofSeconds(30);

    private record Asked(WebAddress address, boolean allowsLocal) {}

    private final Destinations destinations;
    private final DestinationLook looking;
    private final PageFetch pages;
    private final LookLimit limit;
    private final Clock clock;
    private final Cache<Asked, Look> recent =
            Caffeine.newBuilder().expireAfterWrite(FRESH).maximumSize(10_000).build();

    DestinationLooks(
            Destinations destinations, DestinationLook looking, PageFetch pages, LookLimit limit, Clock clock) {
        this.destinations = destinations;
        this.looking = looking;
        this.pages = pages;
        this.limit = limit;
        this.clock = clock;
    }

    /** Takes up to five seconds: call it outside of a transaction. Empty if the business has asked too often. */
    public Optional<Look> look(WebAddress address, Business business) {
        Asked asked = new Asked(address, business.allowsLocalDestinations());
        Optional<Look> known = Optional.ofNullable(recent.getIfPresent(asked));
        if (known.isEmpty() && limit.mayLook()) {
            known = Optional.of(looking.look(address, business.allowsLocalDestinations()));
            recent.put(asked, known.get());
        }
        known.ifPresent(look -> destinations.keep(address, look));
        return known;
    }

    /** Several pages at the same time, in their order. */
    public List<Optional<Look>> lookAtAll(List<WebAddress> addresses, Business business) {
        BusinessId id = business.id();
        return addresses.parallelStream()
                .map(address -> {
                    try {
                        return BusinessScope.as(id, () -> look(address, business));
                    } catch (Exception e) {
                        throw new IllegalStateException(e);
                    }
                })
                .toList();
    }

    /** The text at an address, nothing followed; empty if there is none within a few seconds. */
    public Optional<String> text(WebAddress address, Business business) {
        if (!limit.mayLook()) {
            return Optional.empty();
        }
        try {
            PageFetch.Answer answer = pages.fetch(
                    address, business.allowsLocalDestinations(), Instant.now().plus(Duration.ofSeconds(4)));
            return answer.status() == 200 ? Optional.of(answer.text()) : Optional.empty();
        } catch (IOException | RuntimeException e) {
            return Optional.empty();
        }
    }

    /** The picture at an address, nothing followed; empty if there is none within a few seconds. */
    public Optional<byte[]> picture(WebAddress address, Business business) {
        try {
            return pages.fetchPicture(
                    address, business.allowsLocalDestinations(), Instant.now().plus(Duration.ofSeconds(4)));
        } catch (IOException | RuntimeException e) {
            return Optional.empty();
        }
    }

    boolean endsSoon(Look look) {
        return look.endsSoon(clock.instant());
    }
}
