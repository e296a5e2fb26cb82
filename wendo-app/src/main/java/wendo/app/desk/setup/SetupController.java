package wendo.app.desk.setup;

import java.util.UUID;
import org.springframework.http.HttpStatus;
import org.springframework.stereotype.Controller;
import org.springframework.ui.Model;
import org.springframework.web.bind.annotation.GetMapping;
import org.springframework.web.bind.annotation.PathVariable;
import org.springframework.web.bind.annotation.PostMapping;
import org.springframework.web.bind.annotation.RequestMapping;
import org.springframework.web.bind.annotation.RequestParam;
import org.springframework.web.server.ResponseStatusException;
import org.springframework.web.servlet.ModelAndView;
import org.springframework.web.servlet.mvc.support.RedirectAttributes;
import wendo.app.issue.links.LinkHosts;
import wendo.app.platform.accounts.ApiKeys;
import wendo.app.platform.accounts.CurrentPerson;
import wendo.app.platform.accounts.KeyScope;
import wendo.app.platform.accounts.Needs;
import wendo.app.platform.accounts.Permission;
import wendo.app.platform.business.Business;
import wendo.app.prepare.sources.Sources;

/** The business and its keys. */
@Needs(Permission.SET_UP)
@Controller
@RequestMapping("/setup")
class SetupController {
    private static final int MAX_NAME = 80;

    private final ApiKeys keys;
    private final LinkHosts hosts;
    private final Sources sources;

    SetupController(ApiKeys keys, LinkHosts hosts, Sources sources) {
        this.keys = keys;
        this.hosts = hosts;
        this.sources = sources;
    }

    @GetMapping({"", "/keys"})
    String page(Business business, CurrentPerson person, Model model) {
        model.addAttribute("business", business);
        model.addAttribute("host", hosts.defaultHost());
        model.addAttribute("keys", keys.list());
        model.addAttribute("scopes", KeyScope.values());
        model.addAttribute("sources", sources.list());
        model.addAttribute("maySetUp", person.role().maySetUp());
        return "desk/setup/page";
    }

    @Needs(Permission.OWN)
    @PostMapping("/keys")
    ModelAndView create(
            @RequestParam String name,
            @RequestParam(defaultValue = "all") String scope,
            Business business,
            CurrentPerson person,
            Model model,
            RedirectAttributes next) {
        person.mustBeAllowedToSetUp();
        String wanted = name.strip();
        if (wanted.isEmpty() || wanted.length() > MAX_NAME) {
            model.addAttribute(
                    "keyFault",
                    "Name the key after the program that will use it, in 1 to %d characters.".formatted(MAX_NAME));
            model.addAttribute("keyName", name);
            return new ModelAndView(page(business, person, model), model.asMap(), HttpStatus.UNPROCESSABLE_CONTENT);
        }
        next.addFlashAttribute(
                "newKey", keys.create(wanted, KeyScope.find(scope).orElse(KeyScope.READ)));
        return new ModelAndView("redirect:/setup#keys");
    }

    @Needs(Permission.OWN)
    @PostMapping("/keys/{id}/revoke")
    String revoke(@PathVariable UUID id, CurrentPerson person) {
        person.mustBeAllowedToSetUp();
        if (!keys.revoke(id)) {
            throw new ResponseStatusException(HttpStatus.NOT_FOUND);
        }
        return "redirect:/setup#keys";
    }
}
