package wendo.app.money.spend;

import java.util.List;
import wendo.core.measure.Period;

/** What sources cost beside what people enter: another feature knows it by itself. */
public interface AddedSpend {
    /** What of it falls in a period, one part at most for a source; below 0 where more was taken back than added. */
    List<Spends.Part> parts(Period period);
}
