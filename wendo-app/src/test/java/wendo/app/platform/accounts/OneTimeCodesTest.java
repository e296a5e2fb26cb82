package wendo.app.platform.accounts;

import static org.assertj.core.api.Assertions.assertThat;

import java.nio.charset.StandardCharsets;
import java.time.Instant;
import org.apache.commons.codec.binary.Base32;
import org.junit.jupiter.api.Test;
import org.junit.jupiter.params.ParameterizedTest;
import org.junit.jupiter.params.provider.CsvSource;

class OneTimeCodesTest {
    /** The secret of RFC 6238, appendix B, for SHA-1. */
    private static final String SECRET =
            new Base32().encodeToString("12345678901234567890".getBytes(StandardCharsets.US_ASCII));

    /** RFC 6238, appendix B: the last six of its eight digits (RFC 4226, section 5.3, takes the number modulo 10^6). */
    @ParameterizedTest
    @CsvSource({
        "59, 287082",
        "1111111109, 081804",
        "1111111111, 050471",
        "1234567890, 005924",
        "2000000000, 279037",
        "20000000000, 353130"
    })
    void they_are_those_of_the_standard(long second, String code) {
        assertThat(OneTimeCodes.at(SECRET, second / 30)).isEqualTo(code);
        assertThat(OneTimeCodes.step(SECRET, code, Instant.ofEpochSecond(second), 0))
                .hasValue(second / 30);
    }

    @Test
    void a_clock_may_differ_by_one_step_and_a_code_is_taken_once() {
        Instant now = Instant.ofEpochSecond(1234567890);
        long step = 1234567890 / 30;
        for (long apart = -3; apart <= 3; apart++) {
            assertThat(OneTimeCodes.step(SECRET, OneTimeCodes.at(SECRET, step + apart), now, 0)
                            .isPresent())
                    .as("%d steps apart", apart)
                    .isEqualTo(Math.abs(apart) <= 1);
        }
        String code = OneTimeCodes.at(SECRET, step);
        assertThat(OneTimeCodes.step(SECRET, code, now, step)).isEmpty();
        assertThat(OneTimeCodes.step(SECRET, code.substring(0, 3) + " " + code.substring(3), now, step - 1))
                .as("typed as it is shown")
                .hasValue(step);
        for (String wrong : new String[] {"", "000000", code.substring(1), code + "0", "x"}) {
            assertThat(OneTimeCodes.step(SECRET, wrong, now, 0)).as(wrong).isEmpty();
        }
    }

    @Test
    void a_secret_has_160_bits_and_no_two_are_alike() {
        assertThat(new Base32().decode(OneTimeCodes.secret())).hasSize(20);
        assertThat(OneTimeCodes.secret()).isNotEqualTo(OneTimeCodes.secret());
        assertThat(OneTimeCodes.uri("ABC", "a+b@reed.example"))
                .isEqualTo("otpauth://totp/Wendo:a%2Bb%40reed.example?secret=ABC&issuer=Wendo");
    }
}
