package wendo.app.platform.sending;

import java.util.Optional;
import java.util.UUID;

/** A page on which whoever got a message chooses what they get, rather than stopping all of it. */
public interface ChoicesPage {
    /** Its path; empty if there is nothing to choose for this recipient. */
    Optional<String> of(UUID message, String recipient);
}
