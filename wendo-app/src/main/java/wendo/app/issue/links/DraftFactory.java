package wendo.app.issue.links;

import java.util.ArrayList;
import java.util.HashMap;
import java.util.List;
import java.util.Map;
import java.util.Optional;
import java.util.UUID;
import wendo.app.platform.site.Limits;
import wendo.app.platform.site.Texts;
import wendo.app.prepare.brands.BrandListed;
import wendo.app.prepare.brands.Brands;
import wendo.app.prepare.campaigns.Campaigns;
import wendo.app.prepare.destinations.Destinations;
import wendo.app.prepare.sources.SourceListed;
import wendo.app.prepare.sources.Sources;
import wendo.core.links.AddressRefused;
import wendo.core.links.Channel;
import wendo.core.links.Slug;
import wendo.core.links.Tag;
import wendo.core.links.TagPlan;
import wendo.core.links.Tagging;
import wendo.core.links.Tags;
import wendo.core.links.WebAddress;

/** Lays out the links of one sheet, checking everything that issuing checks. */
final class DraftFactory {
    static final int MAX_LINK_NAME = Limits.LINK_NAME;

    private final IssueSetting setting;
    private final SlugSheet slugs;
    private final TermRules terms;
    private final Map<LinkTerms, TermRules.Judged> judged = new HashMap<>();
    private final Map<String, Address> addresses = new HashMap<>();

    /** A destination as typed, read once however many links lead there. */
    private record Address(Optional<WebAddress> page, String fault) {}

    /** What is known of a link before its ending is. */
    private record Rough(
            LinkWish wish, Draft.What what, Address address, TagPlan.Filled filled, List<IssueFault> faults) {}

    DraftFactory(IssueSetting setting, Slugs slugs) {
        this.setting = setting;
        this.slugs = new SlugSheet(slugs, setting.host().id());
        this.terms = new TermRules(setting);
    }

    List<Draft> lay(List<LinkWish> wishes) {
        List<Rough> rough = wishes.stream().map(this::rough).toList();
        List<SlugSheet.Given> endings =
                slugs.give(rough.stream().map(this::wanted).toList());
        List<Draft> drafts = new ArrayList<>();
        for (int i = 0; i < rough.size(); i++) {
            drafts.add(draft(rough.get(i), endings.get(i)));
        }
        return drafts;
    }

    private Rough rough(LinkWish wish) {
        List<IssueFault> faults = new ArrayList<>();
        Address address = addresses.computeIfAbsent(wish.destination(), this::read);
        add(faults, "destination", address.fault());
        Draft.What what = what(wish, faults);
        Campaigns.refusal(wish.campaign()).ifPresent(fault -> add(faults, "campaign", fault));
        if (wish.name().length() > MAX_LINK_NAME) {
            add(
                    faults,
                    "name",
                    Texts.of(
                            "issue.links.a-name-may-have-characters",
                            MAX_LINK_NAME,
                            wish.name().length()));
        }
        return new Rough(wish, what, address, fill(wish, what, faults), faults);
    }

    private Address read(String typed) {
        try {
            return new Address(Optional.of(Destinations.check(typed, setting.business(), setting.linkHosts())), "");
        } catch (AddressRefused e) {
            return new Address(Optional.empty(), Texts.said(e));
        }
    }

    private Draft.What what(LinkWish wish, List<IssueFault> faults) {
        Optional<SourceListed> known = Optional.ofNullable(setting.sources().get(wish.source()))
                .or(() -> Tag.isPossible(wish.source())
                        ? Optional.ofNullable(
                                setting.sources().get(Tag.of(wish.source()).value()))
                        : Optional.empty());
        if (known.isEmpty()) {
            Sources.refusal(wish.source()).ifPresent(fault -> add(faults, "source", fault));
        }
        Channel channel = known.map(SourceListed::channel).orElse(Channel.OTHER);
        if (known.isEmpty() && !wish.channel().isEmpty()) {
            Optional<Channel> named = Channel.find(wish.channel());
            if (named.isEmpty()) {
                add(faults, "channel", Texts.of(Channel.refusal(wish.channel())));
            }
            channel = named.orElse(Channel.OTHER);
        }
        return new Draft.What(
                known, known.map(SourceListed::name).orElse(wish.source().strip()), channel, wish.campaign());
    }

    private TagPlan.Filled fill(LinkWish wish, Draft.What what, List<IssueFault> faults) {
        if (!Tag.isPossible(what.sourceName()) || !Tag.isPossible(wish.campaign())) {
            return new TagPlan.Filled(Map.of(), Map.of());
        }
        Tag source = what.source().map(SourceListed::tag).orElseGet(() -> Tag.of(what.sourceName()));
        Tag medium = what.source()
                .map(SourceListed::medium)
                .orElseGet(() -> Tag.of(what.channel().medium()));
        TagPlan.Filled filled =
                setting.plan().plan().fill(new Tags(source, medium, Tag.of(wish.campaign())), wish.fields());
        filled.faults().forEach((parameter, fault) -> add(faults, "field." + parameter, Texts.of(fault)));
        return filled;
    }

    private SlugSheet.Wanted wanted(Rough rough) {
        if (!rough.wish().slug().isEmpty() || setting.pattern().isEmpty()) {
            return new SlugSheet.Wanted(rough.wish().slug(), true);
        }
        Map<String, String> values = new HashMap<>(rough.wish().fields());
        values.put("source", rough.what().sourceName());
        values.put("campaign", rough.wish().campaign());
        values.put("channel", rough.what().channel().key());
        values.put(
                "medium",
                rough.what()
                        .source()
                        .map(source -> source.medium().value())
                        .orElse(rough.what().channel().medium()));
        return new SlugSheet.Wanted(setting.pattern().get().fill(values), false);
    }

    private Draft draft(Rough rough, SlugSheet.Given ending) {
        add(rough.faults(), "slug", ending.fault());
        TermRules.Judged own = judged.computeIfAbsent(rough.wish().terms(), terms::check);
        rough.faults().addAll(own.faults());
        Map<String, String> parameters = rough.filled().parameters();
        Optional<Tagging> tagging = parameters.isEmpty()
                ? Optional.empty()
                : rough.address().page().map(page -> Tagging.of(page, parameters));
        String shown = ending.fault().isEmpty() ? Slug.of(ending.slug()).value() : ending.slug();
        return new Draft(
                rough.what(),
                rough.address().page(),
                name(rough),
                ending.slug(),
                setting.host().origin() + "/" + shown,
                parameters,
                tagging.map(tagged -> tagged.address().toString()).orElse(""),
                tagging.map(Tagging::replaced).orElse(List.of()),
                own.terms().orOfBrand(brandOf(rough.address())),
                rough.faults(),
                ending.alternative());
    }

    /** A link to a brand's site is the brand's, unless another was named. */
    private Optional<UUID> brandOf(Address address) {
        return address.page()
                .flatMap(page -> Brands.ofSite(setting.brands(), page.toString()))
                .map(BrandListed::id);
    }

    private static String name(Rough rough) {
        if (!rough.wish().name().isEmpty()) {
            return rough.wish().name();
        }
        String made = rough.wish().campaign().isEmpty()
                ? rough.what().sourceName()
                : rough.what().sourceName() + " · " + rough.wish().campaign().strip();
        return made.length() <= MAX_LINK_NAME ? made : made.substring(0, MAX_LINK_NAME);
    }

    private static void add(List<IssueFault> faults, String field, String message) {
        if (!message.isEmpty()) {
            faults.add(new IssueFault(field, message));
        }
    }
}
