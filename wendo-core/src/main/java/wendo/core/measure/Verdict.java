package wendo.core.measure;

/** What the figures support about a source. */
public enum Verdict {
    EARNING,
    LOSING,
    TOO_EARLY
}
