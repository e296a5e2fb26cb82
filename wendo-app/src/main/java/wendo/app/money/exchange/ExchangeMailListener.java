package wendo.app.money.exchange;

import java.util.Locale;
import org.springframework.context.ApplicationEventPublisher;
import org.springframework.context.event.EventListener;
import org.springframework.stereotype.Component;
import wendo.app.money.partners.Partners;
import wendo.app.platform.accounts.AccountMail;
import wendo.app.platform.business.BusinessScope;
import wendo.app.platform.business.Businesses;
import wendo.app.platform.site.Installation;
import wendo.app.platform.site.Texts;

/** A partner with an e-mail address and a page of its own hears by mail that there is something new on it. */
@Component
class ExchangeMailListener {
    private final Partners partners;
    private final Businesses businesses;
    private final Installation installation;
    private final ApplicationEventPublisher events;

    ExchangeMailListener(
            Partners partners, Businesses businesses, Installation installation, ApplicationEventPublisher events) {
        this.partners = partners;
        this.businesses = businesses;
        this.installation = installation;
        this.events = events;
    }

    /** Waits in the outbox in the same transaction. */
    @EventListener
    void on(ExchangeNews news) {
        partners.reach(news.partner()).ifPresent(reach -> {
            Locale reader = Locale.forLanguageTag(reach.language());
            String business = businesses.current().name();
            events.publishEvent(new AccountMail(
                    BusinessScope.current(),
                    reach.email(),
                    Texts.in(reader, news.what().subject(), business),
                    Texts.in(
                            reader,
                            news.what().body(),
                            business,
                            installation.origin() + "/t/partners/" + reach.token())));
        });
    }
}
