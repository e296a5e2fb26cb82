package wendo.app.issue.links;

import java.util.List;
import java.util.Objects;
import java.util.UUID;
import org.jspecify.annotations.Nullable;
import org.springframework.http.HttpStatus;
import org.springframework.web.bind.annotation.GetMapping;
import org.springframework.web.bind.annotation.PostMapping;
import org.springframework.web.bind.annotation.RequestBody;
import org.springframework.web.bind.annotation.RequestMapping;
import org.springframework.web.bind.annotation.RequestParam;
import org.springframework.web.bind.annotation.ResponseStatus;
import org.springframework.web.bind.annotation.RestController;
import wendo.app.platform.site.ApiErrors;
import wendo.core.links.Channel;

/** Links for programs. */
@RestController
@RequestMapping("/api/v1/links")
class LinksApiController {
    private static final int MAX_PAGE = 500;

    private final Links links;
    private final LinkQueries queries;

    LinksApiController(Links links, LinkQueries queries) {
        this.links = links;
        this.queries = queries;
    }

    record Order(
            @Nullable String destination,
            @Nullable String campaign,
            @Nullable List<Place> sources) {}

    record Place(
            @Nullable String source,
            @Nullable String channel,
            @Nullable String slug) {}

    record LinkBody(UUID id, String url, String slug, String source, String taggedDestination) {}

    record LinksBody(List<LinkBody> links) {}

    @PostMapping
    @ResponseStatus(HttpStatus.CREATED)
    LinksBody issue(@RequestBody Order order) {
        List<Place> places = order.sources() == null ? List.of() : order.sources();
        if (places.isEmpty() || places.size() > IssueSheet.MAX_LINKS) {
            throw refusal(List.of(new ApiErrors.Fault(
                    "sources", "Name 1 to %d sources; there were %d.".formatted(IssueSheet.MAX_LINKS, places.size()))));
        }
        List<Links.Wish> wishes = places.stream().map(LinksApiController::wish).toList();
        if (wishes.stream().map(Links.Wish::source).distinct().count() < wishes.size()) {
            throw refusal(List.of(new ApiErrors.Fault("sources", "A source is named twice; it gets one link.")));
        }
        Links.Issued issued = links.issue(orEmpty(order.destination()), orEmpty(order.campaign()), wishes, "API");
        if (issued instanceof Links.Issued.Done done) {
            return new LinksBody(done.links().stream()
                    .map(link -> new LinkBody(
                            link.id(), link.url(), link.slug(), link.source().name(), link.taggedDestination()))
                    .toList());
        }
        throw refusal(((Links.Issued.Refused) issued)
                .faults().stream()
                        .map(fault -> new ApiErrors.Fault(fault.field(), fault.message()))
                        .toList());
    }

    @GetMapping
    LinksBody list(@RequestParam(defaultValue = "100") int limit, @RequestParam(defaultValue = "0") long offset) {
        return new LinksBody(queries.newest(Math.max(1, Math.min(limit, MAX_PAGE)), Math.max(0, offset)).stream()
                .map(row -> new LinkBody(row.id(), row.url(), row.slug(), row.source(), row.taggedAddress()))
                .toList());
    }

    private static Links.Wish wish(Place place) {
        String channel = orEmpty(place.channel());
        try {
            return new Links.Wish(
                    orEmpty(place.source()),
                    channel.isEmpty() ? Channel.OTHER : Channel.of(channel),
                    orEmpty(place.slug()).strip());
        } catch (IllegalArgumentException e) {
            throw refusal(List.of(new ApiErrors.Fault(
                    "sources.channel",
                    "Must be print, text, newsletter, ad, social, partner, place or other, but was \"%s\"."
                            .formatted(channel))));
        }
    }

    private static ApiErrors refusal(List<ApiErrors.Fault> faults) {
        return new ApiErrors(HttpStatus.UNPROCESSABLE_CONTENT, "Nothing was issued; see errors.", faults);
    }

    private static String orEmpty(@Nullable String text) {
        return Objects.requireNonNullElse(text, "");
    }
}
