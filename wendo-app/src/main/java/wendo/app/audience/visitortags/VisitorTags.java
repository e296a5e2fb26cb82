package wendo.app.audience.visitortags;

import java.time.Clock;
import java.util.HashMap;
import java.util.List;
import java.util.Map;
import java.util.Optional;
import java.util.UUID;
import java.util.stream.Collectors;
import org.springframework.context.event.EventListener;
import org.springframework.stereotype.Service;
import org.springframework.transaction.annotation.Transactional;
import tools.jackson.databind.json.JsonMapper;
import wendo.app.platform.business.BusinessScope;
import wendo.app.platform.business.EditedVersion;
import wendo.app.prepare.brands.Brands;
import wendo.app.prepare.brands.BrandsChanged;

/** The visitor tags of the current business, and where each is used. Every change is written down for link hosts. */
@Service
class VisitorTags {
    private final VisitorTagRepository repository;
    private final VisitorTagUseRepository uses;
    private final TaggingRepository taggings;
    private final Brands brands;
    private final JsonMapper json;
    private final Clock clock;

    VisitorTags(
            VisitorTagRepository repository,
            VisitorTagUseRepository uses,
            TaggingRepository taggings,
            Brands brands,
            JsonMapper json,
            Clock clock) {
        this.repository = repository;
        this.uses = uses;
        this.taggings = taggings;
        this.brands = brands;
        this.json = json;
        this.clock = clock;
    }

    /** @param hasKey whether server calls are made with one */
    record Listed(DirectoryTag tag, VisitorTagForm form, boolean hasKey, int version) {
        public UUID id() {
            return tag.id();
        }

        public boolean isOn() {
            return form.isOn();
        }
    }

    @Transactional(readOnly = true)
    public List<Listed> list() {
        UUID business = BusinessScope.current().value();
        return repository.findByRemovedAtIsNullOrderByNameAscIdAsc().stream()
                .map(tag -> listed(tag, business))
                .toList();
    }

    private static Listed listed(VisitorTag tag, UUID business) {
        return new Listed(tag.tag(business), tag.form(), tag.hasKey(), tag.version());
    }

    @Transactional(readOnly = true)
    public Optional<Listed> find(UUID id) {
        return repository
                .findByIdAndRemovedAtIsNull(id)
                .map(tag -> listed(tag, BusinessScope.current().value()));
    }

    /** The bearer token that a server call is made with; empty text for none. */
    @Transactional(readOnly = true)
    public String key(UUID id) {
        return repository.findByIdAndRemovedAtIsNull(id).map(VisitorTag::key).orElse("");
    }

    @Transactional(readOnly = true)
    public boolean asks() {
        return taggings.findFirstBy().map(StoredTagging::asks).orElse(true);
    }

    /** Who asks the visitors of links that are no brand's. */
    @Transactional
    public void ask(boolean itself) {
        StoredTagging tagging = tagging();
        tagging.ask(itself);
        taggings.save(tagging);
        tell();
    }

    /** Refused by a unique key if another one has this name. */
    @Transactional
    public UUID add(VisitorTagForm form, String by) {
        VisitorTag tag = repository.saveAndFlush(new VisitorTag(form, by, clock.instant()));
        tell();
        return tag.id();
    }

    /** Refused by a unique key if another one has this name. */
    @Transactional
    public void change(UUID id, EditedVersion edited, VisitorTagForm form) {
        VisitorTag tag = repository.findByIdAndRemovedAtIsNull(id).orElseThrow();
        tag.mustStillBe(edited);
        tag.become(form);
        repository.saveAndFlush(tag);
        tell();
    }

    @Transactional
    public void remove(UUID id) {
        repository.findByIdAndRemovedAtIsNull(id).ifPresent(tag -> {
            tag.remove(clock.instant());
            repository.saveAndFlush(tag);
            tell();
        });
    }

    @Transactional(readOnly = true)
    public Map<UUID, TagSetting.Inherited> inherited(TagSetting.Of of) {
        Map<TagSetting.Place, Boolean> said = new HashMap<>();
        uses.findAll().stream()
                .map(VisitorTagUse::use)
                .forEach(use -> said.put(new TagSetting.Place(use.tag(), use.scope(), use.about()), use.isOn()));
        Map<UUID, TagSetting.Inherited> found = new HashMap<>();
        for (Listed tag : list()) {
            TagSetting.inherited(said, tag.id(), of).ifPresent(one -> found.put(tag.id(), one));
        }
        return found;
    }

    @Transactional(readOnly = true)
    public List<TagSetting.Use> usesOf(UUID tag) {
        return uses.findByTagId(tag).stream().map(VisitorTagUse::use).toList();
    }

    /** By tag, whether it is switched on or off for this link; what is not in it is as the campaign and brand say. */
    @Transactional(readOnly = true)
    public Map<UUID, Boolean> ofLink(UUID link) {
        return uses.findByScopeAndAbout(TagScope.LINK.key(), link).stream()
                .map(VisitorTagUse::use)
                .collect(Collectors.toMap(TagSetting.Use::tag, TagSetting.Use::isOn));
    }

    /** Says anew where a tag is used, but for single links, which say so themselves. */
    @Transactional
    public void use(UUID tag, List<TagSetting.Use> wanted) {
        uses.deleteWideUses(tag);
        wanted.forEach(use -> uses.save(new VisitorTagUse(tag, use.scope(), use.about(), use.isOn())));
        tell();
    }

    /** Says anew which tags are on or off for one link. */
    @Transactional
    public void useOn(UUID link, Map<UUID, Boolean> wanted) {
        uses.deleteUses(TagScope.LINK.key(), link);
        wanted.forEach((tag, isOn) -> uses.save(new VisitorTagUse(tag, TagScope.LINK, link, isOn)));
        tell();
    }

    @EventListener
    void on(BrandsChanged event) {
        if (taggings.findFirstBy().isPresent()) {
            tell();
        }
    }

    private StoredTagging tagging() {
        return taggings.lock().orElseGet(StoredTagging::new);
    }

    private void tell() {
        UUID business = BusinessScope.current().value();
        StoredTagging tagging = tagging();
        List<DirectoryTag> on = repository.findByRemovedAtIsNullOrderByNameAscIdAsc().stream()
                .filter(VisitorTag::isOn)
                .map(tag -> tag.tag(business))
                .toList();
        tagging.say(
                json.writeValueAsString(new TagSetting(
                        tagging.asks(),
                        on,
                        uses.findAll().stream().map(VisitorTagUse::use).toList(),
                        brands.list().stream()
                                .map(one -> new TagSetting.BrandSaid(one.id(), one.name(), one.logo(), one.asks()))
                                .toList())),
                clock.instant());
        taggings.save(tagging);
    }
}
