package wendo.app.place.proofs;

import static org.assertj.core.api.Assertions.assertThat;

import java.util.List;
import java.util.Optional;
import java.util.UUID;
import org.junit.jupiter.api.Test;
import org.junit.jupiter.params.ParameterizedTest;
import org.junit.jupiter.params.provider.CsvSource;
import wendo.core.links.Channel;

class ChecklistTest {
    private static final String TAGS = "utm_source=the%20sign&utm_campaign=spring";
    private static final UUID OWN = new UUID(1, 1);

    private static ProofQueries.Happened happened(
            long visits, UUID ledTo, String problem, String landed, String outcome) {
        return new ProofQueries.Happened(
                new UUID(0, 0),
                "Sign",
                "https://go.example/x",
                Channel.PRINT,
                "https://page.example/?" + TAGS,
                TAGS,
                Optional.of(200),
                problem,
                visits,
                Optional.empty(),
                Optional.of(ledTo),
                OWN,
                landed,
                outcome,
                false,
                "");
    }

    private static List<String> states(ProofQueries.Happened happened) {
        return Checklist.of(happened).items().stream()
                .map(item -> item.state().word())
                .toList();
    }

    @Test
    void each_item_waits_for_what_shows_it() {
        assertThat(states(happened(0, OWN, "", "", "")))
                .containsExactly("waiting", "waiting", "seen", "waiting", "waiting", "waiting");
        assertThat(states(happened(1, OWN, "It answers with error 404.", "", "")))
                .containsExactly("seen", "seen", "wrong", "waiting", "waiting", "waiting");
        Checklist all = Checklist.of(happened(
                2, OWN, "It answers with error 404.", "https://page.example/?a=1&" + TAGS + "&wcl=x#top", "lead L-1"));
        assertThat(all.seen())
                .as("what a browser has loaded counts more than our own look")
                .isEqualTo(6);
        assertThat(all.items().get(0).detail()).isEqualTo("2 visits arrived.");
    }

    @Test
    void a_way_by_rules_is_said_to_be_one() {
        assertThat(Checklist.of(happened(1, new UUID(2, 2), "", "", ""))
                        .items()
                        .get(1)
                        .detail())
                .contains("By its rules");
        assertThat(Checklist.of(happened(1, OWN, "", "", "")).items().get(1).detail())
                .isEqualTo("To https://page.example/?" + TAGS);
    }

    @ParameterizedTest
    @CsvSource({
        "https://page.example/, 'utm_campaign, utm_source'",
        "https://page.example/?utm_source=the%20sign, utm_campaign",
        "https://page.example/?utm_source=the%20sign&utm_campaign=springtime, utm_campaign",
        "https://page.example/#?utm_source=the%20sign&utm_campaign=spring, 'utm_campaign, utm_source'",
    })
    void tags_that_got_lost_are_named(String landed, String missing) {
        Checklist.Item tags =
                Checklist.of(happened(1, OWN, "", landed, "")).items().get(3);
        assertThat(tags.state()).isEqualTo(Checklist.State.WRONG);
        assertThat(tags.detail()).startsWith("The page loaded without " + missing + ".");
    }
}
