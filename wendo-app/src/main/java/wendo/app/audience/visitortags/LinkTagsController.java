package wendo.app.audience.visitortags;

import java.net.URI;
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
import org.springframework.web.servlet.mvc.support.RedirectAttributes;
import wendo.app.issue.links.LinkDirectory;
import wendo.app.issue.links.LinkListed;
import wendo.app.issue.links.LinkSaving;
import wendo.app.platform.accounts.Needs;
import wendo.app.platform.accounts.Permission;
import wendo.app.platform.business.BusinessScope;
import wendo.app.platform.site.Texts;
import wendo.app.platform.site.TypedFields;
import wendo.app.platform.site.ViewRecord;

/** The visitor tags of one link. */
@Needs(Permission.SET_UP)
@Controller
@RequestMapping("/links/{id}/tags")
class LinkTagsController {
    private final LinkSaving links;
    private final VisitorTags tags;
    private final LinkDirectory directory;

    LinkTagsController(LinkSaving links, VisitorTags tags, LinkDirectory directory) {
        this.directory = directory;
        this.links = links;
        this.tags = tags;
    }

    /** @param inherited what holds where the link says nothing */
    record LinkTagsPage(
            LinkListed link,
            List<VisitorTags.Listed> tags,
            Map<UUID, Boolean> said,
            Map<UUID, TagSetting.Inherited> inherited) {}

    @GetMapping
    ModelAndView page(@PathVariable UUID id) {
        LinkListed link = find(id);
        return ViewRecord.of(
                "audience/visitortags/link",
                new LinkTagsPage(link, tags.list(), tags.ofLink(id), tags.inherited(of(link))));
    }

    private TagSetting.Of of(LinkListed link) {
        Optional<UUID> brand = directory
                .findHost(URI.create(link.url()).getHost())
                .flatMap(host -> host.find(link.slug()))
                .flatMap(LinkDirectory.Target::brand);
        return new TagSetting.Of(
                BusinessScope.current().value(), link.id(), link.belongs().campaign(), brand);
    }

    private LinkListed find(UUID id) {
        return links.find(id).orElseThrow(() -> new ResponseStatusException(HttpStatus.NOT_FOUND));
    }

    @PostMapping
    String use(@PathVariable UUID id, TypedFields typed, RedirectAttributes notes) {
        find(id);
        Map<UUID, Boolean> wanted = new HashMap<>();
        for (VisitorTags.Listed tag : tags.list()) {
            String said = typed.text("tag." + tag.id());
            if (said.equals("on") || said.equals("off")) {
                wanted.put(tag.id(), said.equals("on"));
            }
        }
        tags.useOn(id, wanted);
        notes.addFlashAttribute("saidHere", Texts.of("audience.visitortags.saved"));
        return "redirect:/links/" + id + "/tags";
    }
}
