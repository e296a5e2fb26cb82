package wendo.app.platform.site;

import java.util.Arrays;
import java.util.Optional;
import java.util.Set;
import java.util.stream.Collectors;

/** The texts of pages for everybody that a business may put into its own words, which have no places for values. */
public enum PublicText {
    FORM_DAY(Place.FORM, "lead.forms.form-field.which-day"),
    FORM_PEOPLE(Place.FORM, "lead.forms.form-field.how-many-people"),
    FORM_MESSAGE(Place.FORM, "lead.forms.form-field.what-would-you-like-to"),
    FORM_ANSWER(Place.FORM, "lead.forms.form-field.how-did-you-hear-of"),
    FORM_SKIP(Place.FORM, "lead.forms.open.continue-without-filling-it-in"),
    FORM_SENT(Place.FORM, "lead.forms.open-done.sent"),
    FORM_GONE(Place.FORM, "lead.forms.open-over.this-address-is-no-longer"),
    SUBSCRIBE(Place.SUBSCRIBING, "place.newsletters.open-ask.yes-subscribe-me"),
    SUBSCRIBED(Place.SUBSCRIBING, "place.newsletters.open-done.you-are-subscribed"),
    SUBSCRIBE_GONE(Place.SUBSCRIBING, "place.newsletters.open-over.this-address-is-not-in"),
    STOP(Place.STOPPING, "platform.sending.open-stop.stop-these-messages"),
    STOP_MEANING(Place.STOPPING, "platform.sending.open-stop.you-would-get-no-more"),
    STOP_YES(Place.STOPPING, "platform.sending.open-stop.yes-stop-them"),
    STOPPED(Place.STOPPING, "platform.sending.open-stop.no-more-messages"),
    STOPPED_MEANING(Place.STOPPING, "platform.sending.open-stop.you-get-no-more-follow"),
    SIGNPOST_EMPTY(Place.SIGNPOST, "place.signposts.open.there-is-nothing-here-at"),
    DEAD_END(Place.DEAD_END, "linkhost.redirect.nowhere"),
    DEAD_END_TYPED(Place.DEAD_END, "linkhost.redirect.if-typed"),
    DEAD_END_STILL(Place.DEAD_END, "linkhost.redirect.if-still");

    /** The page that a text stands on. */
    public enum Place {
        FORM("platform.wording.form"),
        SUBSCRIBING("platform.wording.subscribing"),
        STOPPING("platform.wording.stopping"),
        SIGNPOST("platform.wording.signpost"),
        DEAD_END("platform.wording.dead-end");

        private final String label;

        Place(String label) {
            this.label = label;
        }

        public String label() {
            return Texts.of(label);
        }
    }

    private static final Set<String> TEXTS =
            Arrays.stream(values()).map(one -> one.text).collect(Collectors.toSet());

    private final Place place;
    private final String text;

    PublicText(Place place, String text) {
        this.place = place;
        this.text = text;
    }

    public Place place() {
        return place;
    }

    /** The key of the text that it stands for. */
    public String text() {
        return text;
    }

    /** As forms name it. */
    public String key() {
        return FilterValues.key(this);
    }

    /** What is said until the business says something else, in the business's language. */
    public String usual() {
        return Texts.kept(text, "…");
    }

    public static Optional<PublicText> find(String key) {
        return FilterValues.one(values(), key);
    }

    static boolean isOne(String text) {
        return TEXTS.contains(text);
    }
}
