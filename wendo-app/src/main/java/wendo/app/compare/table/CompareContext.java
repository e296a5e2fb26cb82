package wendo.app.compare.table;

import java.time.ZoneId;
import wendo.app.compare.sql.CompareChoice;
import wendo.app.platform.business.Business;
import wendo.app.platform.site.Figures;
import wendo.app.platform.site.PeriodChoice;
import wendo.core.measure.Period;

/** What a screen of the comparison is asked for: how to look, at which days, of whose business. */
public record CompareContext(CompareChoice look, PeriodChoice choice, Business business) {
    public Period period() {
        return choice.period();
    }

    public ZoneId zone() {
        return business.zone();
    }

    public Figures figures() {
        return new Figures(business.currency(), business.zone(), business.locale());
    }

    public CompareContext with(CompareChoice other) {
        return new CompareContext(other, choice, business);
    }

    /** What addresses of the same view end in. */
    public String query() {
        return choice.query() + look.query();
    }
}
