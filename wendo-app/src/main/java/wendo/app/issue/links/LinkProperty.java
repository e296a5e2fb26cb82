package wendo.app.issue.links;

/** What can be changed of many links at once. */
enum LinkProperty {
    ARCHIVED,
    LABELS,
    OWNER,
    DESTINATION,
    COUNTED_FROM
}
