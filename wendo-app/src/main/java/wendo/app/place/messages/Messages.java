package wendo.app.place.messages;

import java.math.BigDecimal;
import java.time.Clock;
import java.util.Optional;
import java.util.UUID;
import org.springframework.stereotype.Service;
import org.springframework.transaction.annotation.Transactional;
import wendo.app.platform.business.Business;
import wendo.app.platform.business.EditedVersion;
import wendo.core.measure.UnitPrice;

/** Keeps what was written for a link; the price of a segment is remembered for the next message. */
@Service
public class Messages {
    private final MessageRepository repository;
    private final Clock clock;

    Messages(MessageRepository repository, Clock clock) {
        this.repository = repository;
        this.clock = clock;
    }

    @Transactional(readOnly = true)
    Optional<MessageForm> find(UUID link, Business business) {
        return repository
                .findById(link)
                .map(message -> new MessageForm(
                        message.text(),
                        message.recipients().map(String::valueOf).orElse(""),
                        price(message.priceMillis(), business)));
    }

    /** The price that was given last, for whatever link. */
    @Transactional(readOnly = true)
    public String usualPrice(Business business) {
        return price(
                repository.findFirstByPriceMillisNotNullOrderByUpdatedAtDesc().flatMap(Message::priceMillis), business);
    }

    /** A price as it would be typed; empty text for none. */
    public static String typed(Optional<UnitPrice> price, Business business) {
        return price(price.map(UnitPrice::millis), business);
    }

    private static String price(Optional<Long> millis, Business business) {
        return millis.map(some -> BigDecimal.valueOf(some, business.currency().getDecimalPlaces() + 3)
                        .stripTrailingZeros()
                        .toPlainString()
                        .replace(
                                '.',
                                java.text.DecimalFormatSymbols.getInstance(business.locale())
                                        .getDecimalSeparator()))
                .orElse("");
    }

    /** 0 until something was written. */
    @Transactional(readOnly = true)
    int version(UUID link) {
        return repository.findById(link).map(Message::version).orElse(0);
    }

    @Transactional
    void save(UUID link, EditedVersion edited, String text, MessageForm.Read read) {
        Message message = repository.findById(link).orElseGet(() -> new Message(link));
        message.mustStillBe(edited);
        message.say(text, read.recipients(), read.price(), clock.instant());
        repository.save(message);
    }
}
