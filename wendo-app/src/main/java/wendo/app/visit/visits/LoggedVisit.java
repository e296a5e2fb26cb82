package wendo.app.visit.visits;

import java.nio.charset.StandardCharsets;
import java.util.Arrays;
import java.util.Optional;
import java.util.UUID;
import java.util.zip.CRC32;
import wendo.app.platform.business.BusinessId;
import wendo.core.visits.ClickId;

/**
 * One answered arrival as the visit log keeps it: a line of tab-separated fields behind a checksum, so that a line cut
 * off by a crash is recognised. Text fields have no control characters and a greatest length.
 *
 * @param destination where it was led
 * @param recipient the code of somebody the link was sent to, or empty text
 * @param proof the token of a proof that the browser carried, or empty text
 * @param language the primary subtag of the language its browser asks for first, or empty text
 * @param alias a partner network and what it got instead of the click identifier, a space between; or empty text
 * @param tags what was done with the visitor tags of its link ({@link TagsDecided}), or empty text
 */
public record LoggedVisit(
        ClickId click,
        BusinessId business,
        UUID link,
        UUID source,
        UUID destination,
        UUID visitor,
        String recipient,
        String country,
        String device,
        String proof,
        String userAgent,
        String purpose,
        String referrer,
        String language,
        String alias,
        String tags) {
    private static final int MAX_USER_AGENT = 500;
    private static final int MAX_PURPOSE = 60;
    private static final int MAX_REFERRER = 2000;
    private static final int MAX_PROOF = 40;
    private static final int MAX_LANGUAGE = 8; // BCP 47: a primary subtag has 8 letters at most
    private static final int FIELDS = 16;

    /** Lines of earlier versions end before the language, before the alias, or before the tags. */
    private static final int FEWEST_FIELDS = 13;

    public LoggedVisit {
        proof = plain(proof, MAX_PROOF);
        userAgent = plain(userAgent, MAX_USER_AGENT);
        purpose = plain(purpose, MAX_PURPOSE);
        referrer = plain(referrer, MAX_REFERRER);
        language = plain(language, MAX_LANGUAGE);
    }

    /** A visit of a link without visitor tags. */
    public LoggedVisit(
            ClickId click,
            BusinessId business,
            UUID link,
            UUID source,
            UUID destination,
            UUID visitor,
            String recipient,
            String country,
            String device,
            String proof,
            String userAgent,
            String purpose,
            String referrer,
            String language,
            String alias) {
        this(
                click,
                business,
                link,
                source,
                destination,
                visitor,
                recipient,
                country,
                device,
                proof,
                userAgent,
                purpose,
                referrer,
                language,
                alias,
                "");
    }

    public LoggedVisit withTags(String decided) {
        return new LoggedVisit(
                click,
                business,
                link,
                source,
                destination,
                visitor,
                recipient,
                country,
                device,
                proof,
                userAgent,
                purpose,
                referrer,
                language,
                alias,
                decided);
    }

    private static String plain(String text, int most) {
        String cut = text.length() <= most ? text : text.substring(0, most);
        for (int i = 0; i < cut.length(); i++) {
            if (Character.isISOControl(cut.charAt(i)) || Character.isSurrogate(cut.charAt(i))) {
                return cut.replaceAll("[\\p{Cntrl}\\p{Cs}]", " ");
            }
        }
        return cut;
    }

    /** Every answered visit is written so while its visitor waits: the text is made into bytes once. */
    byte[] line() {
        byte[] fields = String.join(
                        "\t",
                        click.toString(),
                        business.value().toString(),
                        link.toString(),
                        source.toString(),
                        destination.toString(),
                        visitor.toString(),
                        recipient,
                        country,
                        device,
                        proof,
                        userAgent,
                        purpose,
                        referrer,
                        language,
                        alias,
                        tags)
                .getBytes(StandardCharsets.UTF_8);
        byte[] checksum = (checksum(fields) + "\t").getBytes(StandardCharsets.US_ASCII);
        byte[] line = Arrays.copyOf(checksum, checksum.length + fields.length + 1);
        System.arraycopy(fields, 0, line, checksum.length, fields.length);
        line[line.length - 1] = '\n';
        return line;
    }

    /** Reads a line without its end; empty if it is damaged. */
    static Optional<LoggedVisit> find(String line) {
        int tab = line.indexOf('\t');
        if (tab < 0
                || !line.substring(0, tab)
                        .equals(checksum(line.substring(tab + 1).getBytes(StandardCharsets.UTF_8)))) {
            return Optional.empty();
        }
        String[] fields = line.substring(tab + 1).split("\t", -1);
        if (fields.length > FIELDS || fields.length < FEWEST_FIELDS) {
            return Optional.empty();
        }
        return ClickId.find(fields[0])
                .map(click -> new LoggedVisit(
                        click,
                        new BusinessId(UUID.fromString(fields[1])),
                        UUID.fromString(fields[2]),
                        UUID.fromString(fields[3]),
                        UUID.fromString(fields[4]),
                        UUID.fromString(fields[5]),
                        fields[6],
                        fields[7],
                        fields[8],
                        fields[9],
                        fields[10],
                        fields[11],
                        fields[12],
                        fields.length > 13 ? fields[13] : "",
                        fields.length > 14 ? fields[14] : "",
                        fields.length > 15 ? fields[15] : ""));
    }

    private static String checksum(byte[] fields) {
        CRC32 crc = new CRC32();
        crc.update(fields);
        return Long.toHexString(crc.getValue());
    }
}
