package wendo.app.lead.forms;

import jakarta.servlet.http.HttpServletRequest;
import java.security.SecureRandom;
import java.time.Clock;
import java.util.HexFormat;
import java.util.LinkedHashMap;
import java.util.List;
import java.util.Map;
import java.util.Optional;
import java.util.UUID;
import org.slf4j.Logger;
import org.slf4j.LoggerFactory;
import org.springframework.stereotype.Component;
import wendo.app.outcome.outcomes.Outcomes;
import wendo.app.outcome.outcomes.Recorded;
import wendo.app.outcome.outcomes.Reporter;
import wendo.app.platform.business.Businesses;
import wendo.app.platform.consent.ConsentGiven;
import wendo.app.platform.consent.ConsentPlace;
import wendo.app.platform.consent.Consents;
import wendo.app.platform.site.CallLimit;
import wendo.app.platform.site.Texts;
import wendo.app.platform.site.TypedFields;
import wendo.app.visit.visits.Automatic;
import wendo.core.outcomes.OutcomeReport;

/** Takes filled-in forms: of people, one at a time, each once however often the button is pressed. */
@Component
class FormIntake {
    private static final Logger LOG = LoggerFactory.getLogger(FormIntake.class);

    /** A field that people do not see. Whoever fills it in is a program. */
    static final String HONEYPOT = "website";

    private static final String ONCE = "once";
    private static final int SENT_PER_MINUTE = 10;

    private final Outcomes outcomes;
    private final Consents consents;
    private final Businesses businesses;
    private final Automatic automatic;
    private final Clock clock;
    private final SecureRandom random = new SecureRandom();
    private final CallLimit limit = new CallLimit(SENT_PER_MINUTE);

    FormIntake(Outcomes outcomes, Consents consents, Businesses businesses, Automatic automatic, Clock clock) {
        this.outcomes = outcomes;
        this.consents = consents;
        this.businesses = businesses;
        this.automatic = automatic;
        this.clock = clock;
    }

    /** A name for what will be sent, so that sending it twice is sending it once. */
    String once() {
        byte[] bytes = new byte[6];
        random.nextBytes(bytes);
        return HexFormat.of().formatHex(bytes);
    }

    String once(TypedFields typed) {
        String sent = typed.raw(ONCE);
        return sent.matches("[0-9a-f]{12}") ? sent : once();
    }

    /**
     * Where a form was filled in.
     *
     * @param click the click identifier that came along; empty text without one
     * @param page the address of the page that showed it
     */
    record Place(UUID form, Optional<UUID> link, String click, String page) {}

    /** Faults by field; none means that it is thanked for, which is all that a program learns. */
    Map<String, String> take(Place place, Filled filled, HttpServletRequest request) {
        if (!limit.allows(request.getRemoteAddr() + " " + place.form())) {
            return Map.of("form", Texts.of("lead.forms.too-much-was-sent-from"));
        }
        if (!filled.typed().raw(HONEYPOT).isEmpty() || automatic.is(request)) {
            LOG.info("A program filled in a form; it was not kept");
            return Map.of();
        }
        OutcomeReport.Read read =
                filled.read("F-" + once(filled.typed()), place.click(), businesses.current(), clock.instant());
        if (read instanceof OutcomeReport.Read.Bad bad) {
            Map<String, String> faults = new LinkedHashMap<>();
            bad.faults().forEach(fault -> faults.put(fault.field(), Texts.of(fault.sentence())));
            return faults;
        }
        OutcomeReport report = ((OutcomeReport.Read.Good) read).report();
        List<Recorded> recorded =
                outcomes.recordAll(List.of(report), Reporter.FORM, Optional.empty(), Reporter.FORM.key());
        if (recorded.get(0) instanceof Recorded.New one) {
            keepConsent(place, filled, report, one.outcome());
        }
        return Map.of();
    }

    /** A test's consent is nobody's. */
    private void keepConsent(Place place, Filled filled, OutcomeReport report, UUID outcome) {
        boolean isTest = outcomes.cameByForm(outcome, place.form());
        if (filled.consents() && !isTest) {
            consents.give(new ConsentGiven(
                    List.of(report.told().email(), report.told().phone()),
                    filled.form().covers(),
                    filled.form().promise(),
                    ConsentPlace.FORM,
                    place.form(),
                    place.link(),
                    Optional.of(outcome),
                    place.page()));
        }
    }
}
