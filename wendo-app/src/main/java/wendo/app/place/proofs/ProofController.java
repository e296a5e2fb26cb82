package wendo.app.place.proofs;

import java.io.IOException;
import java.net.URI;
import java.time.Clock;
import java.time.Instant;
import java.util.List;
import java.util.UUID;
import org.springframework.http.HttpStatus;
import org.springframework.http.MediaType;
import org.springframework.http.ResponseEntity;
import org.springframework.stereotype.Controller;
import org.springframework.web.bind.annotation.GetMapping;
import org.springframework.web.bind.annotation.PathVariable;
import org.springframework.web.bind.annotation.PostMapping;
import org.springframework.web.bind.annotation.RequestParam;
import org.springframework.web.multipart.MultipartFile;
import org.springframework.web.server.ResponseStatusException;
import org.springframework.web.servlet.ModelAndView;
import wendo.app.issue.links.LinkListed;
import wendo.app.issue.links.LinkSaving;
import wendo.app.platform.accounts.CurrentPerson;
import wendo.app.platform.accounts.Needs;
import wendo.app.platform.accounts.Permission;
import wendo.app.platform.business.Business;
import wendo.app.platform.site.InvalidForm;
import wendo.app.platform.site.ViewRecord;
import wendo.app.prepare.destinations.DestinationLooks;
import wendo.core.links.WebAddress;
import wendo.core.media.CodeSvg;
import wendo.core.media.Correction;
import wendo.core.media.QrCode;

/** Proofs as the people of the business see them. */
@Needs(Permission.ISSUE)
@Controller
class ProofController {
    private final Proofs proofs;
    private final ProofQueries queries;
    private final PictureProof pictures;
    private final LinkSaving links;
    private final DestinationLooks looks;
    private final Clock clock;

    ProofController(
            Proofs proofs,
            ProofQueries queries,
            PictureProof pictures,
            LinkSaving links,
            DestinationLooks looks,
            Clock clock) {
        this.proofs = proofs;
        this.queries = queries;
        this.pictures = pictures;
        this.links = links;
        this.looks = looks;
        this.clock = clock;
    }

    record LinkProofsPage(LinkListed link, List<Proofs.Proof> proofs, Instant now) {}

    record ProofPage(Proofs.Proof proof, boolean isOpen, List<Checklist> lists) {}

    @GetMapping({"/links/{id}/proof", "/links/{id}/proof/picture"})
    ModelAndView link(@PathVariable UUID id) {
        LinkListed link = links.find(id).orElseThrow(ProofController::absent);
        return ViewRecord.of("place/proofs/link", new LinkProofsPage(link, proofs.of(id), clock.instant()));
    }

    /** Looks at the pages too, so that the checklist need not wait for the schedule. */
    @PostMapping("/proofs")
    String open(
            @RequestParam(name = "link", defaultValue = "") List<UUID> wanted,
            Business business,
            CurrentPerson person) {
        List<LinkListed> found =
                links.find(wanted.stream().distinct().limit(Proofs.MOST_LINKS).toList());
        if (found.isEmpty()) {
            return "redirect:/links";
        }
        UUID id = proofs.open(found.stream().map(LinkListed::id).toList(), person.name());
        looks.lookAtAll(
                found.stream()
                        .map(link -> WebAddress.of(link.destination()))
                        .distinct()
                        .toList(),
                business);
        return "redirect:/proofs/" + id;
    }

    @GetMapping("/proofs/{id}")
    ModelAndView page(@PathVariable UUID id) {
        Proofs.Proof proof = proofs.find(id).orElseThrow(ProofController::absent);
        return show("place/proofs/page", proof).addObject("phone", phoneAddress(proof));
    }

    /** The part that changes; asked for again every moment. */
    @GetMapping("/proofs/{id}/checklist")
    ModelAndView checklist(@PathVariable UUID id) {
        return show("place/proofs/checklist :: checklist", proofs.find(id).orElseThrow(ProofController::absent));
    }

    private ModelAndView show(String view, Proofs.Proof proof) {
        return ViewRecord.of(
                view,
                new ProofPage(
                        proof,
                        proof.isOpen(clock.instant()),
                        queries.happened(proof.id()).stream().map(Checklist::of).toList()));
    }

    /** On the links' own host, for there the phone is told apart. */
    private String phoneAddress(Proofs.Proof proof) {
        URI first = URI.create(queries.happened(proof.id()).get(0).url());
        return first.getScheme() + "://" + first.getAuthority() + "/t/proofs/" + proof.token();
    }

    @GetMapping(path = "/proofs/{id}/code.svg", produces = "image/svg+xml")
    ResponseEntity<String> code(@PathVariable UUID id) {
        Proofs.Proof proof = proofs.find(id).orElseThrow(ProofController::absent);
        return ResponseEntity.ok()
                .contentType(MediaType.valueOf("image/svg+xml"))
                .body(CodeSvg.draw(QrCode.of(phoneAddress(proof), Correction.M)));
    }

    @PostMapping("/proofs/{id}/end")
    String end(@PathVariable UUID id) {
        proofs.end(id);
        return "redirect:/proofs/" + id;
    }

    @Needs(value = Permission.ISSUE, ofLink = true)
    @PostMapping("/links/{id}/proof/picture")
    ModelAndView picture(@PathVariable UUID id, @RequestParam MultipartFile picture) throws IOException {
        ModelAndView page = link(id);
        LinkListed link = links.find(id).orElseThrow(ProofController::absent);
        PictureProof.Judged judged = pictures.judge(picture.getBytes(), link);
        page.addObject("judged", judged);
        return judged.isFine() ? page : InvalidForm.of(page);
    }

    private static ResponseStatusException absent() {
        return new ResponseStatusException(HttpStatus.NOT_FOUND);
    }
}
