package wendo.app.issue.batches;

import java.util.List;
import java.util.Locale;
import java.util.Optional;
import wendo.app.issue.links.Draft;
import wendo.app.issue.links.IssueFault;
import wendo.app.platform.site.Texts;

/** Says of a row what it would be, or in which column it is wrong and why. */
final class RowVerdicts {
    private static final int MAX_SHOWN = 400;

    private RowVerdicts() {}

    static BatchStore.Verdict of(int line, Draft draft) {
        List<String> faults =
                draft.faults().stream().map(fault -> words(fault, draft)).toList();
        String isNew = draft.what().source().isPresent() ? "" : Texts.of("issue.batches.new-source");
        return new BatchStore.Verdict(
                line,
                faults.isEmpty() ? "good" : "wrong",
                cut("%s%s".formatted(draft.name(), isNew)),
                cut(draft.url()),
                faults.isEmpty() ? draft.taggedAddress() : "",
                faults);
    }

    /** Of a row that carries a link. */
    static BatchStore.Verdict ofLink(int line, String pasted, Optional<String> known) {
        return known.map(url -> new BatchStore.Verdict(
                        line, "known", Texts.of("issue.batches.already-a-link-it-stays"), url, "", List.of()))
                .orElseGet(() -> new BatchStore.Verdict(
                        line,
                        "wrong",
                        "",
                        "",
                        "",
                        List.of(Texts.of("issue.batches.link-you-have-no-link", cut(pasted)))));
    }

    private static String words(IssueFault fault, Draft draft) {
        String free = fault.field().equals("slug")
                ? draft.alternative()
                        .map(slug -> Texts.of("issue.batches.is-free", slug))
                        .orElse("")
                : "";
        return column(fault.field()) + ": " + fault.message() + free;
    }

    private static String column(String field) {
        if (field.startsWith(Matching.FIELD)) {
            return field.substring(Matching.FIELD.length());
        }
        return switch (field) {
            case "slug" -> BatchColumn.ENDING.heading();
            case "firstDay" -> BatchColumn.FIRST_DAY.heading();
            case "lastDay" -> BatchColumn.LAST_DAY.heading();
            default -> BatchColumn.valueOf(field.toUpperCase(Locale.ROOT)).heading();
        };
    }

    private static String cut(String text) {
        return text.length() <= MAX_SHOWN ? text : text.substring(0, MAX_SHOWN - 1) + "…";
    }
}
