package wendo.app.linkhost.tagging;

import java.nio.charset.StandardCharsets;
import java.security.GeneralSecurityException;
import java.security.MessageDigest;
import java.util.ArrayList;
import java.util.Arrays;
import java.util.Base64;
import java.util.EnumSet;
import java.util.HexFormat;
import java.util.List;
import java.util.Optional;
import java.util.Set;
import java.util.UUID;
import java.util.function.Function;
import java.util.stream.Collectors;
import javax.crypto.Mac;
import javax.crypto.spec.SecretKeySpec;
import wendo.app.platform.business.BusinessId;
import wendo.core.audience.TagPurpose;
import wendo.core.visits.ClickId;

/**
 * What a visitor is asked, as their answer brings it back: signed (HMAC-SHA-256, RFC 2104), so that nobody can have others
 * led to a page of their own, or answer for a visit that was not theirs.
 *
 * @param words as they are shown
 * @param to where the link leads on
 */
record TagQuestion(
        BusinessId business,
        ClickId click,
        UUID link,
        UUID brand,
        UUID visitor,
        Set<TagPurpose> purposes,
        List<UUID> tags,
        String language,
        String words,
        String to) {
    private static final String HMAC = "HmacSHA256";
    private static final int SIGNATURE = 32;
    private static final int MAX_LENGTH = 8_000;
    private static final int FIELDS = 10;

    TagQuestion {
        purposes = Set.copyOf(purposes);
        tags = List.copyOf(tags);
    }

    String signed(String key) {
        String text = String.join(
                "\n",
                business.value().toString(),
                click.toString(),
                link.toString(),
                brand.toString(),
                visitor.toString(),
                purposes.stream().map(TagPurpose::key).sorted().collect(Collectors.joining(",")),
                tags.stream().map(UUID::toString).collect(Collectors.joining(",")),
                language,
                words.replace('\n', ' '),
                to);
        String body = Base64.getUrlEncoder().withoutPadding().encodeToString(text.getBytes(StandardCharsets.UTF_8));
        return signature(body, key) + body;
    }

    /** Empty if this process did not write it, nor another one of the installation. */
    static Optional<TagQuestion> find(String token, Function<BusinessId, String> keys) {
        if (token.length() <= SIGNATURE || token.length() > MAX_LENGTH) {
            return Optional.empty();
        }
        String body = token.substring(SIGNATURE);
        try {
            String[] fields = new String(Base64.getUrlDecoder().decode(body), StandardCharsets.UTF_8).split("\n", -1);
            if (fields.length != FIELDS) {
                return Optional.empty();
            }
            BusinessId business = new BusinessId(UUID.fromString(fields[0]));
            String key = keys.apply(business);
            return !key.isEmpty() && isSame(signature(body, key), token.substring(0, SIGNATURE))
                    ? Optional.of(read(business, fields))
                    : Optional.empty();
        } catch (IllegalArgumentException e) {
            return Optional.empty();
        }
    }

    private static TagQuestion read(BusinessId business, String[] fields) {
        Set<TagPurpose> purposes = EnumSet.noneOf(TagPurpose.class);
        Arrays.stream(fields[5].split(",", -1))
                .flatMap(one -> TagPurpose.find(one).stream())
                .forEach(purposes::add);
        List<UUID> tags = new ArrayList<>();
        Arrays.stream(fields[6].split(",", -1))
                .filter(one -> !one.isEmpty())
                .forEach(one -> tags.add(UUID.fromString(one)));
        return new TagQuestion(
                business,
                ClickId.find(fields[1]).orElseThrow(IllegalArgumentException::new),
                UUID.fromString(fields[2]),
                UUID.fromString(fields[3]),
                UUID.fromString(fields[4]),
                purposes,
                tags,
                fields[7],
                fields[8],
                fields[9]);
    }

    private static boolean isSame(String one, String other) {
        return MessageDigest.isEqual(
                one.getBytes(StandardCharsets.US_ASCII), other.getBytes(StandardCharsets.US_ASCII));
    }

    private static String signature(String body, String key) {
        try {
            Mac mac = Mac.getInstance(HMAC);
            mac.init(new SecretKeySpec(key.getBytes(StandardCharsets.UTF_8), HMAC));
            return HexFormat.of()
                    .formatHex(mac.doFinal(body.getBytes(StandardCharsets.US_ASCII)))
                    .substring(0, SIGNATURE);
        } catch (GeneralSecurityException e) {
            throw new IllegalStateException("Every Java has HMAC-SHA-256", e);
        }
    }
}
