package wendo.app.platform.accounts;

import java.time.ZoneId;
import wendo.app.platform.business.Business;
import wendo.app.platform.site.Figures;
import wendo.app.platform.site.PeriodChoice;
import wendo.core.measure.Period;

/** A business and the days that are looked at, with what follows from them. */
public interface BusinessPeriod {
    Business business();

    PeriodChoice choice();

    default Period period() {
        return choice().period();
    }

    default ZoneId zone() {
        return business().zone();
    }

    default Figures figures() {
        return new Figures(business().currency(), business().zone(), business().locale());
    }
}
