package wendo.app.platform.accounts;

import java.util.UUID;

/** Somebody who works for the current business. */
public record Colleague(UUID id, String name, String email, Role role) {

    /** Whether a text names this person: by identifier, name or e-mail, in any letter case. */
    public boolean isCalled(String text) {
        return id.toString().equals(text)
                || name.equalsIgnoreCase(text.strip())
                || email.equalsIgnoreCase(text.strip());
    }
}
