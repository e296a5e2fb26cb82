package wendo.core.links;

import java.util.Arrays;
import java.util.Locale;
import java.util.Optional;
import java.util.stream.Collectors;
import wendo.core.text.Sentence;

/** The kind of a source. {@code medium} is the {@code utm_medium} a new source of this channel starts with. */
public enum Channel {
    PRINT("Print", "print", 90),
    TEXT("Text message", "sms", 30),
    NEWSLETTER("Newsletter", "email", 30),
    AD("Paid ad", "cpc", 30),
    SOCIAL("Social", "social", 30),
    PARTNER("Partner", "referral", 30),
    PLACE("Place", "sign", 90),
    OTHER("Other", "other", 30);

    private final String label;
    private final String medium;
    private final int lookbackDays;

    Channel(String label, String medium, int lookbackDays) {
        this.label = label;
        this.medium = medium;
        this.lookbackDays = lookbackDays;
    }

    public static Channel of(String text) {
        return valueOf(text.strip().toUpperCase(Locale.ROOT));
    }

    /** The channel that a text names, by its key or its label, in any letter case. */
    public static Optional<Channel> find(String text) {
        return Arrays.stream(values())
                .filter(channel ->
                        channel.name().equalsIgnoreCase(text.strip()) || channel.label.equalsIgnoreCase(text.strip()))
                .findFirst();
    }

    /** What to tell somebody whose text names no channel. */
    public static Sentence refusal(String text) {
        return Sentence.of(
                "links.no-channel",
                text.length() <= 40 ? text : text.substring(0, 40) + "…",
                Arrays.stream(values()).map(Channel::key).collect(Collectors.joining(", ")));
    }

    public String label() {
        return label;
    }

    public String medium() {
        return medium;
    }

    /** Days before an outcome in which a touch of this channel may still earn credit. Ours: print is kept longer. */
    public int lookbackDays() {
        return lookbackDays;
    }

    /** The name in lower case, as addresses, style sheets and the API write it. */
    public String key() {
        return name().toLowerCase(Locale.ROOT);
    }
}
