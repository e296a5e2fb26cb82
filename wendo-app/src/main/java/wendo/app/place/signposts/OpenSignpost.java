package wendo.app.place.signposts;

import jakarta.servlet.http.HttpServletRequest;
import jakarta.servlet.http.HttpServletResponse;
import java.util.List;
import java.util.Optional;
import java.util.UUID;
import org.springframework.http.HttpStatus;
import org.springframework.stereotype.Controller;
import org.springframework.web.bind.annotation.GetMapping;
import org.springframework.web.bind.annotation.PathVariable;
import org.springframework.web.servlet.ModelAndView;
import wendo.app.platform.business.BusinessId;
import wendo.app.platform.business.BusinessScope;
import wendo.app.platform.business.Businesses;
import wendo.app.platform.site.PublicLanguages;
import wendo.app.platform.site.ViewRecord;
import wendo.app.visit.sitetag.Embedding;

/** A signpost as everybody sees it, on the link host: light, without script. */
@Controller
class OpenSignpost {
    private final Signposts signposts;
    private final Businesses businesses;
    private final Embedding embedding;
    private final BusinessScope scope;

    OpenSignpost(Signposts signposts, Businesses businesses, Embedding embedding, BusinessScope scope) {
        this.signposts = signposts;
        this.businesses = businesses;
        this.embedding = embedding;
        this.scope = scope;
    }

    record OpenSignpostPage(
            Signposts.Signpost signpost,
            String business,
            String language,
            boolean isPart,
            List<Signposts.Entry> entries) {}

    @GetMapping("/t/signposts/{id}")
    ModelAndView page(@PathVariable UUID id, HttpServletRequest request, HttpServletResponse response) {
        response.setHeader("Cache-Control", "no-cache");
        Optional<BusinessId> business = signposts.businessOf(id);
        return business.map(owner -> scope.within(owner, () -> show(id, request, response)))
                .orElseGet(() -> {
                    ModelAndView gone = new ModelAndView("place/signposts/open-gone");
                    gone.setStatus(HttpStatus.NOT_FOUND);
                    return gone;
                });
    }

    private ModelAndView show(UUID id, HttpServletRequest request, HttpServletResponse response) {
        Signposts.Signpost signpost = signposts.find(id).orElseThrow();
        embedding.allow(request, response);
        embedding.list(request, signpost.title());
        return ViewRecord.of(
                "place/signposts/open",
                new OpenSignpostPage(
                        signpost,
                        businesses.current().name(),
                        PublicLanguages.speak(businesses.current().locale()),
                        Embedding.isPart(request),
                        signposts.shown(id)));
    }
}
