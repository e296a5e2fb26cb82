package wendo.app.links;

import org.springframework.stereotype.Controller;
import org.springframework.ui.Model;
import org.springframework.web.bind.annotation.GetMapping;
import org.springframework.web.bind.annotation.RequestMapping;
import org.springframework.web.bind.annotation.RequestParam;
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
            PeriodChoice choice,
            Business business,
            Model model) {
        String needle = find.length() <= 2000 ? find : find.substring(0, 2000);
        model.addAttribute("find", needle);
        model.addAttribute("choice", choice);
        model.addAttribute("ribbon", ribbons.draw(choice));
        model.addAttribute("listed", queries.list(needle, choice.period(), business.zone()));
        return "links/list";
    }
}
