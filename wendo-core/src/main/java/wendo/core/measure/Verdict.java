package wendo.core.measure;

/** What the figures support about a source. */
public enum Verdict {
    EARNING("earning"),
    LOSING("losing"),
    TOO_EARLY("too early");

    private final String word;

    Verdict(String word) {
        this.word = word;
    }

    public String word() {
        return word;
    }
}
