package wendo.app.platform.accounts;

import java.util.Collection;
import java.util.List;
import java.util.UUID;
import org.jspecify.annotations.Nullable;
import org.springframework.security.core.CredentialsContainer;
import org.springframework.security.core.GrantedAuthority;
import org.springframework.security.core.userdetails.UserDetails;

/** The signed-in person as the session keeps them. What they may see is looked up with each request. */
final class SignedIn implements UserDetails, CredentialsContainer {
    private static final long serialVersionUID = 1L;

    private final UUID id;
    private final String email;
    private final String name;
    private @Nullable String passwordHash;

    /** Whether a code of their authenticator is asked for after the password. */
    private final boolean needsCode;

    SignedIn(UUID id, String email, String name, @Nullable String passwordHash, boolean needsCode) {
        this.id = id;
        this.email = email;
        this.name = name;
        this.passwordHash = passwordHash;
        this.needsCode = needsCode;
    }

    /** Who proved by something better than a password who they are. */
    SignedIn withoutCode() {
        return new SignedIn(id, email, name, null, false);
    }

    boolean needsCode() {
        return needsCode;
    }

    UUID id() {
        return id;
    }

    String name() {
        return name;
    }

    @Override
    public String getUsername() {
        return email;
    }

    @Override
    public @Nullable String getPassword() {
        return passwordHash;
    }

    @Override
    public void eraseCredentials() {
        passwordHash = null;
    }

    @Override
    public Collection<? extends GrantedAuthority> getAuthorities() {
        return List.of();
    }
}
