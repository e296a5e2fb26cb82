package wendo.core.audience;

import static org.assertj.core.api.Assertions.assertThat;
import static org.assertj.core.api.Assertions.assertThatThrownBy;

import org.junit.jupiter.api.Test;
import org.junit.jupiter.params.ParameterizedTest;
import org.junit.jupiter.params.provider.CsvSource;
import org.junit.jupiter.params.provider.ValueSource;
import wendo.core.media.EmailAddress;
import wendo.core.media.PhoneNumber;

class HashedContactTest {
    /** The one-block and the two-block message of NIST's examples for FIPS 180-4, and the same by GNU coreutils 9.1. */
    @ParameterizedTest
    @CsvSource({
        "abc, ba7816bf8f01cfea414140de5dae2223b00361a396177a9cb410ff61f20015ad",
        "abcdbcdecdefdefgefghfghighijhijkijkljklmklmnlmnomnopnopq, 248d6a61d20638b8e5c026930c3e6039a33ce45964ff2167f6ecedd419db06c1"
    })
    void the_hash_is_sha_256(String text, String hash) {
        assertThat(HashedContact.ofNormalised(text).hex()).isEqualTo(hash);
    }

    /** Expected by GNU coreutils: {@code printf ada@post.example | sha256sum}. */
    @ParameterizedTest
    @ValueSource(strings = {"ada@post.example", " Ada@Post.Example ", "ADA@POST.EXAMPLE\t"})
    void an_e_mail_address_is_trimmed_and_in_lower_case_before(String typed) {
        assertThat(HashedContact.of(EmailAddress.find(typed).orElseThrow()).hex())
                .isEqualTo("316a373fb096a1dfe11c7b216e4314f59b1531a87465ec9a2779e7d1548d688d");
    }

    /** Likewise of +441174960123, a number kept for fiction (Ofcom). */
    @ParameterizedTest
    @ValueSource(strings = {"0117 496 0123", "+44 117 496 0123", "(0117) 496-0123", "0044 117 4960123"})
    void a_phone_number_is_in_its_international_form_with_the_plus(String typed) {
        assertThat(HashedContact.of(PhoneNumber.find(typed, "GB").orElseThrow()).hex())
                .isEqualTo("e4138f3e6630bb80baef1f437c28c46c5107519cb28800070b32239b7fa673f2");
    }

    @Test
    void what_is_no_hash_is_refused_with_what_came() {
        assertThat(HashedContact.isHash("ada@post.example")).isFalse();
        assertThat(HashedContact.isHash("A".repeat(64))).isFalse();
        assertThatThrownBy(() -> new HashedContact("ada@post.example"))
                .hasMessage("A hashed contact is 64 digits of 0-9 and a-f, but came \"ada@post.example\"");
    }
}
