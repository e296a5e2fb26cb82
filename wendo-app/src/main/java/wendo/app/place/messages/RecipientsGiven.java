package wendo.app.place.messages;

import java.util.List;

/** People of a list were given links of their own; {@code contacts} are their phone numbers and e-mail addresses. */
public record RecipientsGiven(List<String> contacts) {
    public RecipientsGiven {
        contacts = List.copyOf(contacts);
    }
}
