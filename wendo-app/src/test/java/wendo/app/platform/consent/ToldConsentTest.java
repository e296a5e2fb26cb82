package wendo.app.platform.consent;

import static org.assertj.core.api.Assertions.assertThat;

import java.util.HashMap;
import java.util.List;
import java.util.Map;
import java.util.Set;
import org.junit.jupiter.api.Test;
import wendo.app.platform.site.Limits;
import wendo.app.platform.site.TypedFields;

class ToldConsentTest {
    private static final String MAIL = "ines@ibarra.example";
    private static final String PHONE = "+441632960118";

    private static Map<String, String> faults(String words, List<String> contacts, ConsentPurpose... purposes) {
        Map<String, String> faults = new HashMap<>();
        new ToldConsent(Set.of(purposes), words).check(contacts, faults);
        return faults;
    }

    @Test
    void what_was_ticked_is_read_by_purpose() {
        assertThat(ToldConsent.of(TypedFields.of(Map.of(
                        "consent-email-news", "yes", "consent-pigeons", "yes", "consentWords", " May we write? "))))
                .isEqualTo(new ToldConsent(Set.of(ConsentPurpose.EMAIL_NEWS), "May we write?"));
        assertThat(ToldConsent.of(TypedFields.none())).isEqualTo(ToldConsent.none());
    }

    @Test
    void nothing_ticked_is_nothing_wrong_and_nothing_kept() {
        assertThat(faults("", List.of())).isEmpty();
        assertThat(ToldConsent.none().given(List.of(MAIL), new java.util.UUID(1, 1), "Ola"))
                .isEmpty();
    }

    @Test
    void it_needs_the_words_that_were_said() {
        assertThat(faults("", List.of(MAIL), ConsentPurpose.EMAIL_NEWS))
                .isEqualTo(Map.of("consentWords", "Write what you asked them, in your own words."));
        assertThat(faults("x".repeat(Limits.CONSENT_WORDS + 1), List.of(MAIL), ConsentPurpose.EMAIL_NEWS))
                .containsOnlyKeys("consentWords");
    }

    /** Each purpose with each contact: news goes by its own road, an audience takes either. */
    @Test
    void it_needs_a_contact_that_can_carry_it() {
        for (ConsentPurpose purpose : ConsentPurpose.values()) {
            assertThat(faults("May we?", List.of(" "), purpose))
                    .as("%s to nobody", purpose)
                    .hasSize(1);
            assertThat(faults("May we?", List.of(MAIL), purpose).isEmpty())
                    .as("%s by e-mail", purpose)
                    .isEqualTo(purpose != ConsentPurpose.TEXT_NEWS);
            assertThat(faults("May we?", List.of(PHONE), purpose).isEmpty())
                    .as("%s by phone", purpose)
                    .isEqualTo(purpose != ConsentPurpose.EMAIL_NEWS);
            assertThat(faults("May we?", List.of(MAIL, PHONE), purpose)).isEmpty();
        }
        assertThat(faults("May we?", List.of(MAIL), ConsentPurpose.TEXT_NEWS))
                .containsValue("Text news needs a phone number.");
    }
}
