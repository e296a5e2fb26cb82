package wendo.app.audience.visitortags;

import jakarta.validation.constraints.NotBlank;
import jakarta.validation.constraints.Size;
import java.util.Optional;
import java.util.UUID;
import org.jsoup.Jsoup;
import org.jsoup.nodes.Element;
import wendo.app.platform.site.FilterValues;
import wendo.app.platform.site.Limits;
import wendo.app.platform.site.TypedFields;
import wendo.core.audience.TagPurpose;

/**
 * A visitor tag as it is typed.
 *
 * @param address of the desk; a snippet that was pasted in its place is read for the address in it
 * @param key a server call is made with; empty text leaves the one that there is
 */
record VisitorTagForm(
        @NotBlank(message = "audience.visitortags.name-missing") @Size(max = Limits.SHORT_NAME)
        String name,

        TagKind kind,

        @NotBlank(message = "audience.visitortags.address-missing") @Size(max = Limits.ADDRESS)
        String address,

        @Size(max = Limits.ANSWER) String identifier,
        @Size(max = Limits.ANSWER) String key,
        TagPurpose purpose,
        boolean isOn) {

    private static final UUID NOBODY = new UUID(0, 0);

    static VisitorTagForm empty() {
        return new VisitorTagForm("", TagKind.IMAGE, "", "", "", TagPurpose.ADVERTISING, true);
    }

    /** Whether what is called by it will be an address. */
    boolean isUsable() {
        return new DirectoryTag(NOBODY, NOBODY, name, kind, address, identifier, purpose).isUsable();
    }

    static VisitorTagForm of(TypedFields typed) {
        TagKind kind = FilterValues.one(TagKind.values(), typed.text("kind")).orElse(TagKind.IMAGE);
        String address = typed.raw("address").strip();
        Optional<Snippet> snippet = Snippet.find(address);
        return new VisitorTagForm(
                typed.text("name"),
                snippet.map(Snippet::kind).orElse(kind),
                snippet.map(Snippet::address).orElse(address),
                typed.text("identifier"),
                typed.text("key"),
                TagPurpose.find(typed.text("purpose")).orElse(TagPurpose.ADVERTISING),
                typed.is("on", "yes"));
    }

    /** Measuring code as an ad desk hands it out: a picture or a script by its address. Its own lines are not run. */
    private record Snippet(TagKind kind, String address) {
        static Optional<Snippet> find(String pasted) {
            if (!pasted.startsWith("<")) {
                return Optional.empty();
            }
            Element body = Jsoup.parseBodyFragment(pasted);
            return first(body, "script[src]", TagKind.SCRIPT)
                    .or(() -> first(body, "img[src]", TagKind.IMAGE))
                    // what is meant for browsers without scripts is text to a parser that knows scripts
                    .or(() -> Optional.ofNullable(body.selectFirst("noscript"))
                            .flatMap(noscript ->
                                    first(Jsoup.parseBodyFragment(noscript.wholeText()), "img[src]", TagKind.IMAGE)));
        }

        private static Optional<Snippet> first(Element in, String what, TagKind kind) {
            return Optional.ofNullable(in.selectFirst(what))
                    .map(found -> found.attr("src").replaceFirst("^//", "https://"))
                    .map(address -> new Snippet(kind, address));
        }
    }
}
