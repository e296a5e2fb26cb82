package wendo.app.links;

import java.util.ArrayList;
import java.util.HashSet;
import java.util.List;
import java.util.Map;
import java.util.Optional;
import java.util.Set;
import java.util.UUID;
import java.util.function.Function;
import java.util.stream.Collectors;
import org.springframework.stereotype.Component;
import org.springframework.transaction.annotation.Transactional;
import wendo.app.business.Businesses;
import wendo.core.links.AddressRefused;
import wendo.core.links.Slug;
import wendo.core.links.Tag;
import wendo.core.links.Tagging;
import wendo.core.links.Tags;
import wendo.core.links.WebAddress;

/** Lays out the sheet of stubs for what is on the desk, checking everything that issuing checks. */
@Component
class Desk {
    static final int MAX_NOTE = 1000;
    static final int MAX_LINK_NAME = 160;

    private final Businesses businesses;
    private final LinkHosts hosts;
    private final Sources sources;
    private final Slugs slugs;

    Desk(Businesses businesses, LinkHosts hosts, Sources sources, Slugs slugs) {
        this.businesses = businesses;
        this.hosts = hosts;
        this.sources = sources;
        this.slugs = slugs;
    }

    @Transactional(readOnly = true)
    IssueSheet layOut(IssueForm form) {
        LinkHosts.LinkHost host = hosts.defaultHost();
        String destinationFault = "";
        Optional<WebAddress> destination = Optional.empty();
        try {
            destination = Optional.of(DestinationRules.check(form.destination(), businesses.current(), host.origin()));
        } catch (AddressRefused e) {
            destinationFault = String.valueOf(e.getMessage());
        }
        String campaignFault = Campaigns.refusal(form.campaign()).orElse("");
        Optional<Tag> campaign = campaignFault.isEmpty() ? Optional.of(Tag.of(form.campaign())) : Optional.empty();
        Lines lines = new Lines(form, host, destination, campaign);
        List<IssueSheet.Stub> stubs = stubs(lines);
        return new IssueSheet(
                host,
                destination.map(WebAddress::toString).orElse(""),
                destinationFault,
                lines.replaced.stream().sorted().toList(),
                campaignFault,
                form.note(),
                form.note().length() > MAX_NOTE
                        ? "A note may have %d characters; this one has %d."
                                .formatted(MAX_NOTE, form.note().length())
                        : "",
                stubs);
    }

    private List<IssueSheet.Stub> stubs(Lines lines) {
        Map<UUID, SourceListed> known =
                sources.list().stream().collect(Collectors.toMap(SourceListed::id, Function.identity()));
        List<IssueSheet.Stub> stubs = new ArrayList<>();
        for (UUID id : lines.form.sources()) {
            SourceListed source = known.get(id);
            if (source != null) {
                stubs.add(stub(lines, source));
            }
        }
        return stubs;
    }

    private IssueSheet.Stub stub(Lines lines, SourceListed source) {
        String typed = lines.form.slugs().getOrDefault(source.id(), "");
        String slug = typed.isEmpty()
                ? slugs.generate(lines.host.id(), lines.skeletons).value()
                : typed;
        Optional<Slugs.Refusal> refusal = slugs.check(lines.host.id(), slug, lines.skeletons);
        if (refusal.isEmpty()) {
            lines.skeletons.add(Slug.of(slug).skeleton());
        }
        String name = lines.form.names().getOrDefault(source.id(), "");
        String nameFault = name.length() > MAX_LINK_NAME
                ? "A name may have %d characters; this one has %d.".formatted(MAX_LINK_NAME, name.length())
                : "";
        return new IssueSheet.Stub(
                source,
                name.isEmpty() ? lines.nameFor(source) : name,
                slug,
                lines.host.origin() + "/" + (refusal.isEmpty() ? Slug.of(slug).value() : slug),
                lines.tag(source),
                refusal.map(Slugs.Refusal::reason).orElse(nameFault),
                refusal.flatMap(Slugs.Refusal::alternative));
    }

    /** What the stubs of one sheet share while they are laid out. */
    private static final class Lines {
        private final IssueForm form;
        private final LinkHosts.LinkHost host;
        private final Optional<WebAddress> destination;
        private final Optional<Tag> campaign;
        private final Set<String> skeletons = new HashSet<>();
        private final Set<String> replaced = new HashSet<>();

        private Lines(
                IssueForm form, LinkHosts.LinkHost host, Optional<WebAddress> destination, Optional<Tag> campaign) {
            this.form = form;
            this.host = host;
            this.destination = destination;
            this.campaign = campaign;
        }

        private String nameFor(SourceListed source) {
            String name = form.campaign().isEmpty() ? source.name() : source.name() + " · " + form.campaign();
            return name.length() <= MAX_LINK_NAME ? name : name.substring(0, MAX_LINK_NAME);
        }

        private String tag(SourceListed source) {
            if (destination.isEmpty() || campaign.isEmpty()) {
                return "";
            }
            Tagging tagging =
                    Tagging.of(destination.get(), new Tags(source.tag(), source.medium(), campaign.get()).parameters());
            replaced.addAll(tagging.replaced());
            return tagging.address().toString();
        }
    }
}
