package wendo.app.audience.addesks;

import java.util.HashMap;
import java.util.List;
import java.util.Map;
import java.util.Optional;
import java.util.UUID;
import org.springframework.http.HttpStatus;
import org.springframework.stereotype.Controller;
import org.springframework.web.bind.annotation.GetMapping;
import org.springframework.web.bind.annotation.PathVariable;
import org.springframework.web.bind.annotation.PostMapping;
import org.springframework.web.bind.annotation.RequestMapping;
import org.springframework.web.server.ResponseStatusException;
import org.springframework.web.servlet.ModelAndView;
import wendo.app.audience.audiences.AudiencePeople;
import wendo.app.platform.accounts.CurrentPerson;
import wendo.app.platform.accounts.Needs;
import wendo.app.platform.accounts.Permission;
import wendo.app.platform.business.UniqueKey;
import wendo.app.platform.consent.ConsentPurpose;
import wendo.app.platform.site.FilterValues;
import wendo.app.platform.site.InvalidForm;
import wendo.app.platform.site.Limits;
import wendo.app.platform.site.Texts;
import wendo.app.platform.site.TypedFields;
import wendo.app.platform.site.ViewRecord;

/** The lists of ad desks that an audience is kept on. */
@Needs(Permission.SET_UP)
@Controller
@RequestMapping("/audiences/{id}/ad-desks")
class TransferController {
    private final Transfers transfers;
    private final AudiencePeople audiences;

    TransferController(Transfers transfers, AudiencePeople audiences) {
        this.transfers = transfers;
        this.audiences = audiences;
    }

    /** @param reachable people of the audience who agreed to advertising */
    record TransfersPage(
            AudiencePeople.Named audience,
            long reachable,
            List<Transfers.Listed> transfers,
            List<Transfers.Desk> desks,
            Map<String, String> typed,
            Map<String, String> faults) {}

    @GetMapping
    ModelAndView page(@PathVariable UUID id) {
        return show(id, Map.of(), Map.of());
    }

    private ModelAndView show(UUID id, Map<String, String> typed, Map<String, String> faults) {
        AudiencePeople.Named audience = audience(id);
        return ViewRecord.of(
                "audience/addesks/transfers",
                new TransfersPage(
                        audience,
                        audiences.countReachable(id, ConsentPurpose.ADVERTISING),
                        transfers.of(id),
                        transfers.desks(),
                        typed,
                        faults));
    }

    @PostMapping
    ModelAndView begin(@PathVariable UUID id, TypedFields typed, CurrentPerson person) {
        audience(id);
        Map<String, String> faults = new HashMap<>();
        Optional<UUID> desk = FilterValues.id(typed.text("desk"))
                .filter(chosen ->
                        transfers.desks().stream().anyMatch(one -> one.id().equals(chosen)));
        if (desk.isEmpty()) {
            faults.put("desk", Texts.of("audience.addesks.choose-desk"));
        }
        String list = typed.text("list");
        if (list.isEmpty()) {
            faults.put("list", Texts.of("audience.addesks.list-missing"));
        }
        InvalidForm.tooLong(faults, "list", list, Limits.SHORT_NAME);
        if (faults.isEmpty() && UniqueKey.refuses(() -> transfers.begin(id, desk.get(), list, person.name()))) {
            faults.put("list", Texts.of("audience.addesks.list-taken"));
        }
        return faults.isEmpty()
                ? new ModelAndView("redirect:/audiences/" + id + "/ad-desks")
                : InvalidForm.of(show(id, typed.firstValues(), faults));
    }

    @PostMapping("/{transfer}/run")
    String run(@PathVariable UUID id, @PathVariable UUID transfer) {
        transfers.again(of(id, transfer));
        return "redirect:/audiences/" + id + "/ad-desks";
    }

    @PostMapping("/{transfer}/end")
    String end(@PathVariable UUID id, @PathVariable UUID transfer) {
        transfers.end(of(id, transfer));
        return "redirect:/audiences/" + id + "/ad-desks";
    }

    private UUID of(UUID audience, UUID transfer) {
        return transfers.of(audience).stream()
                .map(Transfers.Listed::id)
                .filter(transfer::equals)
                .findFirst()
                .orElseThrow(TransferController::missing);
    }

    private AudiencePeople.Named audience(UUID id) {
        return audiences.find(id).orElseThrow(TransferController::missing);
    }

    private static ResponseStatusException missing() {
        return new ResponseStatusException(HttpStatus.NOT_FOUND);
    }
}
