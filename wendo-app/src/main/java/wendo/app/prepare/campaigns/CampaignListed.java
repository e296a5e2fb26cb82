package wendo.app.prepare.campaigns;

import java.util.UUID;
import wendo.core.links.Tag;

/** A campaign as other features see it. */
public record CampaignListed(UUID id, String name, Tag tag) {}
