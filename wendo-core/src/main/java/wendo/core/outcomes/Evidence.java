package wendo.core.outcomes;

/** What joins an outcome to a touch, strongest first. */
public enum Evidence {
    /** The click identifier of a visit came back with the outcome. */
    CLICK_IDENTIFIER,
    /** Nothing does: the outcome stands as direct or unknown. */
    NONE
}
