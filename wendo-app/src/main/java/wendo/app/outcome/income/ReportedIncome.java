package wendo.app.outcome.income;

import java.util.OptionalLong;
import java.util.UUID;
import wendo.core.income.Income;

/**
 * What a network reports of what it pays.
 *
 * @param saleMinor what the customer paid, if it is told
 * @param product what was bought; empty text if it is not told
 * @param statement what it was paid with; empty text if it is not told
 * @param by who brings the news
 */
public record ReportedIncome(
        UUID outcome,
        Payer payer,
        Income.News news,
        OptionalLong saleMinor,
        String product,
        String statement,
        String by) {
    public static final int MAX_PRODUCT = 200;
    public static final int MAX_STATEMENT = 120;

    /** The network, and how many days after an outcome it pays. */
    public record Payer(UUID network, int paysAfterDays) {}

    public ReportedIncome {
        product = cut(product, MAX_PRODUCT);
        statement = cut(statement, MAX_STATEMENT);
    }

    private static String cut(String text, int most) {
        String plain = text.strip();
        return plain.length() <= most ? plain : plain.substring(0, most);
    }
}
