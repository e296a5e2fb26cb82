package wendo.app.place.signposts;

import jakarta.validation.constraints.NotBlank;
import jakarta.validation.constraints.Size;
import java.util.List;
import java.util.Map;
import java.util.Optional;
import java.util.UUID;
import java.util.stream.Collectors;
import org.springframework.stereotype.Service;
import org.springframework.transaction.annotation.Transactional;
import wendo.app.issue.links.IssueContext;
import wendo.app.issue.links.IssueFault;
import wendo.app.issue.links.LinkHosts;
import wendo.app.issue.links.LinkSaving;
import wendo.app.issue.links.LinkTerms;
import wendo.app.issue.links.LinkWish;
import wendo.app.issue.links.Links;
import wendo.app.prepare.campaigns.Campaigns;
import wendo.app.prepare.destinations.Destinations;
import wendo.app.prepare.sources.Sources;
import wendo.core.links.Channel;
import wendo.core.links.PastedLink;

/** Issues the links of signposts: the one that leads to it, and those of its entries. */
@Service
class SignpostIssue {
    static final String NO_TITLE = "place.signposts.title-it";

    private final Signposts signposts;
    private final Links links;
    private final LinkSaving keeping;
    private final LinkHosts hosts;
    private final Sources sources;
    private final Campaigns campaigns;

    SignpostIssue(
            Signposts signposts,
            Links links,
            LinkSaving keeping,
            LinkHosts hosts,
            Sources sources,
            Campaigns campaigns) {
        this.signposts = signposts;
        this.links = links;
        this.keeping = keeping;
        this.hosts = hosts;
        this.sources = sources;
        this.campaigns = campaigns;
    }

    /** What is wanted of a new signpost, as typed. */
    record Wanted(
            @NotBlank(message = NO_TITLE) @Size(max = Signposts.MAX_TITLE)
            String title,

            @Size(max = Signposts.MAX_TEXT) String text,
            String source,
            String campaign,
            String ending) {}

    /** A link that could not be issued, with what was wrong; nothing of what was begun is kept then. */
    static final class LinkRefused extends RuntimeException {
        private static final long serialVersionUID = 1;

        LinkRefused(String fault) {
            super(fault);
        }
    }

    /** A signpost and the link that leads to it; both or neither. Throws {@link LinkRefused}. */
    @Transactional
    UUID make(Wanted wanted, String by) {
        UUID source = sources.findOrCreate(wanted.source(), Channel.SOCIAL).id();
        UUID campaign = campaigns.findOrCreate(wanted.campaign()).id();
        UUID id = signposts.add(wanted.title(), wanted.text(), new Signposts.About(source, campaign), by);
        String page = hosts.defaultHost().origin() + Destinations.SIGNPOSTS + id;
        LinkWish wish = wish(page, source.toString(), wanted.campaign(), wanted.title());
        signposts.leadHere(id, issue(wish.withSlug(wanted.ending()), by));
        return id;
    }

    /** @param source whose link it is; empty text for the signpost's own */
    record WantedEntry(String address, String source, String title) {}

    /**
     * The link of an entry: a pasted one of our own, or a new one to the pasted page, with its source's tags. Throws
     * {@link LinkRefused}.
     */
    @Transactional
    UUID entryLink(Signposts.Signpost signpost, WantedEntry wanted, String by) {
        String address = wanted.address();
        Optional<UUID> own = keeping.findPasted(address)
                .filter(id -> keeping.find(id)
                        .filter(link -> new PastedLink(link.url()).plain().equals(new PastedLink(address).plain()))
                        .isPresent());
        if (own.isPresent()) {
            return own.get();
        }
        String campaign = campaigns.list().stream()
                .filter(one -> one.id().equals(signpost.campaign()))
                .map(one -> one.name())
                .findFirst()
                .orElse(signpost.title());
        String from = wanted.source().isEmpty() ? signpost.source().toString() : wanted.source();
        return issue(wish(address, from, campaign, wanted.title() + " · " + signpost.title()), by);
    }

    private static LinkWish wish(String address, String source, String campaign, String name) {
        String shortened = name.length() <= LinkSaving.MAX_NAME ? name : name.substring(0, LinkSaving.MAX_NAME);
        return new LinkWish(address, source, Channel.SOCIAL.key(), campaign, "", shortened, Map.of(), LinkTerms.none());
    }

    private UUID issue(LinkWish wish, String by) {
        Links.Issued issued = links.issue(List.of(wish), IssueContext.Choice.usual(), by);
        if (issued instanceof Links.Issued.Done done) {
            return done.links().get(0).id();
        }
        throw new LinkRefused(((Links.Issued.Refused) issued)
                .faults().stream().map(IssueFault::message).distinct().collect(Collectors.joining(" ")));
    }
}
