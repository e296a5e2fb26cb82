package wendo.app.compare.sql;

import java.util.Arrays;
import java.util.Locale;
import java.util.Optional;
import wendo.app.platform.site.Texts;

/** What counts as revenue: what customers pay the business, what networks pay it, or both. */
public enum Revenue {
    SALES("compare.sql.revenue.sales", "compare.sql.revenue.sales-rule"),
    INCOME("compare.sql.revenue.income", "compare.sql.revenue.income-rule"),
    BOTH("compare.sql.revenue.both", "compare.sql.revenue.both-rule");

    private final String label;
    private final String rule;

    Revenue(String label, String rule) {
        this.label = label;
        this.rule = rule;
    }

    public static Optional<Revenue> find(String key) {
        return Arrays.stream(values()).filter(one -> one.key().equals(key)).findFirst();
    }

    public String key() {
        return name().toLowerCase(Locale.ROOT);
    }

    public String label() {
        return Texts.of(label);
    }

    public String rule() {
        return Texts.of(rule);
    }
}
