package wendo.app.money.exchange;

import jakarta.servlet.http.HttpServletResponse;
import java.io.IOException;
import java.time.Clock;
import java.util.LinkedHashMap;
import java.util.List;
import java.util.Map;
import java.util.Optional;
import java.util.UUID;
import org.springframework.http.HttpStatus;
import org.springframework.http.MediaType;
import org.springframework.orm.ObjectOptimisticLockingFailureException;
import org.springframework.stereotype.Controller;
import org.springframework.web.bind.annotation.GetMapping;
import org.springframework.web.bind.annotation.PathVariable;
import org.springframework.web.bind.annotation.PostMapping;
import org.springframework.web.bind.annotation.RequestMapping;
import org.springframework.web.bind.annotation.RequestParam;
import org.springframework.web.multipart.MultipartFile;
import org.springframework.web.server.ResponseStatusException;
import org.springframework.web.servlet.ModelAndView;
import wendo.app.money.partners.PartnerQueries;
import wendo.app.platform.accounts.Needs;
import wendo.app.platform.accounts.PageContext;
import wendo.app.platform.accounts.Permission;
import wendo.app.platform.business.EditedVersion;
import wendo.app.platform.site.InvalidForm;
import wendo.app.platform.site.Limits;
import wendo.app.platform.site.Texts;
import wendo.app.platform.site.TypedFields;
import wendo.app.platform.site.ViewRecord;

/** What a partner says and asks, and what the business gives it to use. */
@Controller
@Needs(Permission.SET_UP)
@RequestMapping("/partners/{id}/exchange")
class ExchangeController {
    private final PartnerQueries partners;
    private final Claims claims;
    private final PartnerMessages messages;
    private final Materials materials;
    private final Clock clock;

    ExchangeController(
            PartnerQueries partners, Claims claims, PartnerMessages messages, Materials materials, Clock clock) {
        this.partners = partners;
        this.claims = claims;
        this.messages = messages;
        this.materials = materials;
        this.clock = clock;
    }

    /**
     * What the page shows.
     *
     * @param refused the claim that was decided wrongly, if one was
     */
    record ExchangePage(
            PartnerQueries.Row row,
            List<Claims.Shown> claims,
            List<PartnerMessages.Shown> messages,
            long waiting,
            List<Materials.Shown> materials,
            Optional<UUID> refused,
            Map<String, String> typed,
            Map<String, String> faults) {}

    @GetMapping
    ModelAndView page(@PathVariable UUID id, PageContext context) {
        return page(id, new Refused(Optional.empty(), Map.of(), Map.of()), context);
    }

    @PostMapping("/claims/{claim}")
    ModelAndView decide(@PathVariable UUID id, @PathVariable UUID claim, TypedFields typed, PageContext context) {
        find(id, context);
        Map<String, String> faults = new LinkedHashMap<>();
        InvalidForm.tooLong(faults, "reason", typed.text("reason"), Limits.REASON);
        if (faults.isEmpty()) {
            refusal(id, claim, typed, context).ifPresent(fault -> faults.put("reason", fault));
        }
        return answered(id, new Refused(Optional.of(claim), typed.firstValues(), faults), context);
    }

    private Optional<String> refusal(UUID id, UUID claim, TypedFields typed, PageContext context) {
        if (claims.of(id).stream().noneMatch(one -> one.id().equals(claim))) {
            throw absent();
        }
        Claims.Decision decision = new Claims.Decision(
                typed.is("decision", "accept"),
                typed.text("reason"),
                context.person().name());
        try {
            return claims.decide(id, claim, EditedVersion.of(typed.raw("version")), decision);
        } catch (ObjectOptimisticLockingFailureException e) {
            return Optional.of(Texts.of("money.exchange.decided-meanwhile"));
        }
    }

    @PostMapping("/messages")
    ModelAndView answer(@PathVariable UUID id, TypedFields typed, PageContext context) {
        find(id, context);
        String body = typed.text("body");
        Map<String, String> faults = new LinkedHashMap<>();
        InvalidForm.tooLong(faults, "body", body, Limits.MESSAGE);
        if (typed.is("read", "yes")) {
            messages.markRead(id);
        } else if (body.isEmpty()) {
            faults.put("body", Texts.of("money.exchange.body-missing"));
        } else if (faults.isEmpty()) {
            messages.answer(id, body, context.person().name());
        }
        return answered(id, new Refused(Optional.empty(), typed.firstValues(), faults), context);
    }

    @PostMapping("/materials")
    ModelAndView add(
            @PathVariable UUID id,
            TypedFields typed,
            @RequestParam Optional<MultipartFile> picture,
            PageContext context)
            throws IOException {
        find(id, context);
        Map<String, String> faults = new LinkedHashMap<>();
        String title = typed.text("title");
        String text = typed.text("text");
        InvalidForm.tooLong(faults, "title", title, Limits.TITLE);
        InvalidForm.tooLong(faults, "text", text, Limits.MESSAGE);
        Optional<MultipartFile> file = picture.filter(one -> !one.isEmpty());
        Optional<byte[]> jpeg =
                file.isEmpty() ? Optional.empty() : Materials.jpeg(file.get().getBytes());
        if (title.isEmpty()) {
            faults.put("title", Texts.of("money.exchange.title-missing"));
        }
        if (file.isPresent() && jpeg.isEmpty()) {
            faults.put("picture", Texts.of("money.exchange.picture-wrong"));
        } else if (file.isEmpty() && text.isEmpty()) {
            faults.put("text", Texts.of("money.exchange.text-or-picture"));
        }
        if (faults.isEmpty()) {
            Optional<UUID> whose = typed.is("forAll", "yes") ? Optional.empty() : Optional.of(id);
            materials.add(
                    whose,
                    new Materials.Draft(title, text, jpeg),
                    context.person().name());
        }
        return answered(id, new Refused(Optional.empty(), typed.firstValues(), faults), context);
    }

    @PostMapping("/materials/{material}/remove")
    String remove(@PathVariable UUID id, @PathVariable UUID material, PageContext context) {
        find(id, context);
        materials.remove(id, material);
        return "redirect:/partners/%s/exchange".formatted(id);
    }

    @GetMapping("/materials/{material}.jpg")
    void picture(@PathVariable UUID id, @PathVariable UUID material, PageContext context, HttpServletResponse response)
            throws IOException {
        find(id, context);
        byte[] jpeg = materials.picture(id, material).orElseThrow(ExchangeController::absent);
        response.setContentType(MediaType.IMAGE_JPEG_VALUE);
        response.getOutputStream().write(jpeg);
    }

    /** A form that was refused, if {@code faults} has something, and which claim's it was. */
    private record Refused(Optional<UUID> claim, Map<String, String> typed, Map<String, String> faults) {}

    private ModelAndView answered(UUID id, Refused refused, PageContext context) {
        return refused.faults().isEmpty()
                ? new ModelAndView("redirect:/partners/%s/exchange".formatted(id))
                : InvalidForm.of(page(id, refused, context));
    }

    private ModelAndView page(UUID id, Refused refused, PageContext context) {
        return ViewRecord.of(
                "money/exchange/page",
                new ExchangePage(
                        find(id, context),
                        claims.of(id),
                        messages.of(id),
                        messages.waiting(id),
                        materials.of(id),
                        refused.claim(),
                        refused.typed(),
                        refused.faults()));
    }

    private PartnerQueries.Row find(UUID id, PageContext context) {
        return partners.find(id, context.period(), context.business().today(clock))
                .orElseThrow(ExchangeController::absent);
    }

    private static ResponseStatusException absent() {
        return new ResponseStatusException(HttpStatus.NOT_FOUND);
    }
}
