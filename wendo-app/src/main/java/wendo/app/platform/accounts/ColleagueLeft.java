package wendo.app.platform.accounts;

import java.util.Optional;
import java.util.UUID;

/**
 * Somebody works for the current business no more. What was theirs becomes the successor's in the same transaction, or
 * nobody's.
 */
public record ColleagueLeft(UUID person, Optional<UUID> successor) {}
