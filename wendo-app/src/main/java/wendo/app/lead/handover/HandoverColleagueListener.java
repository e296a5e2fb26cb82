package wendo.app.lead.handover;

import org.springframework.context.event.EventListener;
import org.springframework.stereotype.Component;
import wendo.app.platform.accounts.ColleagueLeft;

/** Leads that would go to somebody who leaves go to their successor, and their turns in rotas too. */
@Component
class HandoverColleagueListener {
    private final HandoverRepository handovers;
    private final RoundRepository rounds;

    HandoverColleagueListener(HandoverRepository handovers, RoundRepository rounds) {
        this.handovers = handovers;
        this.rounds = rounds;
    }

    @EventListener
    void on(ColleagueLeft left) {
        handovers.findByPersonId(left.person()).forEach(rule -> rule.pass(left.successor()));
        rounds.findAllByOrderByName().forEach(round -> round.pass(left.person(), left.successor()));
    }
}
