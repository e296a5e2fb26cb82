package wendo.app.place.subscribers;

import java.time.Instant;
import java.util.Optional;
import java.util.UUID;
import org.springframework.stereotype.Component;
import wendo.app.platform.business.BusinessId;
import wendo.app.platform.business.BusinessScope;
import wendo.app.platform.business.UniqueKey;

/** Takes whoever presses to join a list, also where the same address does so twice at once. */
@Component
public class Joins {
    private final Joining joining;
    private final BusinessScope scope;

    Joins(Joining joining, BusinessScope scope) {
        this.joining = joining;
        this.scope = scope;
    }

    /** Takes somebody who joined at an earlier time; in the scope of the business. */
    public void joined(Joiner joiner, Instant at) {
        joining.takeFormer(joiner, at);
    }

    /**
     * Call it outside of a transaction.
     *
     * @param proof the test that it belongs to
     */
    public JoinAnswer join(BusinessId business, Joiner joiner, Optional<UUID> proof) {
        if (proof.isPresent()) {
            UniqueKey.stored(() -> scope.within(business, () -> joining.test(joiner, proof.get())));
            return JoinAnswer.JOINED;
        }
        return UniqueKey.stored(() -> scope.within(business, () -> joining.join(joiner)))
                .orElseGet(() -> scope.within(business, () -> joining.join(joiner)));
    }
}
