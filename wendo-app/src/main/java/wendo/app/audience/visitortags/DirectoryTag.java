package wendo.app.audience.visitortags;

import java.net.URI;
import java.net.URLEncoder;
import java.nio.charset.StandardCharsets;
import java.util.UUID;
import wendo.core.audience.TagPurpose;
import wendo.core.visits.ClickId;

/**
 * A visitor tag as link hosts know it.
 *
 * @param address may have {@code {identifier}}, {@code {click}} and {@code {time}} in it
 */
public record DirectoryTag(
        UUID id, UUID business, String name, TagKind kind, String address, String identifier, TagPurpose purpose) {
    private static final ClickId ANY = new ClickId(new UUID(0x7000L, Long.MIN_VALUE));

    /** What is called for one visit. A script whose address has no place for its identifier gets it as {@code id}. */
    public String filled(ClickId click) {
        String filled = address.replace("{identifier}", encoded(identifier))
                .replace("{click}", click.toString())
                .replace("{time}", String.valueOf(click.arrivedAt().toEpochMilli()));
        return kind != TagKind.SCRIPT || identifier.isEmpty() || address.contains("{identifier}")
                ? filled
                : filled + (filled.contains("?") ? "&" : "?") + "id=" + encoded(identifier);
    }

    private static String encoded(String text) {
        return URLEncoder.encode(text, StandardCharsets.UTF_8).replace("+", "%20");
    }

    /** Whether its address is one (RFC 3986), once it is filled in. */
    boolean isUsable() {
        try {
            return URI.create(filled(ANY)).getHost() != null;
        } catch (IllegalArgumentException e) {
            return false;
        }
    }

    /** Scheme, host and port, as a content security policy names them. */
    public String origin() {
        URI uri = URI.create(address.replace("{", "%7B").replace("}", "%7D"));
        return uri.getScheme() + "://" + uri.getRawAuthority();
    }
}
