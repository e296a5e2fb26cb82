package wendo.app.outcome.outcomes;

import java.util.ArrayList;
import java.util.List;
import java.util.Locale;
import java.util.Optional;
import wendo.app.platform.site.Figures;
import wendo.core.outcomes.Evidence;

/** Says in words what joins an outcome to its source, or what is missing. */
record EvidenceWords(String text, boolean isJoined) {

    static EvidenceWords of(LedgerRow row, Figures figures) {
        List<String> sentences = new ArrayList<>();
        click(row, figures).ifPresent(sentences::add);
        row.came().stream()
                .filter(came -> came.evidence() != Evidence.CLICK)
                .map(came -> came(came, row))
                .forEach(sentences::add);
        if (sentences.isEmpty()) {
            sentences.add("Nothing came back with the %s that tells where it came from.".formatted(kind(row)));
        }
        return new EvidenceWords(String.join(" ", sentences), row.source().isPresent());
    }

    private static String kind(LedgerRow row) {
        return row.kind().key().toLowerCase(Locale.ROOT);
    }

    private static Optional<String> click(LedgerRow row, Figures figures) {
        if (row.click().isEmpty()) {
            return Optional.empty();
        }
        if (row.visited().isEmpty()) {
            return Optional.of(
                    "A click identifier came back with the %s, but no visit carries it.".formatted(kind(row)));
        }
        LedgerRow.Visited visited = row.visited().get();
        String text = "The click identifier of a visit on %s came back with the %s."
                .formatted(figures.time(visited.at()), kind(row));
        if (row.came().stream().noneMatch(came -> came.evidence() == Evidence.CLICK)
                && row.source().isEmpty()) {
            return Optional.of(text + " The visit earns no credit: %s.".formatted(why(visited)));
        }
        if (row.source().isPresent() && !row.source().get().equals(visited.source())) {
            text += " That visit came by %s; a later touch took the credit.".formatted(visited.source());
        }
        return Optional.of(visited.kind().equals("robot") ? text + " The visit looked automatic." : text);
    }

    private static String came(LedgerRow.Came came, LedgerRow row) {
        String what = what(came, kind(row));
        if (came.source().isEmpty()) {
            return what + ", which stands for no source yet.";
        }
        if (came.decides()) {
            return "%s: it stands for %s.".formatted(what, came.source());
        }
        return row.source().filter(came.source()::equals).isPresent()
                ? what + " agrees."
                : "%s points to %s instead; the stronger evidence decides.".formatted(what, came.source());
    }

    private static String what(LedgerRow.Came came, String kind) {
        return switch (came.evidence()) {
            case CODE -> "The code %s was given".formatted(came.said());
            case PARTNER -> "A report of %s told of the %s".formatted(came.said(), kind);
            case VISITOR -> "The same visitor came before by “%s”".formatted(came.said());
            case CONTACT -> "%s is known from before".formatted(came.said());
            case ANSWER -> "The customer's own answer, “%s”".formatted(came.said());
            case REFERRER -> "The visitor came from %s".formatted(came.said());
            case SET -> "%s set where the %s came from".formatted(came.said(), kind);
            case CLICK -> "The click identifier";
        };
    }

    private static String why(LedgerRow.Visited visited) {
        return visited.kind().equals("preview") ? "it was a preview" : "it lies outside the lookback window";
    }
}
