package wendo.app.issue.links;

import java.util.UUID;
import wendo.core.links.TagPlan;

/** A tag plan under the name that the business gave it. */
public record NamedPlan(UUID id, String name, boolean isDefault, TagPlan plan) {}
