package wendo.app.platform.site;

import static org.assertj.core.api.Assertions.assertThat;
import static org.assertj.core.api.Assertions.assertThatThrownBy;

import java.util.Locale;
import org.joda.money.CurrencyUnit;
import org.junit.jupiter.params.ParameterizedTest;
import org.junit.jupiter.params.provider.CsvSource;

class AmountTest {
    @ParameterizedTest
    @CsvSource(
            delimiter = '|',
            value = {
                "1250 | en-GB | 125000",
                "£1,250.00 | en-GB | 125000",
                "1,250.5 GBP | en-GB | 125050",
                "gbp 3 | en-GB | 300",
                "1.250,00 £ | de-DE | 125000",
                "0,5 | de-DE | 50",
            })
    void amounts_are_read_as_people_write_them(String typed, String locale, long minor) {
        assertThat(Amount.of(typed, CurrencyUnit.GBP, Locale.forLanguageTag(locale)))
                .isEqualTo(new Amount(minor));
    }

    @ParameterizedTest
    @CsvSource(
            delimiter = '|',
            value = {
                "0",
                "-5",
                "1.234",
                "1,25",
                "12,50",
                "1e5",
                "''",
                "ten",
                "€20",
                "20 EUR",
                "$1,250.00",
                "1000000000000",
                "999999999999"
            })
    void other_amounts_are_refused(String typed) {
        assertThatThrownBy(() -> Amount.of(typed, CurrencyUnit.GBP, Locale.UK)).hasMessageContaining("like 1,250.00");
    }
}
