package wendo.app.lead.handover;

import jakarta.persistence.Entity;
import java.util.Optional;
import java.util.UUID;
import org.jspecify.annotations.Nullable;
import wendo.app.platform.business.BusinessEntity;
import wendo.core.handover.Delay;

/** What is sent or done at one place of a plan. */
@Entity
@SuppressWarnings("UnusedVariable") // the database reads its place
class FollowUpStep extends BusinessEntity {
    private int place;
    private String kind;
    private int days;
    private int minutes;
    private String subject;
    private String body;
    private @Nullable UUID clipId;
    private boolean isNews;

    @SuppressWarnings("NullAway.Init")
    protected FollowUpStep() {}

    @SuppressWarnings("NullAway.Init")
    FollowUpStep(int place) {
        super(UUID.randomUUID());
        this.place = place;
    }

    void say(Plans.Step step) {
        this.kind = step.kind();
        this.days = step.delay().days();
        this.minutes = step.delay().minutes();
        this.subject = step.subject();
        this.body = step.body();
        this.clipId = step.clip().orElse(null);
        this.isNews = step.isNews();
    }

    Plans.Step step() {
        return new Plans.Step(kind, new Delay(days, minutes), subject, body, Optional.ofNullable(clipId), isNews);
    }
}
