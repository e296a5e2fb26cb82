package wendo.app.lead.handover;

import java.time.Clock;
import java.time.LocalDate;
import java.time.format.DateTimeFormatter;
import java.util.Map;
import java.util.Optional;
import java.util.UUID;
import org.springframework.jdbc.core.simple.JdbcClient;
import org.springframework.stereotype.Component;
import wendo.app.lead.leads.Leads;
import wendo.app.platform.accounts.Accounts;
import wendo.app.platform.accounts.Colleague;
import wendo.app.platform.business.Business;
import wendo.app.platform.business.Businesses;
import wendo.app.platform.sending.Draft;
import wendo.app.platform.sending.MessageType;
import wendo.app.platform.sending.Outbox;
import wendo.app.platform.site.Installation;
import wendo.app.platform.site.Texts;
import wendo.core.media.MergeText;

/** Hands one lead over: owner, labels, note, sharing and alert. Runs in the transaction of its caller. */
@Component
class LeadAssigner {
    private final JdbcClient jdbc;
    private final Handovers handovers;
    private final Rounds rounds;
    private final Plans plans;
    private final FollowUp followUp;
    private final Leads leads;
    private final Outbox outbox;
    private final Accounts accounts;
    private final Businesses businesses;
    private final Clock clock;
    private final String home;

    LeadAssigner(
            JdbcClient jdbc,
            Handovers handovers,
            Rounds rounds,
            Plans plans,
            FollowUp followUp,
            Leads leads,
            Outbox outbox,
            Accounts accounts,
            Businesses businesses,
            Clock clock,
            Installation installation) {
        this.jdbc = jdbc;
        this.handovers = handovers;
        this.rounds = rounds;
        this.plans = plans;
        this.followUp = followUp;
        this.leads = leads;
        this.outbox = outbox;
        this.accounts = accounts;
        this.businesses = businesses;
        this.clock = clock;
        this.home = installation.origin();
    }

    void hand(UUID id) {
        Arrived lead = jdbc.sql(Arrived.SQL).param(id).query(Arrived::of).single();
        Business business = businesses.current();
        Handover handover = handovers.of(lead.link(), lead.source(), lead.campaign());
        Optional<Colleague> owner = owner(handover, lead, business);
        Map<String, String> fields =
                lead.fields(business.name(), owner.map(Colleague::name).orElse(""));
        leads.give(
                id,
                new Leads.Given(
                        owner.map(Colleague::id),
                        handover.labels(),
                        new MergeText(handover.note()).fill(fields),
                        handover.partner()),
                owner.map(one -> Texts.kept("lead.assigned-to", one.name()))
                        .orElse(Texts.kept("lead.assigned-to-nobody")));
        if (lead.isLate()) {
            return;
        }
        if (handover.alerts()) {
            owner.ifPresent(one -> alert(lead, one, business));
        }
        if (!handover.partner().isEmpty()) {
            outbox.put(mail(
                    lead,
                    "share",
                    handover.partner(),
                    new Words(Texts.of("lead.handover.share-subject", business.name(), lead.called()), told(lead))));
        }
        handover.plan().ifPresent(plan -> followUp.begin(lead, plans.steps(plan), fields));
    }

    private Optional<Colleague> owner(Handover handover, Arrived lead, Business business) {
        Optional<UUID> person = switch (handover.ownerIs()) {
            case "issuer" -> lead.issuer();
            case "person" -> handover.person();
            case "round" -> handover.round().flatMap(round -> rounds.next(round, business.today(clock)));
            default -> Optional.empty();
        };
        return person.flatMap(id -> accounts.colleagues().stream()
                .filter(one -> one.id().equals(id))
                .findFirst());
    }

    /** With the running count of the day on which it came, so that a rush is noticed. */
    private void alert(Arrived lead, Colleague owner, Business business) {
        String subject = jdbc.sql("""
                        select own.day, count(*)
                        from (select arrived_at, (arrived_at at time zone :zone)::date as day from lead where outcome_id = :id) own
                        join lead l on l.arrived_at >= own.day::timestamp at time zone :zone and l.arrived_at <= own.arrived_at
                        group by own.day
                        """)
                .param("zone", business.zone().getId())
                .param("id", lead.id())
                .query((row, number) -> Texts.of(
                        "lead.handover.lead-of",
                        row.getLong(2),
                        day(row.getObject(1, LocalDate.class), business),
                        lead.called()))
                .single();
        outbox.put(mail(
                lead,
                "alert",
                owner.email(),
                new Words(subject, told(lead) + "\n" + home + "/leads/" + lead.id() + "\n")));
    }

    private String day(LocalDate day, Business business) {
        return day.equals(business.today(clock))
                ? Texts.of("lead.handover.today")
                : DateTimeFormatter.ofPattern("d MMM", business.locale()).format(day);
    }

    private record Words(String subject, String body) {}

    private Draft mail(Arrived lead, String purpose, String to, Words words) {
        return new Draft(
                lead.id(),
                purpose,
                0,
                MessageType.EMAIL,
                to,
                words.subject(),
                words.body(),
                Optional.empty(),
                clock.instant(),
                Optional.empty());
    }

    private static String told(Arrived lead) {
        StringBuilder text = new StringBuilder();
        line(text, Texts.of("common.name"), lead.name());
        line(text, Texts.of("common.e-mail"), lead.email());
        line(text, Texts.of("common.phone"), lead.phone());
        line(text, Texts.of("lead.handover.items"), lead.items());
        line(text, Texts.of("common.message"), lead.message());
        line(
                text,
                Texts.of("lead.handover.source"),
                lead.sourceName().isEmpty() ? Texts.of("lead.handover.unknown") : lead.sourceName());
        return text.toString();
    }

    private static void line(StringBuilder text, String what, String said) {
        if (!said.isEmpty()) {
            text.append(what).append(": ").append(said).append('\n');
        }
    }
}
