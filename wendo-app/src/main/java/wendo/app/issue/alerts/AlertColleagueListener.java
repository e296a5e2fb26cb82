package wendo.app.issue.alerts;

import org.springframework.context.event.EventListener;
import org.springframework.stereotype.Component;
import wendo.app.platform.accounts.ColleagueLeft;

/** Whoever leaves hears no more of visits. */
@Component
class AlertColleagueListener {
    private final LinkAlertRepository repository;

    AlertColleagueListener(LinkAlertRepository repository) {
        this.repository = repository;
    }

    @EventListener
    void on(ColleagueLeft left) {
        repository.deleteByPersonId(left.person());
    }
}
