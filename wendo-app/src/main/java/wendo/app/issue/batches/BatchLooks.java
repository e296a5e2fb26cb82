package wendo.app.issue.batches;

import java.util.ArrayList;
import java.util.List;
import java.util.Optional;
import org.springframework.stereotype.Component;
import wendo.app.issue.links.Draft;
import wendo.app.platform.business.Business;
import wendo.app.platform.business.Businesses;
import wendo.app.prepare.destinations.DestinationLooks;
import wendo.app.prepare.destinations.Look;
import wendo.core.links.WebAddress;

/** Looks at the pages that a file's good rows lead to, before anything is issued. */
@Component
class BatchLooks {
    /** Fewer than the sixty looks that a business has in a minute, so that some are left for other pages. */
    private static final int MOST = 40;

    private final DestinationLooks looks;
    private final Businesses businesses;

    BatchLooks(DestinationLooks looks, Businesses businesses) {
        this.looks = looks;
        this.businesses = businesses;
    }

    /**
     * What was found.
     *
     * @param failing pages that people would not see, each with the reason
     * @param unseen how many pages were not looked at; each is soon after a link to it is issued
     */
    record Found(List<String> failing, int unseen) {
        Found {
            failing = List.copyOf(failing);
        }
    }

    /** Takes up to five seconds for each few pages: call it outside of a transaction. */
    Found look(List<Draft> drafts) {
        Business business = businesses.current();
        List<WebAddress> pages = drafts.stream()
                .filter(Draft::isReady)
                .flatMap(draft -> draft.destination().stream())
                .distinct()
                .toList();
        List<WebAddress> looked = pages.subList(0, Math.min(MOST, pages.size()));
        List<Optional<Look>> found = looks.lookAtAll(looked, business);
        List<String> failing = new ArrayList<>();
        int unseen = pages.size() - looked.size();
        for (int i = 0; i < looked.size(); i++) {
            Optional<Look> look = found.get(i);
            if (look.isEmpty()) {
                unseen++;
            } else if (!look.get().isWell()) {
                failing.add(looked.get(i) + ": " + look.get().problem());
            }
        }
        return new Found(failing, unseen);
    }
}
