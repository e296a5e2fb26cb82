package wendo.app.money.partners;

import java.util.Locale;
import java.util.UUID;

/** What the page of a partner shows, and in which language where the reader's is none of ours. */
public record OwnPage(UUID partner, Locale language, boolean showsValues) {}
