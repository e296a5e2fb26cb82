package wendo.core.links;

import java.util.Locale;

/** A link as people paste it: with or without scheme, port and tags, in any letter case, or its slug alone. */
public record PastedLink(String text) {

    public PastedLink {
        text = text.strip().toLowerCase(Locale.ROOT);
    }

    /** The last part of its path: the slug, if it is a link. */
    public String slug() {
        String path = path();
        return path.substring(path.lastIndexOf('/') + 1);
    }

    /** Host and path alone, which two spellings of one link have in common. */
    public String plain() {
        return path().replaceFirst("^[a-z]+://", "").replaceFirst("^//", "").replaceFirst(":\\d+/", "/");
    }

    private String path() {
        return text.replaceFirst("(?s)[?#].*$", "").replaceFirst("/+$", "");
    }
}
