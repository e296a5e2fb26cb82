package wendo.app.platform.accounts;

import jakarta.servlet.http.HttpServletRequest;
import java.util.Optional;
import java.util.UUID;
import org.springframework.http.HttpStatus;
import org.springframework.web.server.ResponseStatusException;
import wendo.app.platform.site.Texts;

/** Who is signed in, in the business they work in now. Controllers take it as a parameter. */
public record CurrentPerson(UUID id, String name, Role role) {
    static final String ATTRIBUTE = "wendo.person";

    /** Who is signed in; empty on a page that everybody may see. */
    public static Optional<CurrentPerson> find(HttpServletRequest request) {
        return Optional.ofNullable(request.getAttribute(ATTRIBUTE)).map(CurrentPerson.class::cast);
    }

    public boolean may(Permission permission) {
        return permission.isOf(role);
    }

    /** Ends the request if this person may not change how the business is set up. */
    public void mustBeAllowedToSetUp() {
        if (!role.maySetUp()) {
            throw new ResponseStatusException(
                    HttpStatus.FORBIDDEN, Texts.of("platform.accounts.owners-and-managers-change-this"));
        }
    }
}
