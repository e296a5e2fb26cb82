package wendo.core.partners;

import static org.assertj.core.api.Assertions.assertThat;
import static org.assertj.core.api.Assertions.assertThatCode;
import static org.assertj.core.api.Assertions.assertThatThrownBy;

import java.io.StringReader;
import java.time.LocalDate;
import java.time.LocalDateTime;
import java.util.List;
import java.util.Objects;
import java.util.Optional;
import java.util.stream.IntStream;
import javax.xml.XMLConstants;
import javax.xml.parsers.DocumentBuilderFactory;
import javax.xml.transform.stream.StreamSource;
import javax.xml.validation.SchemaFactory;
import org.joda.money.Money;
import org.junit.jupiter.api.Test;
import org.junit.jupiter.params.ParameterizedTest;
import org.junit.jupiter.params.provider.CsvSource;
import org.xml.sax.InputSource;
import wendo.core.partners.PaymentFile.Account;
import wendo.core.partners.PaymentFile.Payment;

/** Held against the schema of ISO 20022, {@code pain.001.001.09}, as hbci4j-core 3.1.88 carries it. */
class PaymentFileTest {
    private static final Account PAYER =
            new Account("Marram Point Sailing", new Iban("DE89370400440532013000"), Optional.of("MARKDEFF"));
    private static final Account PAYEE =
            new Account("Saltgrass Campsite", new Iban("NL91ABNA0417164300"), Optional.empty());

    private static PaymentFile file(Payment... payments) {
        return new PaymentFile(
                "WENDO-7",
                LocalDateTime.of(2026, 11, 30, 9, 5, 7, 1),
                PAYER,
                LocalDate.of(2026, 12, 1),
                List.of(payments));
    }

    private static Payment payment(String id, String money) {
        return new Payment(id, PAYEE, Money.parse(money), "Statement 12, November 2026");
    }

    private static void mustBeValid(String xml) {
        assertThatCode(() -> SchemaFactory.newInstance(XMLConstants.W3C_XML_SCHEMA_NS_URI)
                        .newSchema(Objects.requireNonNull(
                                PaymentFileTest.class.getResource("/pain.001.001.09.xsd"), "the published schema"))
                        .newValidator()
                        .validate(new StreamSource(new StringReader(xml))))
                .as(xml)
                .doesNotThrowAnyException();
    }

    private static String text(String xml, String name, int at) throws Exception {
        return DocumentBuilderFactory.newInstance()
                .newDocumentBuilder()
                .parse(new InputSource(new StringReader(xml)))
                .getElementsByTagName(name)
                .item(at)
                .getTextContent();
    }

    @Test
    void an_order_in_euros_is_a_sepa_transfer_by_the_published_schema() throws Exception {
        String xml =
                file(payment("S12", "EUR 120.05"), payment("S13", "EUR 0.95")).xml();
        mustBeValid(xml);
        assertThat(text(xml, "CtrlSum", 0)).isEqualTo("121.00");
        assertThat(text(xml, "NbOfTxs", 1)).isEqualTo("2");
        assertThat(text(xml, "SvcLvl", 0)).isEqualTo("SEPA");
        assertThat(text(xml, "ChrgBr", 0)).isEqualTo("SLEV");
        assertThat(text(xml, "IBAN", 0)).isEqualTo("DE89370400440532013000");
        assertThat(text(xml, "EndToEndId", 1)).isEqualTo("S13");
        assertThat(text(xml, "CreDtTm", 0)).isEqualTo("2026-11-30T09:05:07");
    }

    /** A currency without minor units, and one with three (ISO 4217). */
    @ParameterizedTest
    @CsvSource({"GBP 12.30,12.30", "JPY 1500,1500", "KWD 1.250,1.250"})
    void another_currency_is_written_with_its_own_digits_and_is_no_sepa_transfer(String money, String written)
            throws Exception {
        String xml = file(payment("S12", money)).xml();
        mustBeValid(xml);
        assertThat(text(xml, "InstdAmt", 0)).isEqualTo(written);
        assertThat(xml).doesNotContain("SvcLvl").contains("<ChrgBr>SHAR</ChrgBr>");
    }

    /** The letters of the scheme: EPC217-08, "SEPA Requirements for an Extended Character Set"; from memory. */
    @ParameterizedTest
    @CsvSource({
        "Gästehaus Müller & Söhne,Gastehaus Muller + Sohne",
        "Łódź Żagle,Lodz Zagle",
        "<script>alert(1)</script>,script alert(1) /script",
        "Straße 5,Strasse 5",
        "—,-"
    })
    void names_are_written_in_letters_that_every_bank_takes(String name, String written) {
        String plain = PaymentFile.plain(name, 70);
        assertThat(plain).matches("[a-zA-Z0-9/\\-?:().,'+ ]{1,70}");
        assertThat(plain).isEqualTo(written);
    }

    @Test
    void what_is_too_long_is_cut_to_what_the_schema_takes() {
        Payment longest = new Payment(
                "S".repeat(80),
                new Account("N".repeat(200), PAYEE.iban(), Optional.of("ABNANL2A")),
                Money.parse("EUR 1.00"),
                "P".repeat(400));
        mustBeValid(file(longest).xml());
    }

    @Test
    void a_hundred_payments_add_up_to_their_control_sum() throws Exception {
        Payment[] many = IntStream.rangeClosed(1, 100)
                .mapToObj(i -> payment("S" + i, "EUR " + i + ".01"))
                .toArray(Payment[]::new);
        String xml = file(many).xml();
        mustBeValid(xml);
        assertThat(text(xml, "CtrlSum", 1)).isEqualTo("5051.00");
    }

    @Test
    void nothing_nobody_and_two_currencies_are_refused() {
        assertThatThrownBy(() -> payment("S1", "EUR 0.00")).hasMessageContaining("more than nothing");
        assertThatThrownBy(PaymentFileTest::file).hasMessageContaining("one payment at least");
        assertThatThrownBy(() -> file(payment("S1", "EUR 1.00"), payment("S2", "GBP 1.00")))
                .hasMessageContaining("one currency");
    }
}
