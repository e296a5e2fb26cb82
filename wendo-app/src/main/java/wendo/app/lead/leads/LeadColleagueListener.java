package wendo.app.lead.leads;

import org.springframework.context.event.EventListener;
import org.springframework.stereotype.Component;
import wendo.app.platform.accounts.ColleagueLeft;

/** Leads of somebody who leaves become their successor's with their tasks, or nobody's. */
@Component
class LeadColleagueListener {
    private final LeadRepository repository;

    LeadColleagueListener(LeadRepository repository) {
        this.repository = repository;
    }

    @EventListener
    void on(ColleagueLeft left) {
        repository.handOver(left.person(), left.successor().orElse(null));
    }
}
