package wendo.app.platform.sending;

import java.time.Clock;
import org.springframework.context.event.EventListener;
import org.springframework.stereotype.Component;
import wendo.app.platform.accounts.AccountMail;
import wendo.app.platform.business.BusinessScope;

/** Mails to people about their accounts wait in the outbox like all others. */
@Component
class AccountMailListener {
    private final Outbox outbox;
    private final BusinessScope scope;
    private final Clock clock;

    AccountMailListener(Outbox outbox, BusinessScope scope, Clock clock) {
        this.outbox = outbox;
        this.scope = scope;
        this.clock = clock;
    }

    @EventListener
    void on(AccountMail mail) {
        scope.within(mail.business(), () -> {
            outbox.alert(mail.recipient(), mail.subject(), mail.body(), clock.instant());
            return true;
        });
    }
}
