package wendo.app.prepare.sources;

import java.util.UUID;
import wendo.core.links.Channel;
import wendo.core.links.Tag;

/** A source as other features see it. */
public record SourceListed(UUID id, String name, Tag tag, Channel channel, Tag medium) {}
