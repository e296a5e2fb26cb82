package wendo.app.money.partners;

import static org.assertj.core.api.Assertions.assertThat;

import java.math.BigDecimal;
import java.util.HashMap;
import java.util.Map;
import org.junit.jupiter.api.Test;
import org.junit.jupiter.params.ParameterizedTest;
import org.junit.jupiter.params.provider.CsvSource;
import wendo.app.TealTours;
import wendo.app.platform.business.Business;
import wendo.app.platform.site.TypedFields;

/** IBANs are the examples of the IBAN registry (SWIFT, ISO 13616); telephone numbers are Ofcom's for drama. */
class PartnerFormTest {
    private static final Business TEAL = TealTours.BUSINESS;

    private static PartnerForm.Judged<PayoutDetails> payout(String... pairs) {
        return PartnerForm.payout(typed(pairs), TEAL);
    }

    private static TypedFields typed(String... pairs) {
        Map<String, String> fields = new HashMap<>();
        for (int i = 0; i < pairs.length; i += 2) {
            fields.put(pairs[i], pairs[i + 1]);
        }
        return TypedFields.of(fields);
    }

    @Test
    void a_contact_is_kept_in_normal_form() {
        assertThat(PartnerForm.contact(
                        typed(
                                "contact",
                                " Ines ",
                                "email",
                                "Ines@Ibarra.EXAMPLE",
                                "phone",
                                "01632 960118",
                                "language",
                                "es"),
                        TEAL))
                .isEqualTo(new PartnerForm.Judged<>(
                        new PartnerForm.Contact("Ines", "ines@ibarra.example", "+441632960118", "es", ""), Map.of()));
    }

    @Test
    void nothing_said_of_a_contact_is_nothing_wrong_and_the_business_s_language() {
        PartnerForm.Judged<PartnerForm.Contact> none = PartnerForm.contact(typed("language", "xx"), TEAL);
        assertThat(none.faults()).isEmpty();
        assertThat(none.checked())
                .isEqualTo(new PartnerForm.Contact("", "", "", TEAL.locale().getLanguage(), ""));
    }

    @Test
    void what_is_no_contact_is_told_beside_its_field() {
        Map<String, String> faults = PartnerForm.contact(
                        typed("email", "nowhere", "phone", "12", "contact", "x".repeat(5000)), TEAL)
                .faults();
        assertThat(faults)
                .containsEntry("email", "Enter an e-mail address like name@example.org.")
                .containsEntry("phone", "Enter a phone number with its area code.")
                .containsKey("contact")
                .hasSize(3);
    }

    @Test
    void an_account_is_read_with_its_spaces_and_small_letters() {
        PartnerForm.Judged<PayoutDetails> judged = payout(
                "payout",
                "iban",
                "accountName",
                "Ines Ibarra",
                "iban",
                "gb29 nwbk 6016 1331 9268 19",
                "bic",
                "nwbkgb2l",
                "minimum",
                "25",
                "taxPercent",
                "19,5 %",
                "selfBilling",
                "yes",
                "taxNumber",
                "GB 999");
        assertThat(judged.faults()).isEmpty();
        assertThat(judged.checked())
                .isEqualTo(new PayoutDetails(
                        PayoutDetails.Way.IBAN,
                        "Ines Ibarra",
                        "GB29NWBK60161331926819",
                        "NWBKGB2L",
                        "",
                        2_500,
                        new PayoutDetails.Tax("GB 999", "", true, new BigDecimal("19.5"))));
    }

    @ParameterizedTest
    @CsvSource({
        "'', Enter the IBAN.",
        "GB29 NWBK 6016 1331 9268 18, 'The check digits do not match. Compare the IBAN digit by digit.'",
        "GB29 NWBK 6016, 'This is no IBAN. It begins with two letters of a country and has that country’s length.'",
        "four, 'This is no IBAN. It begins with two letters of a country and has that country’s length.'"
    })
    void an_iban_that_is_none_is_told_for_what_it_is(String iban, String said) {
        PartnerForm.Judged<PayoutDetails> judged =
                payout("payout", "iban", "accountName", "Ines", "iban", iban, "bic", "SHORT");
        assertThat(judged.faults()).isEqualTo(Map.of("iban", said, "bic", "A BIC has 8 or 11 letters and digits."));
        assertThat(judged.checked().iban()).isEmpty();
    }

    @Test
    void paid_in_another_way_has_to_be_said_and_needs_no_account() {
        assertThat(payout("payout", "other", "payoutOther", "Vouchers").faults())
                .isEmpty();
        assertThat(payout("payout", "other").faults())
                .isEqualTo(Map.of("payoutOther", "Say how this partner is paid."));
    }

    @ParameterizedTest
    @CsvSource({"'', 0", "20, 20", "'7,125', 7.125", "100 %, 100"})
    void a_share_has_a_point_or_a_comma(String typed, BigDecimal percent) {
        Map<String, String> faults = new HashMap<>();
        assertThat(PartnerForm.percent("share", typed, faults)).isEqualByComparingTo(percent);
        assertThat(faults).isEmpty();
    }

    @ParameterizedTest
    @CsvSource({"100.001", "-1", "much", "1.2345", "1e2"})
    void a_share_is_0_to_100(String typed) {
        Map<String, String> faults = new HashMap<>();
        assertThat(PartnerForm.percent("share", typed, faults)).isZero();
        assertThat(faults).isEqualTo(Map.of("share", "Enter a number from 0 to 100, like 20."));
    }

    @Test
    void nothing_and_zero_are_told_apart_where_that_matters() {
        Map<String, String> faults = new HashMap<>();
        assertThat(PartnerForm.minorOrNone("least", "", TEAL, faults)).isNull();
        assertThat(PartnerForm.minorOrNone("least", "0.00", TEAL, faults)).isZero();
        assertThat(PartnerForm.minor("least", "", TEAL, faults)).isZero();
        assertThat(PartnerForm.minor("least", "12.34", TEAL, faults)).isEqualTo(1_234);
        assertThat(faults).isEmpty();
        assertThat(PartnerForm.minor("least", "a lot", TEAL, faults)).isZero();
        assertThat(faults).containsOnlyKeys("least");
    }
}
