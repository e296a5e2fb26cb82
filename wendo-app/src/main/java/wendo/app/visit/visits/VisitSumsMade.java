package wendo.app.visit.visits;

import java.time.ZoneId;
import wendo.app.platform.business.BusinessId;

/** The daily sums of a business's visits were made anew, as was asked for; told in the same transaction. */
public record VisitSumsMade(BusinessId business, ZoneId countedIn) {}
