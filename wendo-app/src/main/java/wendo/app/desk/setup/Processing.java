package wendo.app.desk.setup;

import java.util.Optional;
import wendo.app.platform.privacy.RetainedKind;
import wendo.app.platform.site.FilterValues;
import wendo.app.platform.site.Texts;

/** What is done with personal data: a line of the record that article 30 of the GDPR asks for. */
enum Processing {
    VISITS(Optional.empty()),
    WEBSITE(Optional.empty()),
    LEADS(Optional.of(RetainedKind.LEADS)),
    OUTCOMES(Optional.of(RetainedKind.OUTCOMES)),
    MESSAGES(Optional.of(RetainedKind.MESSAGES)),
    ANSWERS(Optional.of(RetainedKind.ANSWERS)),
    RECIPIENTS(Optional.of(RetainedKind.RECIPIENTS)),
    SUBSCRIBERS(Optional.of(RetainedKind.SUBSCRIBERS)),
    CONSENT(Optional.empty()),
    TAGS(Optional.of(RetainedKind.VISITOR_CONSENTS)),
    PEOPLE(Optional.empty()),
    ACTIVITY(Optional.empty()),
    BACKUPS(Optional.empty());

    private final Optional<RetainedKind> retained;

    Processing(Optional<RetainedKind> retained) {
        this.retained = retained;
    }

    /** What it is kept for a time of the business's choice as, if it is. */
    Optional<RetainedKind> retained() {
        return retained;
    }

    /** Whether it is kept as long as visits are. */
    boolean isOfVisits() {
        return this == VISITS || this == WEBSITE;
    }

    private String key() {
        return FilterValues.key(this);
    }

    String what() {
        return Texts.of("desk.setup.processing.what", key());
    }

    String whose() {
        return Texts.of("desk.setup.processing.whose", key());
    }

    String data() {
        return Texts.of("desk.setup.processing.data", key());
    }

    String why() {
        return Texts.of("desk.setup.processing.why", key());
    }

    String basis() {
        return Texts.of("desk.setup.processing.basis", key());
    }

    /** How long, where no number of months says so. */
    String kept() {
        return Texts.of("desk.setup.processing.kept", key());
    }
}
