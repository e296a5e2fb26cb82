package wendo.app.links;

import java.io.Serializable;

/**
 * What may be said of a link beyond what it is: as typed, nothing checked yet.
 *
 * @param labels with commas between them
 * @param firstDay the first day of use, or empty text; {@code lastDay} alike
 * @param outside where the link leads outside of these days
 * @param disclosure what has to stand beside a paid link
 */
public record LinkTerms(
        String note,
        String owner,
        String labels,
        String firstDay,
        String lastDay,
        String outside,
        boolean isPaid,
        String disclosure)
        implements Serializable {

    static LinkTerms none() {
        return new LinkTerms("", "", "", "", "", "", false, "");
    }
}
