package wendo.app.outcome.outcomes;

import java.time.Duration;
import java.util.ArrayList;
import java.util.List;
import java.util.Locale;
import java.util.Optional;
import wendo.app.platform.site.Figures;
import wendo.app.platform.site.Texts;
import wendo.core.credit.LookbackWindows;
import wendo.core.outcomes.Evidence;

/** Says in words what joins an outcome to its source, or what is missing. */
record EvidenceWords(String text, boolean isJoined) {

    /** Clocks of two machines may differ by so much (the rules of credit). */
    private static final Duration CLOCKS = Duration.ofMinutes(5);

    /** @param windows how long before an outcome a visit may earn credit */
    static EvidenceWords of(LedgerRow row, Figures figures, LookbackWindows windows) {
        List<String> sentences = new ArrayList<>();
        click(row, figures, windows).ifPresent(sentences::add);
        row.came().stream()
                .filter(came -> came.evidence() != Evidence.CLICK)
                .map(came -> came(came, row))
                .forEach(sentences::add);
        if (sentences.isEmpty()) {
            sentences.add(Texts.of("outcome.outcomes.evidence.nothing-came-back", kind(row)));
        }
        return new EvidenceWords(String.join(" ", sentences), row.source().isPresent());
    }

    private static String kind(LedgerRow row) {
        return row.kind().key().toLowerCase(Locale.ROOT);
    }

    private static Optional<String> click(LedgerRow row, Figures figures, LookbackWindows windows) {
        if (row.click().isEmpty()) {
            return Optional.empty();
        }
        if (row.visited().isEmpty()) {
            return Optional.of(Texts.of("outcome.outcomes.evidence.no-visit-carries-it", kind(row)));
        }
        LedgerRow.Visited visited = row.visited().get();
        String text = Texts.of("outcome.outcomes.evidence.visit-came-back", figures.time(visited.at()), kind(row));
        if (row.came().stream().noneMatch(came -> came.evidence() == Evidence.CLICK)
                && row.source().isEmpty()) {
            return Optional.of(text + " " + withoutCredit(row, visited, windows));
        }
        if (row.source().isPresent() && !row.source().get().equals(visited.source())) {
            text += " " + Texts.of("outcome.outcomes.evidence.later-touch", visited.source());
        }
        return Optional.of(
                visited.kind().equals("robot")
                        ? text + " " + Texts.of("outcome.outcomes.evidence.looked-automatic")
                        : text);
    }

    private static String came(LedgerRow.Came came, LedgerRow row) {
        String what = what(came, kind(row));
        if (came.source().isEmpty()) {
            return Texts.of("outcome.outcomes.evidence.no-source-yet", what);
        }
        if (came.decides()) {
            return Texts.of("outcome.outcomes.evidence.stands-for", what, came.source());
        }
        return row.source().filter(came.source()::equals).isPresent()
                ? Texts.of("outcome.outcomes.evidence.agrees", what)
                : Texts.of("outcome.outcomes.evidence.points-elsewhere", what, came.source());
    }

    private static String what(LedgerRow.Came came, String kind) {
        return switch (came.evidence()) {
            case CODE -> Texts.of("outcome.outcomes.evidence.code", came.said());
            case PARTNER -> Texts.of("outcome.outcomes.evidence.partner", came.said(), kind);
            case VISITOR -> Texts.of("outcome.outcomes.evidence.visitor", came.said());
            case CONTACT -> Texts.of("outcome.outcomes.evidence.contact", came.said());
            case ANSWER -> Texts.of("outcome.outcomes.evidence.answer", came.said());
            case REFERRER -> Texts.of("outcome.outcomes.evidence.referrer", came.said());
            case SET -> Texts.of("outcome.outcomes.evidence.set", came.said(), kind);
            case CLAIM -> Texts.of("outcome.outcomes.evidence.claim", came.said(), kind);
            case CLICK -> Texts.of("outcome.outcomes.evidence.click");
        };
    }

    /** Why the visit has no credit: it may not have any, or it is not worked out yet. */
    private static String withoutCredit(LedgerRow row, LedgerRow.Visited visited, LookbackWindows windows) {
        Optional<String> why = Optional.empty();
        if (visited.kind().equals("preview")) {
            why = Optional.of(Texts.of("outcome.outcomes.evidence.a-preview"));
        } else if (visited.at().isBefore(row.occurredAt().minus(windows.of(visited.channel())))) {
            why = Optional.of(Texts.of("outcome.outcomes.evidence.outside-window"));
        } else if (visited.at().isAfter(row.occurredAt().plus(CLOCKS))) {
            why = Optional.of(Texts.of("outcome.outcomes.evidence.came-later", kind(row)));
        }
        return why.map(reason -> Texts.of("outcome.outcomes.evidence.earns-no-credit", reason))
                .orElseGet(() -> Texts.of("outcome.outcomes.evidence.not-worked-out"));
    }
}
