package wendo.app.audience.visitortags;

import static org.assertj.core.api.Assertions.assertThat;

import java.util.ArrayList;
import java.util.HashMap;
import java.util.List;
import java.util.Map;
import java.util.Optional;
import java.util.UUID;
import org.junit.jupiter.api.Test;
import org.junit.jupiter.params.ParameterizedTest;
import org.junit.jupiter.params.provider.CsvSource;
import wendo.app.platform.site.TypedFields;
import wendo.core.audience.TagConsent;
import wendo.core.audience.TagPurpose;
import wendo.core.visits.ClickId;

/** Where a visitor tag is on, and what is read of what was pasted. */
class TagSettingTest {
    private static final UUID BUSINESS = new UUID(1, 1);
    private static final UUID LINK = new UUID(2, 2);
    private static final UUID CAMPAIGN = new UUID(3, 3);
    private static final UUID BRAND = new UUID(4, 4);
    private static final DirectoryTag TAG =
            tag(TagKind.IMAGE, "https://gannet.example/tag/GW-1.gif", "", TagPurpose.ADVERTISING);

    private static DirectoryTag tag(TagKind kind, String address, String identifier, TagPurpose purpose) {
        return new DirectoryTag(new UUID(5, 5), BUSINESS, "Gannet Ads", kind, address, identifier, purpose);
    }

    private static Optional<TagsOfLink> find(List<TagSetting.Use> uses, Optional<UUID> brand, boolean brandAsks) {
        TagSetting setting = new TagSetting(
                true, List.of(TAG), uses, List.of(new TagSetting.BrandSaid(BRAND, "Plover", "/logo", brandAsks)));
        return TagSetting.find(setting.indexed(), new TagSetting.Of(BUSINESS, LINK, CAMPAIGN, brand));
    }

    /** All 81 ways in which the four places can say on, off, or nothing. */
    @Test
    void what_is_nearest_to_the_link_decides_and_nothing_said_is_off() {
        List<TagScope> nearestFirst = List.of(TagScope.LINK, TagScope.CAMPAIGN, TagScope.BRAND, TagScope.ALL);
        List<UUID> abouts = List.of(LINK, CAMPAIGN, BRAND, BUSINESS);
        for (int i = 0; i < 81; i++) {
            List<TagSetting.Use> uses = new ArrayList<>();
            Boolean expected = null;
            for (int place = 0, rest = i; place < 4; place++, rest /= 3) {
                if (rest % 3 > 0) {
                    boolean isOn = rest % 3 == 1;
                    uses.add(new TagSetting.Use(TAG.id(), nearestFirst.get(place), abouts.get(place), isOn));
                    expected = expected == null ? Boolean.valueOf(isOn) : expected;
                }
            }
            assertThat(find(uses, Optional.of(BRAND), true).isPresent())
                    .as(uses.toString())
                    .isEqualTo(Boolean.TRUE.equals(expected));
        }
    }

    @Test
    void what_a_link_has_without_a_word_of_its_own_is_told_with_what_says_so() {
        TagSetting.Of of = new TagSetting.Of(BUSINESS, LINK, CAMPAIGN, Optional.of(BRAND));
        Map<TagSetting.Place, Boolean> said = new HashMap<>();
        assertThat(TagSetting.inherited(said, TAG.id(), of)).isEmpty();
        said.put(new TagSetting.Place(TAG.id(), TagScope.LINK, LINK), false);
        said.put(new TagSetting.Place(TAG.id(), TagScope.ALL, BUSINESS), true);
        assertThat(TagSetting.inherited(said, TAG.id(), of)).contains(new TagSetting.Inherited(true, TagScope.ALL));
        said.put(new TagSetting.Place(TAG.id(), TagScope.BRAND, BRAND), false);
        assertThat(TagSetting.inherited(said, TAG.id(), of)).contains(new TagSetting.Inherited(false, TagScope.BRAND));
        said.put(new TagSetting.Place(TAG.id(), TagScope.CAMPAIGN, CAMPAIGN), true);
        assertThat(TagSetting.inherited(said, TAG.id(), of))
                .contains(new TagSetting.Inherited(true, TagScope.CAMPAIGN));
    }

    @Test
    void a_brand_asks_in_its_own_name_and_a_link_of_none_in_the_businesss() {
        List<TagSetting.Use> everywhere = List.of(new TagSetting.Use(TAG.id(), TagScope.ALL, BUSINESS, true));
        assertThat(find(everywhere, Optional.of(BRAND), false))
                .contains(new TagsOfLink(BRAND, "Plover", "/logo", TagConsent.Asker.DESTINATION, List.of(TAG)));
        assertThat(find(everywhere, Optional.empty(), false))
                .contains(new TagsOfLink(BUSINESS, "", "", TagConsent.Asker.LINK_DOMAIN, List.of(TAG)));
    }

    @ParameterizedTest
    @CsvSource(delimiter = '|', textBlock = """
                    IMAGE  | https://gannet.example/p.gif?a={identifier}&c={click}&t={time} | GW 1 | https://gannet.example/p.gif?a=GW%201&c=06fwzrxz5c7d65p0fkx8pnh0n4&t=1780000000000
                    SCRIPT | https://gannet.example/t.js        | GW 1 | https://gannet.example/t.js?id=GW%201
                    SCRIPT | https://gannet.example/t.js?v=2    | GW 1 | https://gannet.example/t.js?v=2&id=GW%201
                    SCRIPT | https://gannet.example/{identifier}.js | GW1 | https://gannet.example/GW1.js
                    SERVER | https://gannet.example/in          | GW 1 | https://gannet.example/in
                    """)
    void an_address_is_filled_in(TagKind kind, String address, String identifier, String expected) {
        ClickId click = new ClickId(new UUID((1_780_000_000_000L << 16) | 0x7000L, 0x8000000000000000L | 1));
        assertThat(tag(kind, address, identifier, TagPurpose.NONE).filled(click))
                .isEqualTo(expected.replace("06fwzrxz5c7d65p0fkx8pnh0n4", click.toString()));
        assertThat(tag(kind, address, identifier, TagPurpose.NONE).origin()).isEqualTo("https://gannet.example");
    }

    @Test
    void a_tag_whose_address_is_none_is_left_out_and_keeps_nobody() {
        for (String address : List.of("https://gannet.example/a b.gif", "https:///p.gif", "gannet", "https://[x/")) {
            DirectoryTag broken = tag(TagKind.IMAGE, address, "", TagPurpose.NONE);
            assertThat(new TagSetting(true, List.of(broken, TAG), List.of(), List.of()).tags())
                    .as(address)
                    .containsExactly(TAG);
        }
    }

    private static VisitorTagForm typed(String address) {
        return VisitorTagForm.of(TypedFields.of(java.util.Map.of("kind", "image", "address", address)));
    }

    @Test
    void of_a_pasted_snippet_its_address_is_taken_and_nothing_is_run() {
        assertThat(typed("""
                        <script>window.measure = window.measure || []; measure.push("GW-1")</script>
                        <script async src="//gannet.example/t.js?id=GW-1"></script>
                        <noscript><img src="https://gannet.example/p.gif" width="1"></noscript>""")).satisfies(form -> {
            assertThat(form.kind()).isEqualTo(TagKind.SCRIPT);
            assertThat(form.address()).isEqualTo("https://gannet.example/t.js?id=GW-1");
        });
        assertThat(typed("<noscript><img height='1' src='https://gannet.example/p.gif?a=1&amp;b=2'></noscript>")
                        .address())
                .isEqualTo("https://gannet.example/p.gif?a=1&b=2");
        assertThat(typed("<img src=https://gannet.example/p.gif>").kind()).isEqualTo(TagKind.IMAGE);
        assertThat(typed("<b>nothing</b>").address()).isEqualTo("<b>nothing</b>");
        assertThat(typed("https://gannet.example/p.gif").address()).isEqualTo("https://gannet.example/p.gif");
    }
}
