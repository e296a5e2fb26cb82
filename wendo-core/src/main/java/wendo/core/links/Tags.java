package wendo.core.links;

/** What every link has exactly one of, in normal form: its source, its medium and its campaign. */
public record Tags(Tag source, Tag medium, Tag campaign) {}
