package wendo.app.platform.accounts;

import jakarta.servlet.http.HttpServletRequest;
import jakarta.servlet.http.HttpSession;
import java.util.Objects;
import java.util.UUID;
import org.springframework.http.HttpStatus;
import org.springframework.security.core.annotation.AuthenticationPrincipal;
import org.springframework.stereotype.Controller;
import org.springframework.ui.Model;
import org.springframework.web.bind.annotation.GetMapping;
import org.springframework.web.bind.annotation.PostMapping;
import org.springframework.web.bind.annotation.RequestMapping;
import org.springframework.web.bind.annotation.RequestParam;
import org.springframework.web.server.ResponseStatusException;
import wendo.app.platform.business.BusinessId;

@Controller
class SignInController {
    private final Accounts accounts;

    SignInController(Accounts accounts) {
        this.accounts = accounts;
    }

    @GetMapping("/")
    String start() {
        return "redirect:/today";
    }

    @GetMapping("/sign-in")
    String page(@RequestParam(required = false) boolean signedOut, Model model) {
        model.addAttribute("email", "");
        model.addAttribute("fault", "");
        model.addAttribute("signedOut", signedOut);
        return "platform/accounts/sign-in";
    }

    /** Where a refused sign-in is forwarded to: the same form, with what was typed. */
    @RequestMapping(SecurityConfiguration.REFUSED)
    String refused(HttpServletRequest request, Model model) {
        String email = request.getParameter("email");
        model.addAttribute("email", email == null ? "" : email);
        model.addAttribute("fault", Objects.requireNonNullElse(request.getAttribute(SecurityConfiguration.FAULT), ""));
        model.addAttribute("signedOut", false);
        return "platform/accounts/sign-in";
    }

    /** Goes back to the page on which it was chosen. */
    @Needs(Permission.SEE)
    @PostMapping("/language")
    String speak(
            @RequestParam(defaultValue = "") String language,
            @RequestParam(defaultValue = "/today") String back,
            @AuthenticationPrincipal SignedIn person) {
        accounts.speak(person.id(), language);
        boolean isOwnPage = back.matches("/(?:[^/\\\\\\s{][^\\\\\\s{]*)?");
        return "redirect:" + (isOwnPage ? back : "/today");
    }

    @Needs(Permission.SEE)
    @PostMapping("/business")
    String choose(@RequestParam UUID business, @AuthenticationPrincipal SignedIn person, HttpSession session) {
        BusinessId wanted = new BusinessId(business);
        if (!BusinessFilter.mayChoose(accounts.memberships(person.id()), wanted)) {
            throw new ResponseStatusException(HttpStatus.NOT_FOUND);
        }
        session.setAttribute(BusinessFilter.CHOSEN, wanted);
        return "redirect:/today";
    }
}
