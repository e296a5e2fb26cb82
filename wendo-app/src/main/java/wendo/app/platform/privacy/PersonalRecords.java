package wendo.app.platform.privacy;

import java.util.List;
import java.util.Map;

/** What one feature keeps of people. */
public interface PersonalRecords {
    /** The key of what these records are called. */
    String heading();

    /** Each record as values by the keys of what they are called, in the order in which they are shown. */
    List<Map<String, String>> find(KnownPerson person);

    /** Takes out whatever says who it was; counts, credit and money stay. */
    void erase(KnownPerson person);
}
