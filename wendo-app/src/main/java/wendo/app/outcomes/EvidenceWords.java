package wendo.app.outcomes;

import java.util.Locale;
import wendo.app.site.Figures;

/** Says in words what joins an outcome to its source, or what is missing. */
record EvidenceWords(String text, boolean isJoined) {

    static EvidenceWords of(OutcomeQueries.Row row, Figures figures) {
        String kind = row.kind().key().toLowerCase(Locale.ROOT);
        if (row.click().isEmpty()) {
            return new EvidenceWords(
                    "Nothing came back with the %s that tells where it came from.".formatted(kind), false);
        }
        if (row.visited().isEmpty()) {
            return new EvidenceWords(
                    "A click identifier came back with the %s, but no visit carries it.".formatted(kind), false);
        }
        OutcomeQueries.Visited visited = row.visited().get();
        String text = "The click identifier of a visit on %s came back with the %s."
                .formatted(figures.time(visited.at()), kind);
        if (row.source().isEmpty()) {
            return new EvidenceWords(text + " The visit earns no credit: %s.".formatted(why(visited)), false);
        }
        if (!row.source().get().equals(visited.source())) {
            text += " That visit came by %s; a later touch took the credit.".formatted(visited.source());
        }
        return new EvidenceWords(visited.kind().equals("robot") ? text + " The visit looked automatic." : text, true);
    }

    private static String why(OutcomeQueries.Visited visited) {
        return visited.kind().equals("preview") ? "it was a preview" : "it lies outside the lookback window";
    }
}
