package wendo.app.prepare.sources;

import static org.assertj.core.api.Assertions.assertThat;

import java.util.List;
import java.util.Map;
import java.util.Optional;
import java.util.UUID;
import org.junit.jupiter.api.Test;
import wendo.app.platform.accounts.Colleague;
import wendo.app.platform.accounts.Role;
import wendo.core.links.Channel;
import wendo.core.links.Tag;

class SourceFormTest {
    private static final Colleague OLA = new Colleague(new UUID(1, 1), "Ola Ness", "ola@teal.example", Role.MANAGER);

    private static SourceForm form(String name, String channel, String medium, String owner) {
        return new SourceForm(name, channel, medium, owner, " at the counter ", "");
    }

    @Test
    void a_source_has_its_channel_s_medium_until_another_is_typed() {
        SourceForm usual = form(" Campsite ", "partner", "", "");
        assertThat(usual.faults(List.of())).isEmpty();
        assertThat(usual.checked(List.of()))
                .isEqualTo(new SourceForm.Checked(
                        "Campsite",
                        Channel.PARTNER,
                        Tag.of(Channel.PARTNER.medium()),
                        Optional.empty(),
                        "at the counter",
                        ""));
        assertThat(form("Campsite", "partner", "Word of Mouth", "")
                        .checked(List.of())
                        .medium())
                .isEqualTo(Tag.of("word-of-mouth"));
    }

    @Test
    void an_owner_is_a_colleague_by_name_address_or_identifier() {
        for (String typed : List.of("ola ness", "OLA@teal.example", OLA.id().toString())) {
            assertThat(form("Campsite", "partner", "", typed)
                            .checked(List.of(OLA))
                            .owner())
                    .as(typed)
                    .contains(OLA.id());
        }
    }

    @Test
    void all_that_is_wrong_is_told_at_once() {
        assertThat(form("Campsite", "pigeon", "!!", "Nobody").faults(List.of(OLA)))
                .isEqualTo(Map.of(
                        "channel", "Choose a channel.",
                        "medium", "A medium needs a letter or a digit.",
                        "owner", "Choose somebody who works here."));
        assertThat(form("x".repeat(Sources.MAX_NAME + 1), "partner", "", "").faults(List.of()))
                .containsOnlyKeys("name");
        assertThat(SourceForm.empty().faults(List.of())).containsOnlyKeys("name", "channel");
    }
}
