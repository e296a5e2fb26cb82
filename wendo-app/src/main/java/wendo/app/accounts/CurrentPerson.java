package wendo.app.accounts;

import java.util.UUID;

/** Who is signed in, in the business they work in now. Controllers take it as a parameter. */
public record CurrentPerson(UUID id, String name, Role role) {
    static final String ATTRIBUTE = "wendo.person";
}
