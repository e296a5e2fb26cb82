package wendo.app.issue.alerts;

import java.util.Optional;
import java.util.UUID;
import org.springframework.http.HttpStatus;
import org.springframework.stereotype.Controller;
import org.springframework.web.bind.annotation.PathVariable;
import org.springframework.web.bind.annotation.PostMapping;
import org.springframework.web.bind.annotation.RequestParam;
import org.springframework.web.server.ResponseStatusException;
import wendo.app.issue.links.LinkSaving;
import wendo.app.platform.accounts.CurrentPerson;
import wendo.app.platform.accounts.Needs;
import wendo.app.platform.accounts.Permission;
import wendo.app.platform.business.UniqueKey;

/** Everybody chooses for themselves which links they are told of. */
@Controller
class AlertController {
    private final LinkAlerts alerts;
    private final LinkSaving links;

    AlertController(LinkAlerts alerts, LinkSaving links) {
        this.alerts = alerts;
        this.links = links;
    }

    @Needs(Permission.SEE)
    @PostMapping("/links/{id}/alert")
    String ask(@PathVariable UUID id, @RequestParam(defaultValue = "") String mode, CurrentPerson person) {
        if (links.find(id).isEmpty()) {
            throw new ResponseStatusException(HttpStatus.NOT_FOUND);
        }
        Optional<AlertMode> wanted = AlertMode.find(mode);
        if (UniqueKey.refuses(() -> alerts.ask(id, person.id(), wanted))) { // pressed twice at once
            alerts.ask(id, person.id(), wanted);
        }
        return "redirect:/links/" + id;
    }
}
