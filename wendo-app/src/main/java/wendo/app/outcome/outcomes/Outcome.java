package wendo.app.outcome.outcomes;

import jakarta.persistence.Column;
import jakarta.persistence.Entity;
import java.time.Instant;
import java.util.Optional;
import java.util.UUID;
import org.hibernate.annotations.DynamicUpdate;
import org.jspecify.annotations.Nullable;
import wendo.app.platform.business.BusinessEntity;
import wendo.core.links.Tag;
import wendo.core.outcomes.GivenCode;
import wendo.core.outcomes.Occurrence;
import wendo.core.outcomes.OutcomeStatus;
import wendo.core.outcomes.ReportedDetails;
import wendo.core.outcomes.Standing;
import wendo.core.visits.ClickId;

/** A lead, a booking, a purchase or a subscription. The first report of one is stored by {@link OutcomeStore}. */
@Entity
@DynamicUpdate // the application may not change what it first was
@SuppressWarnings("UnusedVariable") // written for the database, not read in Java
class Outcome extends BusinessEntity {
    @Column(updatable = false)
    private String kind;

    @Column(updatable = false)
    private String referenceKey;

    private String status;
    private long valueMinor;
    private long refundedMinor;
    private long deliveryMinor;
    private Instant occurredAt;
    private @Nullable Instant dayBeganAt;
    private @Nullable UUID clickId;
    private String name;
    private String email;
    private String phone;
    private String code;
    private String codeKey;
    private String answer;
    private String answerKey;
    private String items;
    private String note;
    private @Nullable UUID partnerSourceId;
    private @Nullable UUID formId;
    private @Nullable UUID visitor;
    private @Nullable UUID setSourceId;
    private String setBy;
    private @Nullable UUID claimSourceId;
    private boolean isProof;

    @SuppressWarnings("NullAway.Init")
    protected Outcome() {}

    KnownOutcome known() {
        return new KnownOutcome(
                id(),
                new Standing(OutcomeStatus.find(status).orElseThrow(), valueMinor, refundedMinor),
                new Occurrence(dayBeganAt == null ? occurredAt : dayBeganAt, occurredAt),
                Optional.ofNullable(clickId).map(ClickId::new),
                new ReportedDetails(name, email, phone, code, answer, items, note),
                deliveryMinor,
                Optional.ofNullable(partnerSourceId));
    }

    String referenceKey() {
        return referenceKey;
    }

    boolean isProof() {
        return isProof;
    }

    void become(KnownOutcome next) {
        status = next.standing().status().key();
        valueMinor = next.standing().valueMinor();
        refundedMinor = next.standing().refundedMinor();
        deliveryMinor = next.deliveryMinor();
        occurredAt = next.occurred().last();
        dayBeganAt = next.occurred().isDay() ? next.occurred().first() : null;
        clickId = next.click().map(ClickId::uuid).orElse(null);
        partnerSourceId = next.partner().orElse(null);
        tell(next.told());
    }

    private void tell(ReportedDetails told) {
        name = told.name();
        email = told.email();
        phone = told.phone();
        code = told.code();
        codeKey = codeKey(told);
        answer = told.answer();
        answerKey = answerKey(told);
        items = told.items();
        note = told.note();
    }

    /** What codes are compared by. */
    static String codeKey(ReportedDetails told) {
        return GivenCode.find(told.code()).map(GivenCode::key).orElse("");
    }

    /** What answers are compared by. */
    static String answerKey(ReportedDetails told) {
        return Tag.isPossible(told.answer()) ? Tag.of(told.answer()).value() : "";
    }

    void reportedBy(UUID who) {
        visitor = who;
    }

    void cameByForm(UUID form) {
        formId = form;
    }

    /** False if it had a visit. */
    boolean joinVisit(ClickId click) {
        if (clickId != null) {
            return false;
        }
        clickId = click.uuid();
        return true;
    }

    Optional<UUID> setSource() {
        return Optional.ofNullable(setSourceId);
    }

    Optional<UUID> claimedBy() {
        return Optional.ofNullable(claimSourceId);
    }

    void claimed(Optional<UUID> partner) {
        claimSourceId = partner.orElse(null);
    }

    void setSource(Optional<UUID> source, String by) {
        setSourceId = source.orElse(null);
        setBy = by;
    }
}
