package wendo.app.place.proofs;

import java.util.ArrayList;
import java.util.List;
import java.util.Map;
import java.util.TreeMap;
import wendo.app.platform.site.Texts;
import wendo.core.links.Tagging;

/** What is to be seen of a link before it goes out, and what was. */
record Checklist(ProofQueries.Happened link, List<Item> items) {

    /** Told by a word and a shape, not by colour alone. */
    enum State {
        SEEN("seen"),
        WAITING("waiting"),
        WRONG("wrong");

        private final String word;

        State(String word) {
            this.word = word;
        }

        public String word() {
            return word;
        }
    }

    record Item(State state, String what, String detail) {}

    Checklist {
        items = List.copyOf(items);
    }

    static Checklist of(ProofQueries.Happened link) {
        List<Item> items = new ArrayList<>();
        boolean isVisited = link.visits() > 0;
        items.add(item(
                isVisited,
                Texts.of("place.proofs.the-link-answered"),
                isVisited ? visits(link.visits()) : Texts.of("place.proofs.open-it-as-your-customers")));
        items.add(item(
                isVisited,
                Texts.of("place.proofs.it-redirected"),
                link.ledTo().filter(to -> !to.equals(link.destination())).isPresent()
                        ? Texts.of("place.proofs.by-its-rules-split-or")
                        : Texts.of("place.proofs.redirected-to", link.leadsTo())));
        items.add(loaded(link));
        items.add(tags(link));
        items.add(item(
                !link.landed().isEmpty(),
                Texts.of("place.proofs.the-site-tag-answered"),
                link.landed().isEmpty() ? Texts.of("place.proofs.pages-with-your-site-tag") : ""));
        items.add(item(
                !link.outcome().isEmpty(),
                Texts.of("place.proofs.a-test-outcome-came-back"),
                link.outcome().isEmpty() ? Texts.of("place.proofs.send-an-enquiry-or-an") : link.outcome()));
        if (link.subscribes()) {
            items.add(item(
                    !link.subscribed().isEmpty(),
                    Texts.of("place.proofs.a-test-subscription-came"),
                    link.subscribed().isEmpty()
                            ? Texts.of("place.proofs.open-the-test-address-there")
                            : link.subscribed()));
        }
        return new Checklist(link, items);
    }

    private static Item item(boolean isSeen, String what, String detail) {
        return new Item(isSeen ? State.SEEN : State.WAITING, what, detail);
    }

    private static String visits(long visits) {
        return Texts.of("place.proofs.visits-arrived", visits);
    }

    private static Item loaded(ProofQueries.Happened link) {
        String what = Texts.of("place.proofs.the-destination-loaded");
        if (!link.landed().isEmpty()) {
            return new Item(State.SEEN, what, Texts.of("place.proofs.in-your-own-browser"));
        }
        if (!link.problem().isEmpty()) {
            return new Item(State.WRONG, what, link.problem());
        }
        return item(
                link.status().isPresent(),
                what,
                link.status()
                        .map(code -> Texts.of("place.proofs.it-answered-when-checked", code))
                        .orElse(Texts.of("place.proofs.it-is-being-checked")));
    }

    private static Item tags(ProofQueries.Happened link) {
        String what = Texts.of("place.proofs.the-tags-arrived");
        if (link.landed().isEmpty()) {
            return new Item(State.WAITING, what, link.tags());
        }
        Map<String, String> missing = new TreeMap<>(Tagging.read(link.tags()));
        String query = link.landed().replaceFirst("#.*$", "").replaceFirst("^[^?]*\\??", "");
        missing.entrySet()
                .removeIf(tag ->
                        List.of(query.split("&", -1)).contains(Tagging.write(Map.of(tag.getKey(), tag.getValue()))));
        return missing.isEmpty()
                ? new Item(State.SEEN, what, link.tags())
                : new Item(
                        State.WRONG,
                        what,
                        Texts.of(
                                "place.proofs.the-page-loaded-without-something", String.join(", ", missing.keySet())));
    }

    public boolean isVisited() {
        return link.visits() > 0;
    }

    public long seen() {
        return items.stream().filter(item -> item.state() == State.SEEN).count();
    }
}
