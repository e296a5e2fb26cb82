package wendo.app.platform.accounts;

import org.springframework.context.event.EventListener;
import org.springframework.stereotype.Component;

/** Whoever leaves is signed out everywhere, and the keys they made are revoked. */
@Component
class AccountsColleagueListener {
    private final Sessions sessions;
    private final ApiKeys keys;

    AccountsColleagueListener(Sessions sessions, ApiKeys keys) {
        this.sessions = sessions;
        this.keys = keys;
    }

    @EventListener
    void on(ColleagueLeft left) {
        keys.revokeOf(left.person());
        sessions.endAll(left.person());
    }
}
