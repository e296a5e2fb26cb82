package wendo.app.audience.visitortags;

import java.util.HashMap;
import java.util.List;
import java.util.Map;
import java.util.Optional;
import java.util.UUID;
import wendo.core.audience.TagConsent;

/** All that a business set of its visitor tags, as link hosts keep it. Tags that are off are left out. */
record TagSetting(boolean asks, List<DirectoryTag> tags, List<Use> uses, List<BrandSaid> brands) {
    /** One whose address is none would keep every visitor of its links. */
    TagSetting {
        tags = tags.stream().filter(DirectoryTag::isUsable).toList();
        uses = List.copyOf(uses);
        brands = List.copyOf(brands);
    }

    record Use(UUID tag, TagScope scope, UUID about, boolean isOn) {}

    record BrandSaid(UUID id, String name, String logo, boolean asks) {}

    /** The same, so that a visit finds it at once. */
    record Indexed(
            TagSetting setting, Map<UUID, DirectoryTag> tags, Map<Place, Boolean> uses, Map<UUID, BrandSaid> brands) {}

    record Place(UUID tag, TagScope scope, UUID about) {}

    Indexed indexed() {
        Map<UUID, DirectoryTag> byId = new HashMap<>();
        tags.forEach(tag -> byId.put(tag.id(), tag));
        Map<Place, Boolean> byPlace = new HashMap<>();
        uses.forEach(use -> byPlace.put(new Place(use.tag(), use.scope(), use.about()), use.isOn()));
        Map<UUID, BrandSaid> byBrand = new HashMap<>();
        brands.forEach(brand -> byBrand.put(brand.id(), brand));
        return new Indexed(this, byId, byPlace, byBrand);
    }

    /** Whose link it is that tags are looked for. */
    record Of(UUID business, UUID link, UUID campaign, Optional<UUID> brand) {}

    static Optional<TagsOfLink> find(Indexed all, Of of) {
        List<DirectoryTag> on = all.setting().tags().stream()
                .filter(tag -> isOn(all.uses(), tag.id(), of))
                .toList();
        if (on.isEmpty()) {
            return Optional.empty();
        }
        Optional<BrandSaid> brand = of.brand().map(all.brands()::get);
        boolean asks = brand.map(BrandSaid::asks).orElse(all.setting().asks());
        return Optional.of(new TagsOfLink(
                brand.map(BrandSaid::id).orElse(of.business()),
                brand.map(BrandSaid::name).orElse(""),
                brand.map(BrandSaid::logo).orElse(""),
                asks ? TagConsent.Asker.LINK_DOMAIN : TagConsent.Asker.DESTINATION,
                on));
    }

    /** What is nearer to the link decides; nothing said is off. */
    private static boolean isOn(Map<Place, Boolean> uses, UUID tag, Of of) {
        return Optional.ofNullable(uses.get(new Place(tag, TagScope.LINK, of.link())))
                .or(() -> inherited(uses, tag, of).map(Inherited::isOn))
                .orElse(false);
    }

    /** What holds for a link that says nothing of its own, and by what. */
    record Inherited(boolean isOn, TagScope by) {}

    static Optional<Inherited> inherited(Map<Place, Boolean> uses, UUID tag, Of of) {
        return said(uses, tag, TagScope.CAMPAIGN, of.campaign())
                .or(() -> of.brand().flatMap(brand -> said(uses, tag, TagScope.BRAND, brand)))
                .or(() -> said(uses, tag, TagScope.ALL, of.business()));
    }

    private static Optional<Inherited> said(Map<Place, Boolean> uses, UUID tag, TagScope scope, UUID about) {
        return Optional.ofNullable(uses.get(new Place(tag, scope, about))).map(isOn -> new Inherited(isOn, scope));
    }
}
