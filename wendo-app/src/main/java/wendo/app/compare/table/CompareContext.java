package wendo.app.compare.table;

import wendo.app.compare.sql.CompareChoice;
import wendo.app.platform.accounts.BusinessPeriod;
import wendo.app.platform.business.Business;
import wendo.app.platform.site.PeriodChoice;

/** What a screen of the comparison is asked for: how to look, at which days, of whose business. */
public record CompareContext(CompareChoice look, PeriodChoice choice, Business business) implements BusinessPeriod {
    public CompareContext with(CompareChoice other) {
        return new CompareContext(other, choice, business);
    }

    /** The end of an address that keeps this view. */
    public String query() {
        return choice.query() + look.query();
    }
}
