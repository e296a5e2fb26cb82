package wendo.core.media;

import static org.assertj.core.api.Assertions.assertThat;

import org.junit.jupiter.api.Test;
import org.junit.jupiter.params.ParameterizedTest;
import org.junit.jupiter.params.provider.ValueSource;

/** Addresses from RFC 5322, appendix A, and RFC 5321, section 4.5.3, with domains that are kept for examples. */
class EmailAddressTest {

    @ParameterizedTest
    @ValueSource(
            strings = {
                "john.q.public@example.com",
                "mary@x.test",
                "jdoe@example.org",
                "one+tag@y.test",
                "o'hara@example.net",
                "a@b-c.example",
                " Boss@Nil.Test ",
                "łucja@example.org",
                "a_b=c@sub.sub.example"
            })
    void addresses_that_people_have_are_taken_in_lower_case(String typed) {
        assertThat(EmailAddress.find(typed))
                .get()
                .extracting(EmailAddress::value)
                .isEqualTo(typed.strip().toLowerCase(java.util.Locale.ROOT));
    }

    @ParameterizedTest
    @ValueSource(
            strings = {
                "",
                "@",
                "ada",
                "ada@",
                "@reed.example",
                "ada@reed",
                "ada@reed..example",
                "ada..b@reed.example",
                "ada@-reed.example",
                "ada@reed-.example",
                "a b@reed.example",
                "<ada@reed.example>",
                "ada@reed.example,bo@reed.example",
                "ada@reed.example\nBcc: x@y.example",
                "ada@[127.0.0.1]",
                "javascript:alert(1)@x",
                "{{email}}"
            })
    void what_could_not_be_written_to_is_refused(String typed) {
        assertThat(EmailAddress.find(typed)).isEmpty();
    }

    @Test
    void the_longest_that_mail_carries_is_254() {
        String local = "a".repeat(64) + "@";
        String domain = ("b".repeat(60) + ".").repeat(3) + "example";
        assertThat(local.length() + domain.length()).isEqualTo(255);
        assertThat(EmailAddress.find(local + domain)).isEmpty();
        assertThat(EmailAddress.find(local.substring(1) + domain)).isPresent();
        assertThat(EmailAddress.find("a".repeat(65) + "@reed.example")).isEmpty();
    }
}
