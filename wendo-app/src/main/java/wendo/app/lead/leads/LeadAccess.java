package wendo.app.lead.leads;

import java.util.List;
import java.util.Optional;
import java.util.UUID;
import org.springframework.http.HttpStatus;
import org.springframework.stereotype.Component;
import org.springframework.web.server.ResponseStatusException;
import wendo.app.platform.accounts.Accounts;
import wendo.app.platform.accounts.Colleague;
import wendo.app.platform.accounts.CurrentPerson;
import wendo.app.platform.accounts.Permission;
import wendo.app.platform.site.Texts;

/** Which leads somebody works on, and to whom they give them. Refused requests end here. */
@Component
class LeadAccess {
    private final Leads leads;
    private final LeadQueries queries;
    private final Accounts accounts;

    LeadAccess(Leads leads, LeadQueries queries, Accounts accounts) {
        this.leads = leads;
        this.queries = queries;
        this.accounts = accounts;
    }

    void own(UUID id, Optional<Colleague> to, CurrentPerson person) {
        String said =
                to.map(one -> Texts.kept("lead.assigned-to", one.name())).orElse(Texts.kept("lead.without-owner"));
        leads.own(id, to.map(Colleague::id), person.name(), said);
    }

    /** Staff take leads for themselves; owners and managers give them to anybody. */
    List<Colleague> assignable(CurrentPerson person) {
        return accounts.colleagues().stream()
                .filter(one -> person.may(Permission.SEE_CONTACTS) || one.id().equals(person.id()))
                .toList();
    }

    /** @param owner empty text for nobody; whoever works here no more is refused, so that no lead is lost to nobody */
    Optional<Colleague> assignedTo(String owner, CurrentPerson person) {
        Optional<Colleague> to = accounts.colleagues().stream()
                .filter(one -> one.id().toString().equals(owner))
                .findFirst();
        if (to.isEmpty() && !owner.isEmpty()) {
            throw new ResponseStatusException(HttpStatus.NOT_FOUND);
        }
        if (to.filter(one -> !assignable(person).contains(one)).isPresent()) {
            throw new ResponseStatusException(
                    HttpStatus.FORBIDDEN, Texts.of("lead.leads.owners-and-managers-assign-leads"));
        }
        return to;
    }

    /** Staff work on their own leads and on nobody's; of others' they learn nothing. */
    LeadQueries.Row find(UUID id, CurrentPerson person) {
        return queries.find(id)
                .filter(lead -> person.may(Permission.SEE_CONTACTS)
                        || lead.ownerId().isEmpty()
                        || lead.ownerId().get().equals(person.id()))
                .orElseThrow(() -> new ResponseStatusException(HttpStatus.NOT_FOUND));
    }
}
