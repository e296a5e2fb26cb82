package wendo.app.place.newsletters;

import java.util.HashMap;
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
import org.springframework.web.bind.annotation.RequestParam;
import org.springframework.web.server.ResponseStatusException;
import org.springframework.web.servlet.ModelAndView;
import wendo.app.issue.links.LinkListed;
import wendo.app.issue.links.LinkSaving;
import wendo.app.place.subscribers.NewsletterLists;
import wendo.app.place.subscribers.Senders;
import wendo.app.platform.accounts.CurrentPerson;
import wendo.app.platform.accounts.Needs;
import wendo.app.platform.accounts.Permission;
import wendo.app.platform.business.Business;
import wendo.app.platform.business.EditedVersion;
import wendo.app.platform.business.UniqueKey;
import wendo.app.platform.site.EditConflict;
import wendo.app.platform.site.FilterValues;
import wendo.app.platform.site.InvalidForm;
import wendo.app.platform.site.LabelLine;
import wendo.app.platform.site.Texts;
import wendo.app.platform.site.TypedFields;
import wendo.app.platform.site.ViewRecord;
import wendo.core.links.AddressRefused;
import wendo.core.media.EmailAddress;

/** A link in a newsletter: its markup, and whether it subscribes. */
@Controller
@RequestMapping("/links/{id}/newsletter")
class NewsletterController {
    private final LinkSaving links;
    private final Senders senders;
    private final OptIns optIns;
    private final NewsletterLists lists;

    NewsletterController(LinkSaving links, Senders senders, OptIns optIns, NewsletterLists lists) {
        this.links = links;
        this.senders = senders;
        this.optIns = optIns;
        this.lists = lists;
    }

    record TypedSender(String typedName, String typedPlaceholder) {}

    record NewsletterPage(
            LinkListed link,
            List<Senders.Listed> senders,
            Optional<Senders.Listed> sender,
            OptIns.OptIn optIn,
            List<NewsletterLists.Listed> lists,
            int version,
            long subscribers,
            Markup markup,
            String reader,
            String tried,
            Map<String, String> faults) {}

    @GetMapping({"", "/senders", "/opt-in"})
    ModelAndView page(
            @PathVariable UUID id,
            @RequestParam Optional<UUID> sender,
            @RequestParam(defaultValue = "") String reader) {
        return show(find(id), sender, reader, Map.of());
    }

    private ModelAndView show(LinkListed link, Optional<UUID> sender, String reader, Map<String, String> faults) {
        List<Senders.Listed> all = senders.list();
        Optional<Senders.Listed> chosen = all.stream()
                .filter(one -> sender.map(one.id()::equals).orElse(true))
                .findFirst();
        OptIns.OptIn optIn = optIns.of(link.id());
        return ViewRecord.of(
                "place/newsletters/page",
                new NewsletterPage(
                        link,
                        all,
                        chosen,
                        optIn,
                        lists.list(),
                        optIns.version(link.id()),
                        optIns.count(link.id()),
                        Markup.of(link, optIn.isOpen() ? chosen.map(Senders.Listed::placeholder) : Optional.empty()),
                        reader.length() <= EmailAddress.MAX_LENGTH ? reader : "",
                        Markup.tryOut(link, reader),
                        faults));
    }

    @Needs(value = Permission.ISSUE, ofLink = true)
    @PostMapping("/senders")
    ModelAndView addSender(@PathVariable UUID id, @RequestParam String name, @RequestParam String placeholder) {
        LinkListed link = find(id);
        Map<String, String> faults = senders.add(name, placeholder);
        if (faults.isEmpty()) {
            return back(id);
        }
        return InvalidForm.of(
                ViewRecord.with(show(link, Optional.empty(), "", faults), new TypedSender(name, placeholder)));
    }

    @Needs(value = Permission.ISSUE, ofLink = true)
    @PostMapping("/senders/{sender}/remove")
    ModelAndView removeSender(@PathVariable UUID id, @PathVariable UUID sender) {
        find(id);
        senders.remove(sender);
        return back(id);
    }

    @Needs(value = Permission.ISSUE, ofLink = true)
    @PostMapping("/opt-in")
    ModelAndView keep(@PathVariable UUID id, TypedFields typed, Business business, CurrentPerson person) {
        LinkListed link = find(id);
        Map<String, String> faults = new HashMap<>();
        OptIns.OptIn optIn = read(id, typed, business, faults);
        if (!faults.isEmpty()) {
            return InvalidForm.of(show(link, Optional.empty(), "", faults)).addObject("optIn", optIn);
        }
        try {
            EditedVersion edited = EditedVersion.of(typed.raw("version"));
            if (UniqueKey.refuses(() -> optIns.save(id, edited, optIn, person.name()))) {
                optIns.save(id, edited, optIn, person.name()); // somebody else added the first list meanwhile
            }
        } catch (OptimisticLockingFailureException e) {
            OptIns.OptIn theirs = optIns.of(id);
            Map<String, String> marks = EditConflict.marks(
                    Map.of("promise", optIn.promise(), "onward", optIn.onward()),
                    Map.of("promise", theirs.promise(), "onward", theirs.onward()));
            return EditConflict.of(
                    show(link, Optional.empty(), "", marks).addObject("optIn", optIn), "/links/" + id + "/newsletter");
        }
        return back(id);
    }

    private OptIns.OptIn read(UUID link, TypedFields typed, Business business, Map<String, String> faults) {
        boolean isOpen = typed.raw("open").equals("yes");
        String promise = typed.text("promise");
        InvalidForm.tooLong(faults, "promise", promise, OptIns.MAX_PROMISE);
        if (isOpen && promise.isEmpty()) {
            faults.put("promise", Texts.of("place.newsletters.enter-what-readers-subscribe-to"));
        }
        LabelLine labels = LabelLine.of(typed.raw("labels"));
        labels.fault().ifPresent(fault -> faults.put("labels", fault));
        return new OptIns.OptIn(
                isOpen,
                typed.raw("asksFirst").equals("yes"),
                promise,
                onward(link, typed.text("onward"), business, faults),
                FilterValues.id(typed.raw("list"))
                        .filter(list -> lists.find(list).isPresent()),
                labels.labels(),
                "",
                Optional.empty());
    }

    private String onward(UUID link, String typed, Business business, Map<String, String> faults) {
        try {
            return typed.isEmpty() ? "" : links.tagged(link, links.check(typed, business));
        } catch (AddressRefused e) {
            faults.put("onward", Texts.said(e));
            return typed;
        }
    }

    private LinkListed find(UUID id) {
        return links.find(id).orElseThrow(() -> new ResponseStatusException(HttpStatus.NOT_FOUND));
    }

    private static ModelAndView back(UUID id) {
        return new ModelAndView("redirect:/links/" + id + "/newsletter");
    }
}
