package wendo.core.audience;

/** What somebody has to be or have done to belong to an audience: one condition, or several put together. */
public sealed interface AudienceRule permits Combined, Condition {
    /** How many rules lie within each other, this one included. */
    int depth();

    /** How many conditions there are in it. */
    int conditions();
}
