package wendo.app.platform.site;

import java.util.List;
import java.util.Locale;
import java.util.Map;
import java.util.Optional;
import java.util.function.Supplier;
import org.jspecify.annotations.Nullable;
import org.springframework.web.context.request.RequestAttributes;
import org.springframework.web.context.request.RequestContextHolder;

/** The language of a page that everybody may see: what the visitor's browser asks for, else the business's own. */
public final class PublicLanguages {
    static final String OF_BUSINESS = "wendo.language-of-business";

    private static final String OWN = "wendo.own-wording";
    private static final String FACE = "wendo.own-face";

    private static volatile Supplier<Map<String, String>> ownWording = Map::of;
    private static volatile Supplier<Optional<PublicFace>> ownFace = Optional::empty;

    private PublicLanguages() {}

    /** Says where the current business's own words for texts stand, by the keys of these texts. */
    public static void ownWording(Supplier<Map<String, String>> words) {
        ownWording = words;
    }

    /** Says how the current business appears. */
    public static void ownFace(Supplier<PublicFace> face) {
        ownFace = () -> Optional.of(face.get());
    }

    static Optional<PublicFace> ownFace() {
        return ownFace.get();
    }

    /** How the business appears whose page is being made. */
    static Optional<PublicFace> face() {
        return Optional.ofNullable(RequestContextHolder.getRequestAttributes())
                .map(request -> (PublicFace) request.getAttribute(FACE, RequestAttributes.SCOPE_REQUEST));
    }

    /** What the business whose page is being made says in place of a text. */
    @SuppressWarnings("unchecked")
    static Optional<String> own(String text) {
        return Optional.ofNullable(RequestContextHolder.getRequestAttributes())
                .map(request -> (Map<String, String>) request.getAttribute(OWN, RequestAttributes.SCOPE_REQUEST))
                .map(words -> words.get(text));
    }

    /** The first of the languages in such a header that these pages have; empty if there is none. RFC 9110, 12.5.4. */
    public static Optional<Locale> of(String acceptLanguage) {
        return acceptLanguage.isBlank() ? Optional.empty() : Optional.ofNullable(lookup(acceptLanguage));
    }

    private static @Nullable Locale lookup(String acceptLanguage) {
        try {
            List<Locale.LanguageRange> wanted = Locale.LanguageRange.parse(acceptLanguage);
            return Locale.lookup(wanted, Texts.PUBLIC);
        } catch (IllegalArgumentException e) {
            return null; // a header that says nothing
        }
    }

    /**
     * Names the business's own language for the page that is being made, and takes up its own wording and its
     * appearance; call it in the business's scope. Answers with the tag of the language that the page is made in.
     */
    public static String speak(Locale ofBusiness) {
        Optional.ofNullable(RequestContextHolder.getRequestAttributes()).ifPresent(request -> {
            request.setAttribute(OF_BUSINESS, ofBusiness, RequestAttributes.SCOPE_REQUEST);
            request.setAttribute(OWN, ownWording.get(), RequestAttributes.SCOPE_REQUEST);
            ownFace.get().ifPresent(face -> request.setAttribute(FACE, face, RequestAttributes.SCOPE_REQUEST));
        });
        return Texts.language().getLanguage();
    }
}
