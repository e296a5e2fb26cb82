package wendo.app.links;

import java.util.Optional;
import java.util.UUID;
import org.springframework.stereotype.Controller;
import org.springframework.ui.Model;
import org.springframework.web.bind.annotation.GetMapping;
import org.springframework.web.bind.annotation.RequestMapping;
import org.springframework.web.bind.annotation.RequestParam;
import org.springframework.web.util.UriComponentsBuilder;
import wendo.app.business.Business;
import wendo.app.site.PeriodChoice;
import wendo.app.site.Ribbons;

/** The list of links. */
@Controller
@RequestMapping("/links")
class LinkPages {
    private final LinkQueries queries;
    private final Ribbons ribbons;

    LinkPages(LinkQueries queries, Ribbons ribbons) {
        this.queries = queries;
        this.ribbons = ribbons;
    }

    @GetMapping
    String list(
            @RequestParam(name = "find", defaultValue = "") String find,
            @RequestParam Optional<UUID> source,
            @RequestParam Optional<UUID> campaign,
            @RequestParam Optional<UUID> destination,
            PeriodChoice choice,
            Business business,
            Model model) {
        String needle = find.length() <= 2000 ? find : find.substring(0, 2000);
        LinkQueries.Only only = new LinkQueries.Only(source, campaign, destination);
        model.addAttribute("find", needle);
        model.addAttribute("only", only);
        model.addAttribute("onlyWords", only.isAll() ? "" : queries.words(only));
        model.addAttribute("keep", keep(needle, only));
        model.addAttribute("choice", choice);
        model.addAttribute("ribbon", ribbons.draw(choice));
        model.addAttribute("listed", queries.list(needle, only, choice.period(), business.zone()));
        return "links/list";
    }

    /** What stays in the address while another period is chosen. */
    private static String keep(String needle, LinkQueries.Only only) {
        UriComponentsBuilder keep = UriComponentsBuilder.newInstance();
        if (!needle.isEmpty()) {
            keep.queryParam("find", "{find}");
        }
        only.source().ifPresent(id -> keep.queryParam("source", id));
        only.campaign().ifPresent(id -> keep.queryParam("campaign", id));
        only.destination().ifPresent(id -> keep.queryParam("destination", id));
        String query =
                keep.encode().buildAndExpand(java.util.Map.of("find", needle)).getQuery();
        return query == null ? "" : "&" + query;
    }
}
