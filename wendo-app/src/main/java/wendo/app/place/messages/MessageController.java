package wendo.app.place.messages;

import java.util.List;
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
import org.springframework.web.server.ResponseStatusException;
import org.springframework.web.servlet.ModelAndView;
import wendo.app.issue.links.LinkListed;
import wendo.app.issue.links.LinkSaving;
import wendo.app.platform.accounts.Needs;
import wendo.app.platform.accounts.Permission;
import wendo.app.platform.business.Business;
import wendo.app.platform.business.EditedVersion;
import wendo.app.platform.site.EditConflict;
import wendo.app.platform.site.InvalidForm;
import wendo.app.platform.site.TypedFields;
import wendo.app.platform.site.ViewRecord;
import wendo.core.media.TextMessage;

/** A link in a text message: what it reads like, in how many segments, at what cost. */
@Controller
@RequestMapping("/links/{id}/message")
class MessageController {
    private final LinkSaving links;
    private final Messages messages;
    private final RecipientLists lists;

    MessageController(LinkSaving links, Messages messages, RecipientLists lists) {
        this.links = links;
        this.messages = messages;
        this.lists = lists;
    }

    record MessagePage(
            LinkListed link,
            MessageForm form,
            Map<String, String> faults,
            MessageCount count,
            Optional<Long> recipients,
            int version,
            List<RecipientLists.Listed> lists) {}

    @GetMapping({"", "/count"})
    ModelAndView page(@PathVariable UUID id, Business business) {
        MessageForm form = messages.find(id, business)
                .orElseGet(() -> new MessageForm(MessageCount.PLACE, "", messages.usualPrice(business)));
        return show("place/messages/page", find(id), form, business);
    }

    private ModelAndView show(String view, LinkListed link, MessageForm form, Business business) {
        MessageForm.Read read = form.read(business);
        return ViewRecord.of(
                view,
                new MessagePage(
                        link,
                        form,
                        read.faults(),
                        MessageCount.of(form.text(), link, read.recipients(), read.price()),
                        read.recipients(),
                        messages.version(link.id()),
                        lists.of(link.id())));
    }

    /** The part that counts, while somebody types. */
    @Needs(value = Permission.ISSUE, ofLink = true)
    @PostMapping("/count")
    ModelAndView count(@PathVariable UUID id, TypedFields typed, Business business) {
        return show("place/messages/page :: count", find(id), MessageForm.of(typed), business);
    }

    /** {@code plain} and {@code replace} name the buttons that change the text before it is kept. */
    @Needs(value = Permission.ISSUE, ofLink = true)
    @PostMapping
    ModelAndView save(@PathVariable UUID id, TypedFields typed, Business business) {
        LinkListed link = find(id);
        String replace = typed.raw("replace");
        MessageForm form = MessageForm.of(typed);
        String text = replace.isEmpty() ? form.text() : form.text().replace(replace, MessageCount.PLACE);
        text = typed.raw("plain").isEmpty() ? text : TextMessage.cheaper(text);
        MessageForm changed = new MessageForm(text, form.recipients(), form.price());
        MessageForm.Read read = changed.read(business);
        if (!read.faults().isEmpty()) {
            return InvalidForm.of(show("place/messages/page", link, changed, business));
        }
        try {
            messages.save(id, EditedVersion.of(typed.raw("version")), text, read);
        } catch (OptimisticLockingFailureException e) {
            MessageForm theirs = messages.find(id, business).orElse(new MessageForm("", "", ""));
            return EditConflict.of(
                    show("place/messages/page", link, changed, business)
                            .addObject("faults", EditConflict.marks(changed, theirs)),
                    "/links/" + id + "/message");
        }
        return new ModelAndView("redirect:/links/" + id + "/message");
    }

    private LinkListed find(UUID id) {
        return links.find(id).orElseThrow(() -> new ResponseStatusException(HttpStatus.NOT_FOUND));
    }
}
