package wendo.core.links;

import java.util.Locale;

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
