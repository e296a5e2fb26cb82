package wendo.app.links;

import java.util.List;
import java.util.Map;
import java.util.Optional;
import java.util.UUID;
import java.util.stream.Collectors;
import org.springframework.http.HttpStatus;
import org.springframework.stereotype.Controller;
import org.springframework.ui.Model;
import org.springframework.util.MultiValueMap;
import org.springframework.web.bind.annotation.GetMapping;
import org.springframework.web.bind.annotation.PostMapping;
import org.springframework.web.bind.annotation.RequestHeader;
import org.springframework.web.bind.annotation.RequestMapping;
import org.springframework.web.bind.annotation.RequestParam;
import org.springframework.web.servlet.ModelAndView;
import wendo.app.accounts.CurrentPerson;
import wendo.core.links.Channel;

/** The desk where links are issued. */
@Controller
@RequestMapping("/issue")
class IssuePages {
    /** As many as a desk holds; more come from a file. */
    static final int MAX_SHEET = 40;

    private final Desk desk;
    private final Links links;
    private final Sources sources;
    private final Campaigns campaigns;
    private final LinkQueries queries;

    IssuePages(Desk desk, Links links, Sources sources, Campaigns campaigns, LinkQueries queries) {
        this.desk = desk;
        this.links = links;
        this.sources = sources;
        this.campaigns = campaigns;
        this.queries = queries;
    }

    /** Also at the addresses that a refused form leaves in the browser, for whoever opens one of them again. */
    @GetMapping({"", "/sheet", "/source"})
    ModelAndView page() {
        return page(IssueForm.empty(), Map.of(), "links/issue");
    }

    /** The sheet for what is on the desk so far; a part of the page for htmx, else the whole page. */
    @PostMapping("/sheet")
    ModelAndView sheet(
            @RequestParam MultiValueMap<String, String> typed,
            @RequestHeader(name = "HX-Request", required = false) Optional<String> htmx) {
        return page(IssueForm.of(typed), Map.of(), htmx.isPresent() ? "links/issue :: sheet" : "links/issue");
    }

    @PostMapping("/source")
    ModelAndView addSource(@RequestParam MultiValueMap<String, String> typed) {
        IssueForm form = IssueForm.of(typed);
        Optional<Channel> channel = findChannel(form.newChannel());
        Optional<String> refusal = Sources.refusal(form.newSource())
                .or(() -> channel.isPresent() ? Optional.empty() : Optional.of("Choose what kind of source it is."));
        if (refusal.isPresent()) {
            return refused(form, Map.of("newSource", refusal.get()));
        }
        SourceListed source = sources.findOrCreate(form.newSource(), channel.orElseThrow());
        return page(form.withSource(source.id()), Map.of(), "links/issue");
    }

    @PostMapping
    ModelAndView issue(@RequestParam MultiValueMap<String, String> typed, CurrentPerson person) {
        IssueForm form = IssueForm.of(typed);
        if (form.sources().size() > MAX_SHEET) {
            return refused(form, Map.of("sources", "A sheet holds %d links; untick some.".formatted(MAX_SHEET)));
        }
        Links.Issued issued = links.issue(form, person.name());
        if (issued instanceof Links.Issued.Done done) {
            String ids = done.links().stream().map(link -> "link=" + link.id()).collect(Collectors.joining("&"));
            return new ModelAndView("redirect:/issue/done?" + ids);
        }
        Map<String, String> faults = ((Links.Issued.Refused) issued)
                .faults().stream()
                        .collect(Collectors.toMap(IssueFault::field, IssueFault::message, (first, second) -> first));
        return refused(form, faults);
    }

    @GetMapping("/done")
    String done(@RequestParam(name = "link", defaultValue = "") List<UUID> ids, Model model) {
        List<LinkQueries.Row> issued =
                queries.byIds(ids.stream().limit(MAX_SHEET).toList());
        if (issued.isEmpty()) {
            return "redirect:/issue";
        }
        model.addAttribute("links", issued);
        model.addAttribute(
                "table",
                issued.stream()
                        .map(link -> String.join("\t", link.source(), link.name(), link.url(), link.taggedAddress()))
                        .collect(Collectors.joining("\n")));
        return "links/done";
    }

    private ModelAndView refused(IssueForm form, Map<String, String> faults) {
        ModelAndView page = page(form, faults, "links/issue");
        page.setStatus(HttpStatus.UNPROCESSABLE_CONTENT);
        return page;
    }

    private ModelAndView page(IssueForm form, Map<String, String> faults, String template) {
        List<SourceListed> all = sources.list();
        Map<Channel, List<SourceListed>> byChannel = all.stream()
                .collect(Collectors.groupingBy(
                        SourceListed::channel, () -> new java.util.EnumMap<>(Channel.class), Collectors.toList()));
        ModelAndView page = new ModelAndView(template);
        page.addObject("form", form)
                .addObject("sheet", desk.layOut(form))
                .addObject("begun", !form.equals(IssueForm.empty()))
                .addObject("faults", faults)
                .addObject("sources", byChannel)
                .addObject("channels", Channel.values())
                .addObject("campaigns", campaigns.list());
        return page;
    }

    private static Optional<Channel> findChannel(String key) {
        try {
            return Optional.of(Channel.of(key));
        } catch (IllegalArgumentException e) {
            return Optional.empty();
        }
    }
}
