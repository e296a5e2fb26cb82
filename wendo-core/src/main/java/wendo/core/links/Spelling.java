package wendo.core.links;

import java.util.Locale;

/** How a tag plan writes the gaps between the words of a value. All values are lower case and without accents. */
public enum Spelling {
    HYPHENS("spring-mailer", "-"),
    UNDERSCORES("spring_mailer", "_"),
    TOGETHER("springmailer", "");

    private final String example;
    private final String gap;

    Spelling(String example, String gap) {
        this.example = example;
        this.gap = gap;
    }

    public String example() {
        return example;
    }

    public String key() {
        return name().toLowerCase(Locale.ROOT);
    }

    /** {@code UNDERSCORES.write(Tag.of("Spring Mailer"))} is {@code spring_mailer}. */
    public String write(Tag tag) {
        return tag.value().replace("-", gap);
    }
}
