package wendo.core.partners;

import java.io.StringWriter;
import java.math.BigDecimal;
import java.text.Normalizer;
import java.time.LocalDate;
import java.time.LocalDateTime;
import java.time.format.DateTimeFormatter;
import java.time.temporal.ChronoUnit;
import java.util.List;
import java.util.Optional;
import javax.xml.stream.XMLOutputFactory;
import javax.xml.stream.XMLStreamException;
import javax.xml.stream.XMLStreamWriter;
import org.joda.money.Money;

/**
 * An order to a bank to pay several payees at once: ISO 20022, {@code pain.001.001.09}. In euros it asks for a SEPA credit
 * transfer; names and purposes are written in the letters that every bank of that scheme takes.
 *
 * @param number tells the order from all others of the payer; 35 letters at most
 * @param payer whose account is debited
 * @param payments one at least, all in one currency
 */
public record PaymentFile(String number, LocalDateTime madeAt, Account payer, LocalDate payOn, List<Payment> payments) {
    static final String NAMESPACE = "urn:iso:std:iso:20022:tech:xsd:pain.001.001.09";
    private static final int LONGEST_ID = 35;
    private static final int LONGEST_NAME = 70;
    private static final int LONGEST_PURPOSE = 140;

    /** A name and an account; the bank's BIC where it is known. */
    public record Account(String name, Iban iban, Optional<String> bic) {}

    /**
     * One transfer.
     *
     * @param id tells it from all others of the payer, and goes along to the payee
     * @param purpose what the payee reads on the account
     */
    public record Payment(String id, Account payee, Money amount, String purpose) {
        public Payment {
            if (!amount.isPositive()) {
                throw new IllegalArgumentException("A payment must be more than nothing, but was " + amount);
            }
        }
    }

    public PaymentFile {
        payments = List.copyOf(payments);
        if (payments.isEmpty()) {
            throw new IllegalArgumentException("An order needs one payment at least");
        }
        if (payments.stream()
                        .map(one -> one.amount().getCurrencyUnit())
                        .distinct()
                        .count()
                > 1) {
            throw new IllegalArgumentException("All payments of an order must be in one currency");
        }
    }

    /** The file, as text that begins with its declaration. */
    public String xml() {
        StringWriter text = new StringWriter();
        try {
            XMLStreamWriter xml = XMLOutputFactory.newInstance().createXMLStreamWriter(text);
            xml.writeStartDocument("UTF-8", "1.0");
            xml.writeStartElement("Document");
            xml.writeDefaultNamespace(NAMESPACE);
            xml.writeStartElement("CstmrCdtTrfInitn");
            header(xml);
            order(xml);
            xml.writeEndDocument();
            xml.close();
        } catch (XMLStreamException e) {
            throw new IllegalStateException("A payment file could not be written", e);
        }
        return text.toString();
    }

    private void header(XMLStreamWriter xml) throws XMLStreamException {
        xml.writeStartElement("GrpHdr");
        write(xml, "MsgId", id(number));
        write(xml, "CreDtTm", madeAt.truncatedTo(ChronoUnit.SECONDS).format(DateTimeFormatter.ISO_LOCAL_DATE_TIME));
        sums(xml);
        xml.writeStartElement("InitgPty");
        write(xml, "Nm", plain(payer.name(), LONGEST_NAME));
        xml.writeEndElement();
        xml.writeEndElement();
    }

    private void order(XMLStreamWriter xml) throws XMLStreamException {
        xml.writeStartElement("PmtInf");
        write(xml, "PmtInfId", id(number));
        write(xml, "PmtMtd", "TRF");
        write(xml, "BtchBookg", "true");
        sums(xml);
        if (isEuro()) {
            within(xml, "SEPA", "PmtTpInf", "SvcLvl", "Cd");
        }
        within(xml, payOn.toString(), "ReqdExctnDt", "Dt");
        account(xml, "Dbtr", payer, true);
        write(xml, "ChrgBr", isEuro() ? "SLEV" : "SHAR");
        for (Payment payment : payments) {
            xml.writeStartElement("CdtTrfTxInf");
            within(xml, id(payment.id()), "PmtId", "EndToEndId");
            xml.writeStartElement("Amt");
            xml.writeStartElement("InstdAmt");
            xml.writeAttribute("Ccy", payment.amount().getCurrencyUnit().getCode());
            xml.writeCharacters(payment.amount().getAmount().toPlainString());
            xml.writeEndElement();
            xml.writeEndElement();
            account(xml, "Cdtr", payment.payee(), false);
            within(xml, plain(payment.purpose(), LONGEST_PURPOSE), "RmtInf", "Ustrd");
            xml.writeEndElement();
        }
        xml.writeEndElement();
    }

    private boolean isEuro() {
        return payments.get(0).amount().getCurrencyUnit().getCode().equals("EUR");
    }

    private void sums(XMLStreamWriter xml) throws XMLStreamException {
        write(xml, "NbOfTxs", String.valueOf(payments.size()));
        write(
                xml,
                "CtrlSum",
                payments.stream()
                        .map(one -> one.amount().getAmount())
                        .reduce(BigDecimal.ZERO, BigDecimal::add)
                        .toPlainString());
    }

    /** The payer's side is name, account, bank; the payee's is bank, name, account. */
    private static void account(XMLStreamWriter xml, String role, Account account, boolean isPayer)
            throws XMLStreamException {
        if (!isPayer && account.bic().isPresent()) {
            bank(xml, role, account);
        }
        within(xml, plain(account.name(), LONGEST_NAME), role, "Nm");
        within(xml, account.iban().value(), role + "Acct", "Id", "IBAN");
        if (isPayer) {
            bank(xml, role, account);
        }
    }

    private static void bank(XMLStreamWriter xml, String role, Account account) throws XMLStreamException {
        if (account.bic().isPresent()) {
            within(xml, account.bic().get(), role + "Agt", "FinInstnId", "BICFI");
        } else {
            within(xml, "NOTPROVIDED", role + "Agt", "FinInstnId", "Othr", "Id");
        }
    }

    private static void within(XMLStreamWriter xml, String text, String... names) throws XMLStreamException {
        for (String name : names) {
            xml.writeStartElement(name);
        }
        xml.writeCharacters(text);
        for (int i = 0; i < names.length; i++) {
            xml.writeEndElement();
        }
    }

    private static void write(XMLStreamWriter xml, String name, String text) throws XMLStreamException {
        within(xml, text, name);
    }

    private static String id(String text) {
        return plain(text, LONGEST_ID);
    }

    /** In the letters of the SEPA scheme: a–z, A–Z, 0–9 and / - ? : ( ) . , ' + and the space. */
    static String plain(String text, int longest) {
        String folded = Normalizer.normalize(
                        text.replace("ß", "ss")
                                .replace("æ", "ae")
                                .replace("ø", "o")
                                .replace("ł", "l")
                                .replace("Ł", "L")
                                .replace("&", "+"),
                        Normalizer.Form.NFKD)
                .replaceAll("\\p{M}", "")
                .replaceAll("[^a-zA-Z0-9/\\-?:().,'+ ]", " ")
                .replaceAll(" {2,}", " ")
                .strip();
        String kept = folded.isEmpty() ? "-" : folded;
        return kept.length() <= longest ? kept : kept.substring(0, longest).strip();
    }
}
