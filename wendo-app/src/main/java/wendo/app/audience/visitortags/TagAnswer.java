package wendo.app.audience.visitortags;

import java.util.List;
import java.util.Locale;
import java.util.Set;
import java.util.UUID;
import wendo.core.audience.TagPurpose;
import wendo.core.visits.ClickId;

/**
 * What a visitor answered.
 *
 * @param brand in whose name they were asked; the business's own identifier where it was no brand
 * @param words as they were shown
 * @param page where they were shown
 * @param tags that they were asked about
 */
public record TagAnswer(
        ClickId click,
        UUID link,
        UUID brand,
        UUID visitor,
        Set<TagPurpose> purposes,
        Answer answer,
        String words,
        String language,
        String page,
        List<UUID> tags) {
    private static final int MAX_WORDS = 1200;
    private static final int MAX_LANGUAGE = 8; // BCP 47: a primary subtag has 8 letters at most
    private static final int MAX_PAGE = 500;

    /** NONE is no answer within the time that the question stands. */
    public enum Answer {
        YES,
        NO,
        NONE;

        public String key() {
            return name().toLowerCase(Locale.ROOT);
        }
    }

    public TagAnswer {
        purposes = Set.copyOf(purposes);
        tags = List.copyOf(tags);
        words = cut(words, MAX_WORDS);
        language = cut(language, MAX_LANGUAGE);
        page = cut(page, MAX_PAGE);
    }

    private static String cut(String text, int most) {
        return text.length() <= most ? text : text.substring(0, most);
    }
}
