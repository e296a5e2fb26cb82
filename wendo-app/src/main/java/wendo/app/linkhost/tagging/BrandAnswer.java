package wendo.app.linkhost.tagging;

import java.time.Duration;
import java.util.EnumMap;
import java.util.Map;
import java.util.Set;
import java.util.UUID;
import wendo.core.audience.TagConsent;
import wendo.core.audience.TagPurpose;

/**
 * What a visitor's browser keeps of an answer to one brand: for each purpose its letter, and 1 for yes or 0 for no. What it
 * keeps only spares asking again; the record is in the database.
 */
record BrandAnswer(Map<TagPurpose, Boolean> answers) {
    /** Six months for a yes and for a no alike. Source: the French authority's guideline on cookies (2020), from memory. */
    static final Duration KEPT = Duration.ofDays(180);

    /** Who left the question alone is not asked again so soon. Source: ours. */
    static final Duration KEPT_UNANSWERED = Duration.ofDays(30);

    BrandAnswer {
        answers = Map.copyOf(answers);
    }

    /** The name of the cookie; a link domain of two brands asks for each. */
    static String cookie(UUID brand) {
        return "wendo_tags_" + brand.toString().substring(0, 8);
    }

    static BrandAnswer read(String text) {
        Map<TagPurpose, Boolean> answers = new EnumMap<>(TagPurpose.class);
        for (TagPurpose purpose : TagPurpose.values()) {
            int at = text.indexOf(purpose.letter());
            if (purpose.isAsked() && at >= 0 && at + 1 < text.length()) {
                answers.put(purpose, text.charAt(at + 1) == '1');
            }
        }
        return new BrandAnswer(answers);
    }

    TagConsent.Recorded of(TagPurpose purpose) {
        Boolean answer = answers.get(purpose);
        return answer == null ? TagConsent.Recorded.NOTHING : answer ? TagConsent.Recorded.YES : TagConsent.Recorded.NO;
    }

    BrandAnswer with(Set<TagPurpose> purposes, boolean isYes) {
        Map<TagPurpose, Boolean> all = new EnumMap<>(TagPurpose.class);
        all.putAll(answers);
        purposes.forEach(purpose -> all.put(purpose, isYes));
        return new BrandAnswer(all);
    }

    String write() {
        StringBuilder text = new StringBuilder();
        for (TagPurpose purpose : TagPurpose.values()) {
            Boolean answer = answers.get(purpose);
            if (answer != null) {
                text.append(purpose.letter()).append(answer ? '1' : '0');
            }
        }
        return text.toString();
    }
}
