package wendo.core.credit;

import java.util.List;

/** The rule that shares the credit for an outcome among the touches before it. */
public interface AttributionModel {

    /** The name it has in addresses, in the API and in storage. */
    ModelName name();

    /** Whole-number weights, one for each touch of the trail, in its order, one above 0; empty for an empty trail. */
    List<Long> weigh(Trail trail);
}
