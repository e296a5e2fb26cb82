package wendo.app.place.subscribers;

import java.util.List;
import java.util.UUID;
import org.springframework.stereotype.Service;
import org.springframework.transaction.annotation.Transactional;
import wendo.app.platform.site.LabelLine;

/** The labels of subscribers, which sending systems call tags. */
@Service
class SubscriberLabels {
    private final SubscriberRepository repository;

    SubscriberLabels(SubscriberRepository repository) {
        this.repository = repository;
    }

    @Transactional
    void change(List<UUID> subscribers, LabelLine line, boolean isTakenAway) {
        for (Subscriber one : repository.findReal(subscribers)) {
            if (isTakenAway) {
                line.labels().forEach(one::unlabel);
            } else {
                one.label(line.labels());
            }
        }
    }
}
