package wendo.app.prepare.sources;

import org.springframework.context.event.EventListener;
import org.springframework.stereotype.Component;
import wendo.app.platform.accounts.ColleagueLeft;

/** Sources of somebody who leaves become their successor's, or nobody's. */
@Component
class SourceColleagueListener {
    private final SourceRepository repository;

    SourceColleagueListener(SourceRepository repository) {
        this.repository = repository;
    }

    @EventListener
    void on(ColleagueLeft left) {
        repository.handOver(left.person(), left.successor().orElse(null));
    }
}
