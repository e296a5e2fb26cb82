package wendo.app.platform.consent;

import java.util.List;

/** That consent of these contacts was kept, by themselves or as the business states it. */
public record ConsentRecorded(List<String> contacts) {
    public ConsentRecorded {
        contacts = List.copyOf(contacts);
    }
}
