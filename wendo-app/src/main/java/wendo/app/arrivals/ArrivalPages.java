package wendo.app.arrivals;

import org.springframework.stereotype.Controller;
import org.springframework.web.bind.annotation.GetMapping;
import org.springframework.web.servlet.ModelAndView;
import wendo.app.site.PeriodChoice;
import wendo.app.site.Ribbons;
import wendo.app.sources.Sources;

/** Who came without a link, and what led them here. */
@Controller
class ArrivalPages {
    private final ArrivalQueries queries;
    private final Sources sources;
    private final Ribbons ribbons;

    ArrivalPages(ArrivalQueries queries, Sources sources, Ribbons ribbons) {
        this.queries = queries;
        this.sources = sources;
        this.ribbons = ribbons;
    }

    @GetMapping("/links/none")
    ModelAndView list(PeriodChoice choice) {
        return new ModelAndView("arrivals/list")
                .addObject("arrived", queries.arrived(choice.period()))
                .addObject("shown", ArrivalQueries.SHOWN)
                .addObject("sources", sources.list())
                .addObject("choice", choice)
                .addObject("ribbon", ribbons.draw(choice));
    }
}
