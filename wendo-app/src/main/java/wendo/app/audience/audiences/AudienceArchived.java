package wendo.app.audience.audiences;

import java.util.UUID;

/** That an audience is used no more. */
public record AudienceArchived(UUID audience) {}
