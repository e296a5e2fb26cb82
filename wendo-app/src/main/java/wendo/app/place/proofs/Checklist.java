package wendo.app.place.proofs;

import java.util.ArrayList;
import java.util.List;
import java.util.Map;
import java.util.TreeMap;
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
                "The link answered",
                isVisited ? visits(link.visits()) : "Open it, as your customers will, on a phone that takes part."));
        items.add(item(
                isVisited,
                "It redirected",
                link.ledTo().filter(to -> !to.equals(link.destination())).isPresent()
                        ? "By its rules, its split or its days, to another page than its own."
                        : "To " + link.leadsTo()));
        items.add(loaded(link));
        items.add(tags(link));
        items.add(item(
                !link.landed().isEmpty(),
                "The site tag answered",
                link.landed().isEmpty() ? "Pages with your site tag tell this. Without it, this stays open." : ""));
        items.add(item(
                !link.outcome().isEmpty(),
                "A test outcome came back",
                link.outcome().isEmpty()
                        ? "Send an enquiry or an order there. It is kept out of all figures."
                        : link.outcome()));
        if (link.subscribes()) {
            items.add(item(
                    !link.subscribed().isEmpty(),
                    "A test subscription came",
                    link.subscribed().isEmpty()
                            ? "Open the address of the try-out there. It subscribes nobody."
                            : link.subscribed()));
        }
        return new Checklist(link, items);
    }

    private static Item item(boolean isSeen, String what, String detail) {
        return new Item(isSeen ? State.SEEN : State.WAITING, what, detail);
    }

    private static String visits(long visits) {
        return visits == 1 ? "One visit arrived." : visits + " visits arrived.";
    }

    private static Item loaded(ProofQueries.Happened link) {
        String what = "The destination loaded";
        if (!link.landed().isEmpty()) {
            return new Item(State.SEEN, what, "In your own browser.");
        }
        if (!link.problem().isEmpty()) {
            return new Item(State.WRONG, what, link.problem());
        }
        return item(
                link.status().isPresent(),
                what,
                link.status()
                        .map(code -> "It answered %d when we looked at it.".formatted(code))
                        .orElse("It is looked at within moments."));
    }

    private static Item tags(ProofQueries.Happened link) {
        String what = "The tags arrived";
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
                        "The page loaded without %s. Something between the link and the page drops them."
                                .formatted(String.join(", ", missing.keySet())));
    }

    public boolean isVisited() {
        return link.visits() > 0;
    }

    public long seen() {
        return items.stream().filter(item -> item.state() == State.SEEN).count();
    }
}
