package wendo.app.desk.demo;

import java.nio.charset.StandardCharsets;
import java.sql.Timestamp;
import java.time.Clock;
import java.time.Duration;
import java.time.Instant;
import java.time.LocalTime;
import java.util.ArrayList;
import java.util.List;
import java.util.Optional;
import java.util.OptionalLong;
import java.util.Set;
import java.util.SplittableRandom;
import java.util.UUID;
import java.util.concurrent.TimeUnit;
import java.util.function.BooleanSupplier;
import java.util.stream.IntStream;
import org.springframework.core.env.Environment;
import org.springframework.jdbc.core.simple.JdbcClient;
import org.springframework.stereotype.Component;
import wendo.app.outcome.outcomes.Outcomes;
import wendo.app.outcome.outcomes.Reporter;
import wendo.app.platform.business.Business;
import wendo.app.platform.business.BusinessScope;
import wendo.app.platform.business.Businesses;
import wendo.app.platform.business.EditedVersion;
import wendo.app.platform.consent.ConsentGiven;
import wendo.app.platform.consent.ConsentPlace;
import wendo.app.platform.consent.ConsentPurpose;
import wendo.app.platform.consent.Consents;
import wendo.app.visit.visits.LoggedVisit;
import wendo.app.visit.visits.VisitStore;
import wendo.core.handover.SendingHours;
import wendo.core.outcomes.Occurrence;
import wendo.core.outcomes.OutcomeKind;
import wendo.core.outcomes.OutcomeReport;
import wendo.core.outcomes.ReportedDetails;
import wendo.core.visits.ClickId;
import wendo.simulation.Browsers;

/** Three audiences, and a mailing to one of them twelve days ago, of which more came than of those held out. */
@Component
class DemoAudiences {
    private static final Duration AGO = Duration.ofDays(12);
    private static final int HELD_OUT = 20;

    /** Of a hundred who were written to, so many tap, and so many buy. */
    private static final int TAPS = 22;

    private static final int BUYS = 11;

    private final VisitStore visits;
    private final Outcomes outcomes;
    private final Businesses businesses;
    private final Consents consents;
    private final Environment environment;
    private final BusinessScope scope;
    private final JdbcClient jdbc;
    private final Clock clock;

    DemoAudiences(
            VisitStore visits,
            Outcomes outcomes,
            Businesses businesses,
            Consents consents,
            Environment environment,
            BusinessScope scope,
            JdbcClient jdbc,
            Clock clock) {
        this.visits = visits;
        this.outcomes = outcomes;
        this.businesses = businesses;
        this.consents = consents;
        this.environment = environment;
        this.scope = scope;
        this.jdbc = jdbc;
        this.clock = clock;
    }

    /** Somebody who was written to. */
    private record Written(String email, String code, UUID link, UUID source, UUID destination) {}

    void show(Business business, DemoBrowser maren) {
        await(business, "select not exists (select from audience_due)");
        String students = maren.send("/audiences/new", "/audiences/new", """
                name: Last year's students who have not booked
                follows: live
                match.r: all
                kind.r-0: sent
                is.r-1: not
                kind.r-1: did
                deed.r-1: booking
                when.r-1: 90
                """);
        maren.send("/audiences/new", "/audiences/new", """
                name: Got a quote and have not answered
                follows: live
                match.r: all
                kind.r-0: lead
                stage.r-0: quoted
                """);
        maren.send("/audiences/new", "/audiences/new", """
                name: Came by the coast and did not book
                follows: live
                match.r: all
                match.r-0: any
                kind.r-0-0: came
                way.r-0-0: channel
                which.r-0-0: print
                kind.r-0-1: came
                way.r-0-1: channel
                which.r-0-1: place
                is.r-1: not
                kind.r-1: did
                deed.r-1: booking
                """);
        write(business, maren, students);
        scope.within(business.id(), () -> {
            agree();
            return business;
        });
        maren.send("/setup/ad-desks", "/setup/ad-desks", """
                name: Fulmar Ads
                address: http://localhost:%s
                key: demo
                """.formatted(
                        environment.getProperty("WENDO_AD_DESK_PORT", "8093")));
    }

    /** Two of five students ticked that they may see offers elsewhere too. */
    private void agree() {
        List<String> all = jdbc.sql("select email from recipient where email like 'student.%' order by line")
                .query(String.class)
                .list();
        consents.state(new ConsentGiven(
                IntStream.range(0, all.size())
                        .filter(i -> i % 5 < 2)
                        .mapToObj(all::get)
                        .toList(),
                Set.of(ConsentPurpose.ADVERTISING),
                "You may show me your offers on other sites too.",
                ConsentPlace.TOLD,
                UUID.randomUUID(),
                Optional.empty(),
                Optional.empty(),
                "Course register"));
    }

    /** Whatever the hour: the demo's mail goes nowhere. */
    private void write(Business business, DemoBrowser maren, String audience) {
        SendingHours usual = scope.within(business.id(), businesses::sendingHours);
        hours(business, new SendingHours(usual.cutOff(), LocalTime.MIDNIGHT, LocalTime.MIDNIGHT, usual.zone()));
        String page = audience + "/mailings/new";
        String link = scope.within(
                business.id(),
                () -> jdbc.sql("select id::text from link where slug = 'afloat-again'")
                        .query(String.class)
                        .single());
        String mailing = maren.send(page, page, """
                name: Gift vouchers before winter
                road: email
                link: %s
                subject: A winter present that floats, {name|sailor}
                body: Hello {name|there},\\n\\na voucher for a day on the water keeps until the sun is back: {link}\\n\\nMaren, Marram Point Sailing
                heldOut: %d
                perMinute: 6000
                spares: yes
                """.formatted(link, HELD_OUT));
        maren.send(mailing, mailing + "/start", "");
        await(business, "select exists (select from mailing where state = 'sent')");
        hours(business, usual);
        scope.within(business.id(), this::datedBack);
        answer(business);
    }

    private void hours(Business business, SendingHours hours) {
        scope.within(business.id(), () -> {
            businesses.changeSendingHours(EditedVersion.any(), hours);
            return hours;
        });
    }

    private int datedBack() {
        Timestamp then = Timestamp.from(clock.instant().minus(AGO));
        jdbc.sql("update recipient_list set created_at = ?, made_at = ? where id in (select list_id from mailing)")
                .params(then, then)
                .update();
        jdbc.sql("update mailing_message set handed_at = ? where handed_at is not null")
                .param(then)
                .update();
        return jdbc.sql("update mailing set made_at = ?, started_at = ?, ended_at = ?")
                .params(then, then, then)
                .update();
    }

    private void answer(Business business) {
        SplittableRandom random = new SplittableRandom(12);
        List<Written> written = scope.within(
                business.id(),
                () -> jdbc.sql("""
                        select r.email, r.code, l.id, l.source_id, l.destination_id
                        from mailing_message m join recipient r on r.id = m.recipient_id join link l on l.id = r.link_id
                        where m.state = 'handed' order by r.line
                        """)
                        .query((row, number) -> new Written(
                                row.getString(1),
                                row.getString(2),
                                row.getObject(3, UUID.class),
                                row.getObject(4, UUID.class),
                                row.getObject(5, UUID.class)))
                        .list());
        List<LoggedVisit> taps = new ArrayList<>();
        List<OutcomeReport> bought = new ArrayList<>();
        for (Written one : written) {
            int luck = random.nextInt(100);
            Instant at = clock.instant().minus(AGO).plus(Duration.ofMinutes(random.nextLong(30, 9 * 24 * 60)));
            ClickId click = ClickId.of(at, random);
            if (luck < TAPS) {
                taps.add(visit(business, one, click));
            }
            if (luck < BUYS) {
                bought.add(purchase(one, click, bought.size() + 1));
            }
        }
        visits.store(taps);
        scope.within(business.id(), () -> outcomes.recordAll(bought, Reporter.SITE_TAG));
    }

    private static LoggedVisit visit(Business business, Written one, ClickId click) {
        UUID visitor = UUID.nameUUIDFromBytes(one.email().getBytes(StandardCharsets.US_ASCII));
        return new LoggedVisit(
                click,
                business.id(),
                one.link(),
                one.source(),
                one.destination(),
                visitor,
                one.code(),
                Browsers.country(visitor),
                "phone",
                "",
                Browsers.ordinary(visitor),
                "",
                "",
                "en",
                "");
    }

    private static OutcomeReport purchase(Written one, ClickId click, int number) {
        return new OutcomeReport(
                OutcomeKind.PURCHASE,
                "V-%d".formatted(7_200 + number),
                OptionalLong.of(2_500L * (1 + number % 3)),
                Optional.of(click),
                Optional.of(Occurrence.at(click.arrivedAt().plus(Duration.ofMinutes(9)))),
                Optional.empty(),
                OptionalLong.empty(),
                OptionalLong.empty(),
                new ReportedDetails("", one.email(), "", "", "", "Gift voucher", ""));
    }

    private void await(Business business, String sql) {
        BooleanSupplier isSo = () -> scope.within(
                business.id(), () -> jdbc.sql(sql).query(Boolean.class).single());
        for (int tries = 0; tries < 600 && !isSo.getAsBoolean(); tries++) {
            try {
                TimeUnit.MILLISECONDS.sleep(100);
            } catch (InterruptedException e) {
                Thread.currentThread().interrupt();
                throw new IllegalStateException("The demo was stopped", e);
            }
        }
    }
}
