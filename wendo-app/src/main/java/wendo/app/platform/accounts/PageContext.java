package wendo.app.platform.accounts;

import java.time.ZoneId;
import wendo.app.platform.business.Business;
import wendo.app.platform.site.Figures;
import wendo.app.platform.site.PeriodChoice;
import wendo.core.measure.Period;

/** Who asks for a page, of which business, at which days. */
public record PageContext(CurrentPerson person, Business business, PeriodChoice choice) {
    public Period period() {
        return choice.period();
    }

    public ZoneId zone() {
        return business.zone();
    }

    public Figures figures() {
        return new Figures(business.currency(), business.zone(), business.locale());
    }
}
