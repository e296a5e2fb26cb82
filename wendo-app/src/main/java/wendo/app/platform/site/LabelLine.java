package wendo.app.platform.site;

import java.util.Arrays;
import java.util.List;
import java.util.Optional;

/** Labels as they are typed: in one line, parted by commas. */
public record LabelLine(List<String> labels) {
    public LabelLine {
        labels = List.copyOf(labels);
    }

    public static LabelLine of(String typed) {
        return new LabelLine(Arrays.stream(typed.split(",", -1))
                .map(String::strip)
                .filter(label -> !label.isEmpty())
                .distinct()
                .toList());
    }

    /** What is wrong with them: there are too many, or one is too long. */
    public Optional<String> fault() {
        return labels.size() > Limits.MOST_LABELS || labels.stream().anyMatch(label -> label.length() > Limits.LABEL)
                ? Optional.of(Texts.of("platform.site.at-most-labels", Limits.MOST_LABELS, Limits.LABEL))
                : Optional.empty();
    }
}
