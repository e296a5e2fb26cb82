package wendo.app.issue.sharecards;

import java.time.Clock;
import java.util.UUID;
import org.springframework.context.ApplicationEventPublisher;
import org.springframework.context.event.EventListener;
import org.springframework.jdbc.core.simple.JdbcClient;
import org.springframework.scheduling.annotation.Async;
import org.springframework.stereotype.Component;
import org.springframework.transaction.event.TransactionalEventListener;
import wendo.app.platform.business.Business;
import wendo.app.platform.business.BusinessId;
import wendo.app.platform.business.BusinessScope;
import wendo.app.platform.business.Businesses;
import wendo.app.prepare.destinations.DestinationLooks;
import wendo.app.prepare.destinations.DestinationRead;
import wendo.core.links.WebAddress;

/** Keeps what a page says of itself each time it is looked at, and fetches the picture that it names. */
@Component
class PageCardReader {
    private final PageCardRepository pages;
    private final DestinationLooks looks;
    private final Businesses businesses;
    private final BusinessScope scope;
    private final ApplicationEventPublisher events;
    private final JdbcClient jdbc;
    private final Clock clock;

    PageCardReader(
            PageCardRepository pages,
            DestinationLooks looks,
            Businesses businesses,
            BusinessScope scope,
            ApplicationEventPublisher events,
            JdbcClient jdbc,
            Clock clock) {
        this.pages = pages;
        this.looks = looks;
        this.businesses = businesses;
        this.scope = scope;
        this.events = events;
        this.jdbc = jdbc;
        this.clock = clock;
    }

    /** A page names a picture that is not there yet. */
    record PictureNamed(BusinessId business, UUID destination, String address) {}

    /** In the transaction that keeps what was found; of two who look at a page at once the other one waits. */
    @EventListener
    void on(DestinationRead read) {
        jdbc.sql("select pg_advisory_xact_lock(hashtextextended('page card ' || ?, 0))")
                .param(read.destination().toString())
                .query(row -> {});
        StoredPageCard card =
                pages.findById(read.destination()).orElseGet(() -> new StoredPageCard(read.destination()));
        card.say(read.card().said(), read.card().picture(), clock.instant());
        pages.save(card);
        if (card.needsPicture()) {
            events.publishEvent(new PictureNamed(
                    BusinessScope.current(), read.destination(), read.card().picture()));
        }
    }

    /** Without a transaction while the picture takes its time. One that does not come is asked for at the next look. */
    @Async
    @TransactionalEventListener
    void on(PictureNamed named) {
        Business business = scope.within(named.business(), businesses::current);
        looks.picture(WebAddress.of(named.address()), business)
                .flatMap(SharePicture::of)
                .ifPresent(picture -> scope.within(named.business(), () -> {
                    pages.findById(named.destination())
                            .ifPresent(card -> card.show(named.address(), picture, clock.instant()));
                    return picture;
                }));
    }
}
