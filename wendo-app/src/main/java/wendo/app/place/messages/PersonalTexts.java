package wendo.app.place.messages;

import java.util.ArrayList;
import java.util.HashMap;
import java.util.List;
import java.util.Map;
import wendo.app.issue.links.LinkListed;
import wendo.core.media.MergeText;
import wendo.core.media.TextMessage;

/** What each recipient of a list would read. */
record PersonalTexts(LinkListed link, RecipientLists.Listed list) {
    /** What stands in the link's place until there are codes. */
    private static final String CODE_TO_COME = "x7k2p9";

    /** One recipient's finished text, and how many segments it takes. */
    record Finished(RecipientLists.Person person, String address, String text, int parts) {}

    Finished finish(RecipientLists.Person person) {
        String address = link.url() + "/" + (person.code().isEmpty() ? CODE_TO_COME : person.code());
        Map<String, String> values = new HashMap<>();
        for (int i = 0; i < list.columns().size(); i++) {
            values.put(
                    MergeText.key(list.columns().get(i)),
                    i < person.cells().size() ? person.cells().get(i) : "");
        }
        values.put("link", address);
        values.putIfAbsent("name", person.name());
        String text = new MergeText(list.text()).fill(values);
        return new Finished(person, address, text, TextMessage.of(text).parts().size());
    }

    /** Fields of the text that no column fills. */
    List<String> unknownFields() {
        List<String> known =
                new ArrayList<>(list.columns().stream().map(MergeText::key).toList());
        known.addAll(List.of("link", "name"));
        return new MergeText(list.text())
                .fields().stream().filter(field -> !known.contains(field)).toList();
    }
}
