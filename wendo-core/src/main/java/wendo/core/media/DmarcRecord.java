package wendo.core.media;

import java.util.Arrays;
import java.util.LinkedHashMap;
import java.util.Locale;
import java.util.Map;
import java.util.Optional;
import org.jspecify.annotations.Nullable;

/**
 * What a domain asks receivers to do with mail that only pretends to come from it: RFC 7489, section 6.3.
 *
 * @param policy none, quarantine or reject
 * @param subdomains the same for mail from its subdomains
 * @param hasReports whether receivers are asked to report
 */
public record DmarcRecord(String policy, String subdomains, boolean hasReports) {
    private static final String NONE = "none";

    /** Empty if the text is no such record: the version comes first, and the policy is one of three. */
    public static Optional<DmarcRecord> of(String text) {
        Map<String, String> tags = new LinkedHashMap<>();
        Arrays.stream(text.split(";", -1))
                .map(part -> part.split("=", 2))
                .filter(part -> part.length == 2)
                .forEach(part -> tags.putIfAbsent(part[0].strip().toLowerCase(Locale.ROOT), part[1].strip()));
        if (!text.strip().matches("(?i)v\\s*=\\s*DMARC1\\s*(;.*)?") || !isPolicy(tags.get("p"))) {
            return Optional.empty();
        }
        String policy = tags.getOrDefault("p", NONE).toLowerCase(Locale.ROOT);
        String subdomains = tags.getOrDefault("sp", policy).toLowerCase(Locale.ROOT);
        return Optional.of(new DmarcRecord(
                policy,
                isPolicy(subdomains) ? subdomains : policy,
                !tags.getOrDefault("rua", "").isEmpty()));
    }

    private static boolean isPolicy(@Nullable String text) {
        return text != null && text.toLowerCase(Locale.ROOT).matches("none|quarantine|reject");
    }

    /** Whether receivers let pretended mail through. */
    public boolean asksNothing() {
        return policy.equals(NONE);
    }
}
