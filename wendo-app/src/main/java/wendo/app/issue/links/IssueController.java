package wendo.app.issue.links;

import java.util.ArrayList;
import java.util.HashMap;
import java.util.LinkedHashMap;
import java.util.List;
import java.util.Map;
import java.util.Optional;
import java.util.UUID;
import java.util.stream.Collectors;
import org.springframework.http.HttpStatus;
import org.springframework.stereotype.Controller;
import org.springframework.web.bind.annotation.GetMapping;
import org.springframework.web.bind.annotation.PostMapping;
import org.springframework.web.bind.annotation.RequestHeader;
import org.springframework.web.bind.annotation.RequestMapping;
import org.springframework.web.bind.annotation.RequestParam;
import org.springframework.web.servlet.ModelAndView;
import wendo.app.platform.accounts.CurrentPerson;
import wendo.app.platform.accounts.Needs;
import wendo.app.platform.accounts.Permission;
import wendo.app.platform.business.Business;
import wendo.app.platform.site.Texts;
import wendo.app.platform.site.TypedFields;
import wendo.app.platform.site.ViewRecord;
import wendo.app.prepare.destinations.DestinationLooks;
import wendo.app.prepare.destinations.Destinations;
import wendo.app.prepare.destinations.Look;
import wendo.app.prepare.sources.SourceListed;
import wendo.app.prepare.sources.Sources;
import wendo.core.links.AddressRefused;
import wendo.core.links.Channel;
import wendo.core.links.WebAddress;

/** The desk where links are issued. */
@Needs(Permission.ISSUE)
@Controller
@RequestMapping("/issue")
class IssueController {
    private final IssueContextFactory pages;
    private final Links links;
    private final Sources sources;
    private final LinkHosts hosts;
    private final DestinationLooks looks;
    private final LinkQueries queries;

    IssueController(
            IssueContextFactory pages,
            Links links,
            Sources sources,
            LinkHosts hosts,
            DestinationLooks looks,
            LinkQueries queries) {
        this.pages = pages;
        this.links = links;
        this.sources = sources;
        this.hosts = hosts;
        this.looks = looks;
        this.queries = queries;
    }

    /** Also at the addresses that a refused form leaves in the browser, for whoever opens one of them again. */
    @GetMapping({"", "/sheet", "/source", "/adopt", "/destination"})
    ModelAndView page(CurrentPerson person) {
        return pages.begin(person);
    }

    /** The sheet for what is on the desk so far; a part of the page for htmx, else the whole page. */
    @PostMapping("/sheet")
    ModelAndView sheet(TypedFields typed, @RequestHeader(name = "HX-Request", required = false) Optional<String> htmx) {
        return pages.show(
                IssueForm.of(typed), Map.of(), htmx.isPresent() ? "issue/links/issue :: sheet" : "issue/links/issue");
    }

    @PostMapping("/destination")
    ModelAndView anotherDestination(TypedFields typed) {
        return pages.show(IssueForm.of(typed).withAnotherDestination());
    }

    /** What is found at the addresses on the desk. */
    @PostMapping("/look")
    ModelAndView look(TypedFields typed, Business business) {
        return new ModelAndView("issue/links/look :: looks", "looks", lookAtAll(IssueForm.of(typed), business));
    }

    /** Takes the tags of a pasted address for what they say. */
    @PostMapping("/adopt")
    ModelAndView adopt(TypedFields typed, @RequestParam int adopt) {
        IssueForm form = IssueForm.of(typed);
        IssueSheet sheet = pages.layOut(form);
        if (adopt < 0 || adopt >= sheet.leads().size()) {
            return pages.show(form);
        }
        Optional<PastedOffer> offer = sheet.leads().get(adopt).offer();
        return pages.show(offer.map(found -> form.withAdopted(adopt, found)).orElse(form));
    }

    @Needs(Permission.SET_UP)
    @PostMapping("/source")
    ModelAndView addSource(TypedFields typed) {
        IssueForm form = IssueForm.of(typed);
        Optional<Channel> channel = Channel.find(form.newSource().channel());
        Optional<String> refusal = Sources.refusal(form.newSource().name())
                .or(() -> channel.isPresent()
                        ? Optional.empty()
                        : Optional.of(Texts.of("issue.links.choose-a-channel-for-the")));
        if (refusal.isPresent()) {
            return refused(form, Map.of("newSource", refusal.get()));
        }
        SourceListed source = sources.findOrCreate(form.newSource().name(), channel.orElseThrow());
        return pages.show(form.withSource(source.id()));
    }

    @PostMapping
    ModelAndView issue(TypedFields typed, Business business, CurrentPerson person) {
        IssueForm form = IssueForm.of(typed);
        IssueSheet sheet = pages.layOut(form);
        if (!sheet.isReady()) {
            return refused(form, byField(sheet.faults()));
        }
        if (!form.goesAhead()) {
            Optional<String> problem = lookAtAll(form, business).entrySet().stream()
                    .filter(found ->
                            found.getValue().map(look -> !look.isWell()).orElse(false))
                    .map(found -> found.getKey() + ": "
                            + found.getValue().orElseThrow().problem())
                    .findFirst();
            if (problem.isPresent()) {
                return refused(form, Map.of("failing", problem.get()));
            }
        }
        Links.Issued issued = links.issue(form.wishes(), form.choice(), person.name());
        if (issued instanceof Links.Issued.Done done) {
            String ids = done.links().stream().map(link -> "link=" + link.id()).collect(Collectors.joining("&"));
            return new ModelAndView("redirect:/issue/done?" + ids);
        }
        return refused(form, byField(((Links.Issued.Refused) issued).faults()));
    }

    /** The looks by address as typed; an address that cannot be read has none, nor has one that was asked too often. */
    private Map<String, Optional<Look>> lookAtAll(IssueForm form, Business business) {
        Map<String, WebAddress> readable = new LinkedHashMap<>();
        for (String typed : form.destinations()) {
            try {
                readable.put(typed, Destinations.check(typed, business, hosts.names()));
            } catch (AddressRefused e) {
                // the sheet says what is wrong with it
            }
        }
        List<Optional<Look>> found = looks.lookAtAll(new ArrayList<>(readable.values()), business);
        Map<String, Optional<Look>> byTyped = new LinkedHashMap<>();
        int next = 0;
        for (String typed : readable.keySet()) {
            byTyped.put(typed, found.get(next++));
        }
        return byTyped;
    }

    /**
     * @param next what is done with each of them next
     * @param codes the address of a sheet with the codes of all
     * @param table all of them for a spreadsheet
     */
    record IssuedPage(List<LinkListed> links, Map<Channel, NextStep> next, String codes, String table) {}

    @GetMapping("/done")
    ModelAndView done(@RequestParam(name = "link", defaultValue = "") List<UUID> ids) {
        List<LinkListed> issued =
                queries.byIds(ids.stream().limit(IssueSheet.MAX_LINKS).toList());
        if (issued.isEmpty()) {
            return new ModelAndView("redirect:/issue");
        }
        return ViewRecord.of(
                "issue/links/done",
                new IssuedPage(
                        issued,
                        NextStep.byChannel(),
                        issued.stream().map(link -> "link=" + link.id()).collect(Collectors.joining("&")),
                        issued.stream()
                                .map(link ->
                                        String.join("\t", link.source(), link.name(), link.url(), link.taggedAddress()))
                                .collect(Collectors.joining("\n"))));
    }

    private static Map<String, String> byField(List<IssueFault> faults) {
        Map<String, String> byField = new HashMap<>();
        faults.forEach(fault -> byField.putIfAbsent(fault.field(), fault.message()));
        return byField;
    }

    private ModelAndView refused(IssueForm form, Map<String, String> faults) {
        ModelAndView page = pages.show(form, faults, "issue/links/issue");
        page.setStatus(HttpStatus.UNPROCESSABLE_CONTENT);
        return page;
    }
}
