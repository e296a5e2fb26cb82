package wendo.app.money.partnerpage;

import jakarta.servlet.http.HttpServletRequest;
import jakarta.servlet.http.HttpServletResponse;
import java.util.LinkedHashMap;
import java.util.Map;
import java.util.Optional;
import org.springframework.stereotype.Controller;
import org.springframework.web.bind.annotation.PathVariable;
import org.springframework.web.bind.annotation.PostMapping;
import org.springframework.web.bind.annotation.RequestMapping;
import org.springframework.web.servlet.ModelAndView;
import wendo.app.money.exchange.ClaimForm;
import wendo.app.money.exchange.Claims;
import wendo.app.money.exchange.PartnerMessages;
import wendo.app.money.partnerpage.PartnerDoor.Call;
import wendo.app.money.partners.OwnPage;
import wendo.app.platform.business.UniqueKey;
import wendo.app.platform.site.InvalidForm;
import wendo.app.platform.site.Limits;
import wendo.app.platform.site.PublicLanguages;
import wendo.app.platform.site.Texts;
import wendo.app.platform.site.TypedFields;

/** What a partner tells the business on its page: an outcome that was theirs, or a question. */
@Controller
@RequestMapping("/t/partners/{token}")
class OpenExchangeController {
    private final PartnerDoor door;
    private final PartnerPages pages;
    private final Claims claims;
    private final PartnerMessages messages;

    OpenExchangeController(PartnerDoor door, PartnerPages pages, Claims claims, PartnerMessages messages) {
        this.door = door;
        this.pages = pages;
        this.claims = claims;
        this.messages = messages;
    }

    /** The same claim again changes nothing and is answered as the first. */
    @PostMapping("/claims")
    ModelAndView claim(
            @PathVariable String token, TypedFields typed, HttpServletRequest request, HttpServletResponse response)
            throws Exception {
        return door.written(new Call(token, request, response), own -> {
            PublicLanguages.speak(own.language());
            Map<String, String> faults = new LinkedHashMap<>();
            Optional<ClaimForm> form = ClaimForm.check(typed, faults);
            if (form.isPresent()
                    && !UniqueKey.stored(() -> claims.make(own.partner(), form.get()))
                            .orElse(true)) {
                faults.put("reference", Texts.of("money.exchange.too-many"));
            }
            return answered(token, own, typed, faults, "claims");
        });
    }

    @PostMapping("/messages")
    ModelAndView ask(
            @PathVariable String token, TypedFields typed, HttpServletRequest request, HttpServletResponse response)
            throws Exception {
        return door.written(new Call(token, request, response), own -> {
            PublicLanguages.speak(own.language());
            Map<String, String> faults = new LinkedHashMap<>();
            String body = typed.text("body");
            InvalidForm.tooLong(faults, "body", body, Limits.MESSAGE);
            if (body.isEmpty()) {
                faults.put("body", Texts.of("money.exchange.body-missing"));
            } else if (faults.isEmpty() && !messages.ask(own.partner(), body)) {
                faults.put("body", Texts.of("money.exchange.too-many"));
            }
            return answered(token, own, typed, faults, "messages");
        });
    }

    private ModelAndView answered(
            String token, OwnPage own, TypedFields typed, Map<String, String> faults, String place) {
        return faults.isEmpty()
                ? new ModelAndView("redirect:/t/partners/%s#%s".formatted(token, place))
                : pages.show(token, own, new PartnerPages.Typed(typed.firstValues(), faults));
    }
}
