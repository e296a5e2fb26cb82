package wendo.app.audience.visitortags;

import jakarta.persistence.Entity;
import java.time.Instant;
import java.util.UUID;
import java.util.stream.Collectors;
import wendo.app.platform.business.BusinessEntity;
import wendo.core.audience.TagPurpose;

/** What a visitor answered when they were asked. It is never changed. */
@Entity
@SuppressWarnings("UnusedVariable") // written for the database, not read in Java
class VisitorConsent extends BusinessEntity {
    private UUID brandId;
    private UUID visitor;
    private UUID clickId;
    private UUID linkId;
    private String purposes;
    private String answer;
    private String words;
    private String language;
    private String page;
    private Instant answeredAt;

    @SuppressWarnings("NullAway.Init")
    protected VisitorConsent() {}

    VisitorConsent(TagAnswer given, Instant now) {
        super(UUID.randomUUID());
        this.brandId = given.brand();
        this.visitor = given.visitor();
        this.clickId = given.click().uuid();
        this.linkId = given.link();
        this.purposes = given.purposes().stream().map(TagPurpose::key).sorted().collect(Collectors.joining(","));
        this.answer = given.answer().key();
        this.words = given.words();
        this.language = given.language();
        this.page = given.page();
        this.answeredAt = now;
    }
}
