package wendo.app.place.subscribers;

import java.util.Arrays;
import java.util.Locale;
import java.util.Optional;
import java.util.Set;
import wendo.app.platform.site.Texts;

/** What can stand in a column of a file that a sending system takes. */
enum SubscriberField {
    EMAIL("common.e-mail", "email", "emailaddress", "mail", "mailaddress", "subscriber", "contact"),
    JOINED_AT(
            "place.subscribers.subscribed-at",
            "subscribed",
            "subscribedat",
            "optintime",
            "optindate",
            "signupdate",
            "joined",
            "joinedat",
            "created",
            "createdat",
            "dateadded",
            "subscriptiondate",
            "date"),
    LABELS("common.labels", "tags", "tag", "labels", "label", "groups", "group", "segments"),
    LISTS("place.subscribers.lists", "list", "lists", "listname", "audience"),
    SOURCE("place.subscribers.source", "source", "origin", "signupsource", "utmsource"),
    CAMPAIGN("common.campaign", "campaign", "utmcampaign"),
    LINK("common.link", "link"),
    WORDS("place.subscribers.agreed-to", "consent", "consenttext", "permission", "optinmessage"),
    AGREED_AT("place.subscribers.agreed-at", "consentdate", "consentat", "confirmed", "confirmtime", "confirmedat"),
    PAGE("common.page", "page", "url", "optinurl", "signupurl", "landingpage"),
    /** The column is there and stays empty. */
    NOTHING("place.subscribers.empty-column");

    private final String label;
    private final Set<String> headings;

    SubscriberField(String label, String... headings) {
        this.label = label;
        this.headings = Set.of(headings);
    }

    String key() {
        return name().toLowerCase(Locale.ROOT).replace('_', '-');
    }

    public String label() {
        return Texts.of(label);
    }

    static Optional<SubscriberField> find(String key) {
        return Arrays.stream(values()).filter(one -> one.key().equals(key)).findFirst();
    }

    /** What a heading of that kind usually means. Common practice of sending systems. */
    static SubscriberField guess(String heading) {
        String plain = heading.toLowerCase(Locale.ROOT).replaceAll("[^\\p{L}\\p{N}]", "");
        return Arrays.stream(values())
                .filter(one -> one.headings.contains(plain))
                .findFirst()
                .orElse(NOTHING);
    }
}
