package wendo.app.issue.links;

import java.util.ArrayList;
import java.util.List;

/** One thing wrong with what is to be issued, with the field it belongs beside. */
public record IssueFault(String field, String message) {
    /** Faults of what all links of a sheet share: said once. */
    private static final List<String> SHARED = List.of("destination", "campaign");

    /** All that is wrong with a sheet, in the order of its links. */
    static List<IssueFault> ofSheet(List<Draft> drafts) {
        List<IssueFault> all = new ArrayList<>();
        for (int i = 0; i < drafts.size(); i++) {
            for (IssueFault fault : drafts.get(i).faults()) {
                IssueFault placed = SHARED.contains(fault.field())
                        ? fault
                        : new IssueFault("sources[%d].%s".formatted(i, fault.field()), fault.message());
                if (!all.contains(placed)) {
                    all.add(placed);
                }
            }
        }
        return List.copyOf(all);
    }
}
