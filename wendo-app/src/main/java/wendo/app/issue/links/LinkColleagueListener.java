package wendo.app.issue.links;

import org.springframework.context.event.EventListener;
import org.springframework.stereotype.Component;
import wendo.app.platform.accounts.ColleagueLeft;

/** Links of somebody who leaves become their successor's, or nobody's. */
@Component
class LinkColleagueListener {
    private final LinkRepository repository;

    LinkColleagueListener(LinkRepository repository) {
        this.repository = repository;
    }

    @EventListener
    void on(ColleagueLeft left) {
        repository.handOver(left.person(), left.successor().orElse(null));
    }
}
