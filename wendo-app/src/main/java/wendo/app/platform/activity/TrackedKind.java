package wendo.app.platform.activity;

import java.util.Arrays;
import java.util.List;
import java.util.Locale;
import java.util.Optional;
import wendo.app.platform.site.Texts;

/**
 * What is put on record when somebody changes it: entities by their names, with the properties that are told. Customers'
 * data and secrets are none of them.
 */
enum TrackedKind {
    LINK(
            "Link",
            "name",
            "name",
            "slug",
            "note",
            "taggedAddress",
            "labels",
            "firstDay",
            "lastDay",
            "outsideAddress",
            "isPaid",
            "disclosure",
            "archivedAt"),
    DESTINATION("Destination", "address", "address", "name", "note", "archivedAt"),
    SOURCE("Source", "name", "name", "tag", "channel", "medium", "note", "archivedAt"),
    CAMPAIGN("Campaign", "name", "name", "startsOn", "endsOn", "budgetMinor", "note", "archivedAt"),
    BULK_CHANGE("BulkChange", "said", "links", "undoneAt"),
    MERGE("SourceMerge", "mergedName", "movedLinks", "movedVisits", "reason"),
    SPEND("StoredSpend", "note", "way", "amountMinor", "firstDay", "lastDay", "note", "removedAt"),
    LIMIT("SetTarget", "", "leadMinor", "bookingMinor", "purchaseMinor", "marginPercent"),
    ATTRIBUTION("CreditRule", "", "firstPercent", "lastPercent", "halfLifeDays", "creditsAgain"),
    WINDOW("ChannelWindow", "channel", "days"),
    DOMAIN("StoredHost", "name", "origin", "isDefault", "retiredAt"),
    TAG_PLAN("StoredTagPlan", "name", "name"),
    FORM("StoredForm", "name", "name", "title", "promise", "archived"),
    HANDOVER("HandoverRule", "", "ownerIs", "partner", "alerts"),
    PLAN("FollowUpPlan", "name", "name"),
    ROTA("Round", "name", "name"),
    NETWORK("StoredNetwork", "name", "name", "pattern", "parameter", "archived"),
    IMPORT("StoredImport", "name", "state"),
    BATCH("StoredBatch", "name", "state"),
    REPORT("StoredReport", "title", "lastDay", "revokedAt"),
    LINK_REPORT("LinkReport", "subject", "isOn", "withOutcomes"),
    WORDING("OwnWording", "", "words"),
    DISCLOSURE("Disclosure", "", "place", "texts"),
    PARTNER(
            "Partner",
            "",
            "payout",
            "iban",
            "bic",
            "minimumMinor",
            "selfBilling",
            "taxPercent",
            "pageByCode",
            "endedAt"),
    TERMS("StoredTerms", "firstDay", "firstDay", "lastDay", "rates", "heldDays"),
    PAYMENT_ACCOUNT("PayoutAccount", "", "iban", "bic"),
    PAYMENT_ORDER("Payout", "payOn", "state"),
    APPEARANCE("StoredAppearance", "", "colour", "address", "imprint", "privacy", "signed"),
    BRAND("Brand", "name", "name", "sites", "asks", "removedAt"),
    VISITOR_TAG("VisitorTag", "name", "name", "kind", "address", "identifier", "purpose", "isOn", "removedAt"),
    RETENTION("StoredRetention", "", "kinds", "months"),
    SITE("OwnSite", "host", "host"),
    KEY("ApiKey", "name", "scope", "revokedAt"),
    PERSON("StoredMembership", "", "role"),
    INVITATION("Invitation", "email", "role", "acceptedAt", "revokedAt"),
    BUSINESS(
            "BusinessAccount",
            "name",
            "name",
            "zone",
            "currency",
            "locale",
            "keepsVisitorCookie",
            "keepsVisitsMonths",
            "cutOff",
            "quietFrom",
            "quietUntil",
            "needsSecondFactor",
            "firstWeekday",
            "firstMonth",
            "deletesAt"),

    /** What has no entity: signing in, and a file that was taken along. */
    ACCOUNT("", ""),
    FILE("", "");

    private final String entity;
    private final String named;
    private final List<String> told;

    TrackedKind(String entity, String named, String... told) {
        this.entity = entity;
        this.named = named;
        this.told = List.of(told);
    }

    static Optional<TrackedKind> find(String entity) {
        return Arrays.stream(values())
                .filter(one -> !one.entity.isEmpty() && one.entity.equals(entity))
                .findFirst();
    }

    static Optional<TrackedKind> of(String key) {
        return Arrays.stream(values()).filter(one -> one.key().equals(key)).findFirst();
    }

    String entity() {
        return entity;
    }

    /** The property that one is called by; empty text if it has none. */
    String named() {
        return named;
    }

    boolean tells(String property) {
        return told.contains(property);
    }

    List<String> told() {
        return told;
    }

    public String key() {
        return name().toLowerCase(Locale.ROOT);
    }

    public String label() {
        return Texts.of("platform.activity.kind", key());
    }
}
