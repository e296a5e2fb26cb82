package wendo.app.issue.links;

import java.io.Serializable;
import java.util.function.UnaryOperator;

/**
 * What may be said of a link beyond what it is: as typed, nothing checked yet.
 *
 * @param labels with commas between them
 * @param firstDay the first day of use, or empty text; {@code lastDay} alike
 * @param outside where the link leads outside of these days
 * @param disclosure what has to stand beside a paid link
 * @param brand its identifier or its name, or empty text
 */
public record LinkTerms(
        String note,
        String owner,
        String labels,
        String firstDay,
        String lastDay,
        String outside,
        boolean isPaid,
        String disclosure,
        String brand)
        implements Serializable {

    /** Reads a form's fields; one that is not there is empty text. */
    public static LinkTerms of(UnaryOperator<String> field) {
        return new LinkTerms(
                field.apply("note").strip(),
                field.apply("owner").strip(),
                field.apply("labels").strip(),
                field.apply("firstDay").strip(),
                field.apply("lastDay").strip(),
                field.apply("outside").strip(),
                field.apply("paid").equals("yes"),
                field.apply("disclosure").strip(),
                field.apply("brand").strip());
    }

    public static LinkTerms none() {
        return new LinkTerms("", "", "", "", "", "", false, "", "");
    }
}
