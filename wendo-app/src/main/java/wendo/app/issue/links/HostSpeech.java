package wendo.app.issue.links;

import java.util.HashMap;
import java.util.Locale;
import java.util.Map;
import java.util.Optional;
import wendo.app.platform.site.PublicText;
import wendo.app.platform.site.Texts;

/**
 * How a link host speaks to visitors.
 *
 * @param language the business's own, for pages that a visitor's browser asks for in none that there is
 * @param words the business's own words for texts, by the key of the text, for readers of every language
 */
public record HostSpeech(Locale language, Map<String, String> words) {
    public HostSpeech {
        words = Map.copyOf(words);
    }

    /** @param own the keys of texts as they are stored, and in the same order the words for them */
    static HostSpeech of(Locale language, String[] own, String[] words) {
        Map<String, String> byText = new HashMap<>();
        for (int i = 0; i < own.length; i++) {
            String said = words[i];
            PublicText.find(own[i]).ifPresent(text -> byText.put(text.text(), said));
        }
        return new HostSpeech(language, byText);
    }

    public String say(Locale reader, String text, Object... values) {
        return Optional.ofNullable(words.get(text)).orElseGet(() -> Texts.in(reader, text, values));
    }
}
