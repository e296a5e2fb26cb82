package wendo.app.place.messages;

import static org.assertj.core.api.Assertions.assertThat;

import java.util.Locale;
import org.junit.jupiter.params.ParameterizedTest;
import org.junit.jupiter.params.provider.CsvSource;

/** Numbers kept for drama: Ofcom's 07700 900000 to 900999, and 555-0100 to 0199 of the North American plan. */
class ContactTest {

    @ParameterizedTest
    @CsvSource({
        "07700 900123, en-GB, +447700900123",
        "+44 (0)7700 900123, de-DE, +447700900123",
        "0044 7700 900123, en-GB, +447700900123",
        "447700900123, en-GB, +447700900123",
        "(212) 555-0123, en-US, +12125550123",
        "+1 212 555 0123, en-GB, +12125550123"
    })
    void a_number_is_the_business_countrys_unless_it_says_otherwise(String typed, Locale locale, String e164) {
        assertThat(Contact.of(typed, "", locale)).isEqualTo(new Contact(e164, "", ""));
    }

    @ParameterizedTest
    @CsvSource(
            delimiter = '|',
            value = {
                "'' | '' | There is neither a phone number nor an e-mail address.",
                "12 | '' | “12” is not a phone number that can be dialled.",
                "call me | '' | “call me” is not a phone number that can be dialled.",
                "'' | ada@reed | “ada@reed” is not an e-mail address.",
                "12 | ada@reed.example | “12” is not a phone number that can be dialled.",
                "07700 900123 | nonsense | “nonsense” is not an e-mail address."
            })
    void what_is_wrong_is_named_with_what_stood_there(String phone, String email, String fault) {
        assertThat(Contact.of(phone, email, Locale.UK).fault()).isEqualTo(fault);
    }

    @ParameterizedTest
    @CsvSource({"ADA@Reed.Example, ada@reed.example", "' bo+x@reed.example ', bo+x@reed.example"})
    void an_address_is_kept_in_lower_case(String typed, String kept) {
        assertThat(Contact.of("", typed, Locale.UK)).isEqualTo(new Contact("", kept, ""));
    }
}
