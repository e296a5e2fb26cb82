package wendo.app.issue.sharecards;

import java.io.IOException;
import java.util.Map;
import java.util.Optional;
import java.util.UUID;
import org.springframework.dao.OptimisticLockingFailureException;
import org.springframework.http.HttpStatus;
import org.springframework.stereotype.Controller;
import org.springframework.web.bind.annotation.GetMapping;
import org.springframework.web.bind.annotation.PathVariable;
import org.springframework.web.bind.annotation.PostMapping;
import org.springframework.web.bind.annotation.RequestMapping;
import org.springframework.web.bind.annotation.RequestParam;
import org.springframework.web.multipart.MultipartFile;
import org.springframework.web.server.ResponseStatusException;
import org.springframework.web.servlet.ModelAndView;
import org.springframework.web.servlet.mvc.support.RedirectAttributes;
import wendo.app.issue.links.LinkListed;
import wendo.app.issue.links.LinkSaving;
import wendo.app.platform.accounts.Needs;
import wendo.app.platform.accounts.Permission;
import wendo.app.platform.business.Business;
import wendo.app.platform.business.EditedVersion;
import wendo.app.platform.site.EditConflict;
import wendo.app.platform.site.InvalidForm;
import wendo.app.platform.site.Texts;
import wendo.app.platform.site.TypedFields;
import wendo.app.platform.site.ViewRecord;
import wendo.app.prepare.destinations.DestinationLooks;
import wendo.app.prepare.destinations.Look;
import wendo.core.links.WebAddress;

/** How a link looks when somebody shares it, and what is said of it in place of what its page says. */
@Controller
@RequestMapping("/links/{id}/shared")
class ShareCardController {
    private final LinkSaving links;
    private final ShareCards cards;
    private final DestinationLooks looks;

    ShareCardController(LinkSaving links, ShareCards cards, DestinationLooks looks) {
        this.links = links;
        this.cards = cards;
        this.looks = looks;
    }

    record SharedPage(
            LinkListed link,
            ShareCards.Known known,
            ShareCardForm form,
            int version,
            String host,
            Map<String, String> faults) {}

    @GetMapping
    ModelAndView page(@PathVariable UUID id) {
        LinkListed link = find(id);
        ShareCards.Known known = cards.of(link);
        return show(link, known, ShareCardForm.of(known.own()), Map.of());
    }

    private static ModelAndView show(
            LinkListed link, ShareCards.Known known, ShareCardForm form, Map<String, String> faults) {
        return ViewRecord.of(
                "issue/sharecards/page",
                new SharedPage(
                        link,
                        known,
                        form,
                        known.version(),
                        WebAddress.of(link.url()).authority(),
                        faults));
    }

    @Needs(value = Permission.ISSUE, ofLink = true)
    @PostMapping
    ModelAndView save(@PathVariable UUID id, TypedFields typed, @RequestParam Optional<MultipartFile> picture)
            throws IOException {
        LinkListed link = find(id);
        ShareCardForm form = ShareCardForm.of(typed);
        Map<String, String> faults = form.faults();
        Optional<MultipartFile> file = picture.filter(one -> !one.isEmpty());
        Optional<SharePicture> read =
                file.isEmpty() ? Optional.empty() : SharePicture.of(file.get().getBytes());
        if (file.isPresent() && read.isEmpty()) {
            faults.put("picture", Texts.of("issue.sharecards.choose-a-picture"));
        }
        if (!faults.isEmpty()) {
            return InvalidForm.of(show(link, cards.of(link), form, faults));
        }
        try {
            cards.save(
                    id,
                    EditedVersion.of(typed.raw("version")),
                    form.card(),
                    new ShareCards.PictureChange(read, typed.is("noPicture", "yes")));
        } catch (OptimisticLockingFailureException e) {
            ShareCards.Known known = cards.of(link);
            return EditConflict.of(
                    show(link, known, form, EditConflict.marks(form, ShareCardForm.of(known.own()))),
                    "/links/" + id + "/shared");
        }
        return new ModelAndView("redirect:/links/" + id + "/shared");
    }

    /** Outside of a transaction, for the page takes its time. */
    @Needs(value = Permission.ISSUE, ofLink = true)
    @PostMapping("/read")
    ModelAndView read(@PathVariable UUID id, Business business, RedirectAttributes notes) {
        LinkListed link = find(id);
        Optional<Look> look = looks.look(WebAddress.of(link.destination()), business);
        if (look.isEmpty()) {
            notes.addFlashAttribute("readFault", Texts.of("issue.sharecards.asked-too-often"));
        } else if (!look.get().isWell()) {
            notes.addFlashAttribute("readFault", look.get().problem());
        }
        return new ModelAndView("redirect:/links/" + id + "/shared");
    }

    private LinkListed find(UUID id) {
        return links.find(id).orElseThrow(() -> new ResponseStatusException(HttpStatus.NOT_FOUND));
    }
}
