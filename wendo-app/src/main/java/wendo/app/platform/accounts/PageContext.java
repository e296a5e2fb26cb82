package wendo.app.platform.accounts;

import wendo.app.platform.business.Business;
import wendo.app.platform.site.PeriodChoice;

/** Who asks for a page, of which business, at which days. */
public record PageContext(CurrentPerson person, Business business, PeriodChoice choice) implements BusinessPeriod {}
