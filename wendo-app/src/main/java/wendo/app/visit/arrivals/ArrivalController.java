package wendo.app.visit.arrivals;

import java.util.Arrays;
import java.util.List;
import java.util.Optional;
import org.springframework.stereotype.Controller;
import org.springframework.web.bind.annotation.GetMapping;
import org.springframework.web.bind.annotation.PostMapping;
import org.springframework.web.bind.annotation.RequestParam;
import org.springframework.web.servlet.ModelAndView;
import org.springframework.web.servlet.mvc.support.RedirectAttributes;
import wendo.app.platform.accounts.Needs;
import wendo.app.platform.accounts.Permission;
import wendo.app.platform.business.Business;
import wendo.app.platform.site.PeriodChoice;
import wendo.app.platform.site.Ribbon;
import wendo.app.platform.site.Ribbons;
import wendo.app.platform.site.Texts;
import wendo.app.platform.site.ViewRecord;
import wendo.app.prepare.sources.SourceListed;
import wendo.app.prepare.sources.Sources;
import wendo.core.links.Channel;
import wendo.core.links.Tag;

/** Who came without a link, and what led them here. */
@Controller
class ArrivalController {
    private final ArrivalQueries queries;
    private final ArrivalTags tags;
    private final Sources sources;
    private final Ribbons ribbons;

    ArrivalController(ArrivalQueries queries, ArrivalTags tags, Sources sources, Ribbons ribbons) {
        this.queries = queries;
        this.tags = tags;
        this.sources = sources;
        this.ribbons = ribbons;
    }

    record ArrivalListPage(
            ArrivalQueries.Arrived arrived,
            int shown,
            List<ArrivalTags.Unknown> unknown,
            List<ArrivalTags.Landed> landed,
            Channel[] channels,
            List<SourceListed> sources,
            PeriodChoice choice,
            Ribbon ribbon) {}

    @GetMapping("/links/none")
    ModelAndView list(PeriodChoice choice, Business business) {
        return ViewRecord.of(
                "visit/arrivals/list",
                new ArrivalListPage(
                        queries.arrived(choice.period()),
                        ArrivalQueries.SHOWN,
                        tags.unknown(choice.period(), business.zone()),
                        tags.landed(choice.period(), business.zone()),
                        Channel.values(),
                        sources.list(),
                        choice,
                        ribbons.draw(choice)));
    }

    /** A tag that no source has becomes a source. */
    @Needs(Permission.SET_UP)
    @PostMapping("/links/none/tags")
    String adopt(
            @RequestParam(defaultValue = "") String tag,
            @RequestParam(defaultValue = "") String channel,
            RedirectAttributes notes) {
        Optional<Channel> chosen = Arrays.stream(Channel.values())
                .filter(one -> one.key().equals(channel))
                .findFirst();
        if (chosen.isEmpty() || !Tag.isPossible(tag) || !Tag.of(tag).value().equals(tag)) {
            notes.addFlashAttribute("said", Texts.of("visit.arrivals.choose-a-channel-for-the"));
            return "redirect:/links/none";
        }
        SourceListed source = tags.adopt(tag, chosen.get());
        notes.addFlashAttribute("said", Texts.of("visit.arrivals.is-a-source-now-arrivals", source.name()));
        return "redirect:/links/none";
    }
}
