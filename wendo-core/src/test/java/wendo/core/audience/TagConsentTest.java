package wendo.core.audience;

import static org.assertj.core.api.Assertions.assertThat;

import java.util.ArrayList;
import java.util.List;
import org.junit.jupiter.api.Test;
import org.junit.jupiter.params.ParameterizedTest;
import org.junit.jupiter.params.provider.CsvSource;

/** The whole table of consent: purpose × record × signal × brand. Source: ours. */
class TagConsentTest {
    /** Written out, not computed: each line is a case that somebody can read. */
    private static final String TABLE = """
            none        YES     quiet  LINK_DOMAIN TAG
            none        NO      quiet  LINK_DOMAIN TAG
            none        NOTHING quiet  LINK_DOMAIN TAG
            none        YES     quiet  DESTINATION TAG
            none        NO      quiet  DESTINATION TAG
            none        NOTHING quiet  DESTINATION TAG
            none        YES     signal LINK_DOMAIN SIGNAL
            none        NO      signal LINK_DOMAIN SIGNAL
            none        NOTHING signal LINK_DOMAIN SIGNAL
            none        YES     signal DESTINATION SIGNAL
            none        NO      signal DESTINATION SIGNAL
            none        NOTHING signal DESTINATION SIGNAL
            measurement YES     quiet  LINK_DOMAIN TAG
            measurement NO      quiet  LINK_DOMAIN DECLINED
            measurement NOTHING quiet  LINK_DOMAIN ASK
            measurement YES     quiet  DESTINATION LEFT
            measurement NO      quiet  DESTINATION LEFT
            measurement NOTHING quiet  DESTINATION LEFT
            measurement YES     signal LINK_DOMAIN SIGNAL
            measurement NO      signal LINK_DOMAIN SIGNAL
            measurement NOTHING signal LINK_DOMAIN SIGNAL
            measurement YES     signal DESTINATION SIGNAL
            measurement NO      signal DESTINATION SIGNAL
            measurement NOTHING signal DESTINATION SIGNAL
            advertising YES     quiet  LINK_DOMAIN TAG
            advertising NO      quiet  LINK_DOMAIN DECLINED
            advertising NOTHING quiet  LINK_DOMAIN ASK
            advertising YES     quiet  DESTINATION LEFT
            advertising NO      quiet  DESTINATION LEFT
            advertising NOTHING quiet  DESTINATION LEFT
            advertising YES     signal LINK_DOMAIN SIGNAL
            advertising NO      signal LINK_DOMAIN SIGNAL
            advertising NOTHING signal LINK_DOMAIN SIGNAL
            advertising YES     signal DESTINATION SIGNAL
            advertising NO      signal DESTINATION SIGNAL
            advertising NOTHING signal DESTINATION SIGNAL
            """;

    @Test
    void every_case_of_the_table_is_decided_as_it_says() {
        List<String> decided = new ArrayList<>();
        for (TagPurpose purpose : TagPurpose.values()) {
            for (boolean hasSignal : List.of(false, true)) {
                for (TagConsent.Asker asker : TagConsent.Asker.values()) {
                    for (TagConsent.Recorded recorded : TagConsent.Recorded.values()) {
                        decided.add("%s %s %s %s %s"
                                .formatted(
                                        purpose.key(),
                                        recorded,
                                        hasSignal ? "signal" : "quiet",
                                        asker,
                                        TagConsent.decide(purpose, recorded, hasSignal, asker)));
                    }
                }
            }
        }
        assertThat(decided)
                .containsExactlyInAnyOrderElementsOf(TABLE.lines()
                        .map(line -> line.strip().replaceAll(" +", " "))
                        .toList());
    }

    @ParameterizedTest
    @CsvSource({"none, NONE", "measurement, MEASUREMENT", "advertising, ADVERTISING"})
    void a_purpose_is_found_by_its_key(String key, TagPurpose purpose) {
        assertThat(TagPurpose.find(key)).contains(purpose);
        assertThat(TagPurpose.find(key.toUpperCase(java.util.Locale.ROOT))).isEmpty();
    }
}
