package wendo.app.money.partners;

import java.util.Locale;
import java.util.UUID;

/**
 * What the page of a partner shows, and in which language where the reader's is none of ours.
 *
 * @param isByCode whether it opens only with a code that goes out to the partner's {@code email}, which may be empty text
 */
public record OwnPage(UUID partner, Locale language, boolean showsValues, boolean isByCode, String email) {}
