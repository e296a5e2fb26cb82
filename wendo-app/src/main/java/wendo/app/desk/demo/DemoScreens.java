package wendo.app.desk.demo;

import java.sql.Timestamp;
import java.time.LocalDate;
import java.time.ZoneId;
import java.util.List;
import java.util.Map;
import java.util.Objects;
import java.util.Optional;
import java.util.TreeMap;
import java.util.UUID;
import java.util.stream.Collectors;
import java.util.stream.IntStream;
import java.util.stream.Stream;
import org.springframework.core.env.Environment;
import org.springframework.jdbc.core.simple.JdbcClient;
import org.springframework.stereotype.Component;
import wendo.app.platform.business.Business;
import wendo.app.platform.business.BusinessScope;
import wendo.simulation.MarramPoint;
import wendo.simulation.Season;

/** What Maren sets up in the pages themselves, so that every screen has something to show. */
@Component
class DemoScreens {
    /** The link whose visitors are led to two pages in turn. */
    private static final String SPLIT = "learn-to-sail";

    /** The week in which last year's students were written to again. */
    private static final int MAILED_WEEK = 17;

    /** So many of them asked or booked afterwards. */
    private static final int SOME = 24;

    private static final int OTHER_STUDENTS = 340;

    private final JdbcClient jdbc;
    private final BusinessScope scope;
    private final DemoIncome income;
    private final DemoAudiences audiences;
    private final DemoTags tags;
    private final DemoNewsletters newsletters;
    private final Environment environment;

    DemoScreens(
            JdbcClient jdbc,
            BusinessScope scope,
            DemoIncome income,
            DemoAudiences audiences,
            DemoTags tags,
            DemoNewsletters newsletters,
            Environment environment) {
        this.jdbc = jdbc;
        this.income = income;
        this.audiences = audiences;
        this.tags = tags;
        this.newsletters = newsletters;
        this.scope = scope;
        this.environment = environment;
    }

    private DemoBrowser browser(DemoStart.Login login) {
        return DemoBrowser.signedIn(
                "http://localhost:" + environment.getRequiredProperty("local.server.port"),
                login.email(),
                login.password());
    }

    /** Before anybody comes. Once, outside of a transaction. */
    void setUp(Business business, LocalDate firstDay, String siteOrigin, DemoStart.Login owner) {
        DemoBrowser maren = browser(owner);
        Map<String, String> links = scope.within(business.id(), this::links);
        maren.send("/setup/appearance", "/setup/appearance", """
                version: 0
                colour: #0b5a6e
                address: 2 Slipway Lane\\nMarram Point
                imprint: https://marrampoint.example/imprint
                privacy: https://marrampoint.example/privacy
                signed: yes
                """);
        office(maren, business);
        arrival(maren, links, siteOrigin);
        place(maren, links, firstDay, siteOrigin);
        DemoPartners.meet(maren, firstDay);
        maren.send("/setup/people", "/setup/people/invite", """
                email: joris@marrampoint.example
                role: viewer
                """);
    }

    /** Who takes leads, and what they are sent. */
    private void office(DemoBrowser maren, Business business) {
        maren.send("/setup/forms/new", "/setup/forms/new", """
                name: Group days
                title: Ask about a group day
                intro: Six to thirty people, any level, boats and instructors included.
                button: Ask us
                thanks: Thank you. We ring you on the next working day.
                purpose: enquiry
                accent: own
                ask.name: needed
                ask.email: needed
                ask.phone: asked
                ask.day: asked
                ask.people: asked
                ask.message: asked
                ask.answer: asked
                """);
        String plan = last(maren.send("/setup/follow-up/new", "/setup/follow-up/new", """
                name: Group days
                kind.0: email
                days.0: 0
                minutes.0: 20
                subject.0: Your day on the water, {first name|sailor}
                body.0: Hello {first name|there},\\n\\nthank you for asking. Which day would suit you? I hold two boats until Friday.\\n\\n{owner|Maren}, Marram Point Sailing
                kind.1: task
                days.1: 1
                minutes.1: 0
                body.1: Ring {name|them} about the day and the number of people
                kind.2: text
                days.2: 3
                minutes.2: 0
                body.2: Hello {first name|there}, {owner|Maren} of Marram Point here: shall I keep the boats for you?
                """));
        String round = last(maren.send("/setup/handovers", "/setup/rounds", "name: The office"));
        String weights = scope.within(
                business.id(), () -> jdbc.sql("""
                        select string_agg('weight.' || person_id || ': ' || case role when 'owner' then 1 else 2 end, E'\\n')
                        from membership
                        """).query(String.class).single());
        maren.send("/setup/rounds/" + round, "/setup/rounds/" + round, weights);
        String all = "/setup/handovers/business/" + business.id().value();
        maren.send(all, all, """
                ownerIs: round
                round: %s
                plan: %s
                note: Came by {source|nobody knows what}.
                alerts: yes
                """.formatted(round, plan));
    }

    /** What happens when a link is opened. */
    private static void arrival(DemoBrowser maren, Map<String, String> links, String siteOrigin) {
        String split = page(links, SPLIT) + "/leads";
        maren.send(split, split + "/split", "address0: %s/\npercent0: 50".formatted(siteOrigin));
        String sign = page(links, "slipway") + "/leads";
        maren.send(sign, sign + "/rules", "languages: de\naddress: %s/courses".formatted(siteOrigin));
        DemoNewsletters.lists(maren);
        String news = page(links, "news") + "/newsletter";
        maren.send(news, news + "/opt-in", "open: yes\npromise: Tides, boats and free places, once a month");
    }

    /** Where links were put. */
    private static void place(DemoBrowser maren, Map<String, String> links, LocalDate firstDay, String siteOrigin) {
        placed(maren, page(links, "dunlin-bay"), new Put("Letterboxes in Dunlin Bay", firstDay.plusWeeks(1), 3000));
        placed(
                maren,
                page(links, "dunlin-summer"),
                new Put("Letterboxes in Dunlin Bay, again", firstDay.plusWeeks(11), 3000));
        placed(maren, page(links, "tern-cross"), new Put("Letterboxes in Tern Cross", firstDay.plusWeeks(2), 2800));
        placed(maren, page(links, "slipway"), new Put("Board at the slipway", firstDay, 1));
        String signpost = maren.send("/signposts", "/signposts", """
                title: Marram Point Sailing
                text: Everything you can do on the water with us.
                source: Posts and stories
                campaign: %s
                ending: all-we-do
                """.formatted(MarramPoint.ALWAYS));
        List.of("Courses and children's weeks|/courses", "Gift vouchers|/vouchers", "Ask about a group day|/enquiry")
                .forEach(entry -> maren.send(
                        signpost,
                        signpost + "/entries",
                        "entryTitle: " + entry.replace("|", "\naddress: " + siteOrigin)));
    }

    private record Put(String place, LocalDate day, int copies) {}

    private static void placed(DemoBrowser maren, String link, Put put) {
        String page = link + "/place";
        maren.send(page, page, "place: %s\nplacedOn: %s\ncopies: %d".formatted(put.place(), put.day(), put.copies()));
    }

    /** After all is credited. */
    void settle(Business business, DemoStart.Login owner) {
        DemoBrowser maren = browser(owner);
        DemoPartners.settle(maren);
        scope.within(business.id(), this::disputed).ifPresent(booking -> DemoPartners.dispute(maren, booking));
        income.earn(business, maren);
        income.disclose(business, maren);
        audiences.show(business, maren);
        tags.show(business, maren);
        newsletters.join(business, maren);
    }

    /** A booking that nothing joins to a source. */
    private Optional<String> disputed() {
        return jdbc.sql("""
                        select o.reference from outcome o
                        where o.kind = 'booking' and not o.is_proof and o.counts
                            and not exists (select from outcome_source c where c.outcome_id = o.id)
                        order by o.occurred_at desc, o.id limit 1
                        """).query(String.class).optional();
    }

    /** After everybody came: the list of students who were written to, a tenth of them by lot not, and what came of it. */
    void mail(Business business, Season season, LocalDate firstDay, DemoStart.Login owner) {
        DemoBrowser maren = browser(owner);
        Map<String, String> links = scope.within(business.id(), this::links);
        LocalDate mailed = firstDay.plusWeeks(MAILED_WEEK);
        String page = page(links, "afloat-again");
        String list = maren.send(
                page + "/message", page + "/recipients", "pasted: " + students(season, mailed, business.zone()));
        maren.send(list, list, """
                name: 0
                email: 1
                text: Hello {name}, two autumn courses have places left: {link} Marram Point
                heldOut: 10
                consentSource: Ticked when they booked last year
                make: yes
                """);
        UUID id = UUID.fromString(last(list));
        scope.within(
                business.id(),
                () -> jdbc.sql("update recipient_list set created_at = ?, made_at = ? where id = ?")
                        .params(at(mailed, business.zone()), at(mailed, business.zone()), id)
                        .update());
    }

    private static Timestamp at(LocalDate day, ZoneId zone) {
        return Timestamp.from(day.atTime(11, 0).atZone(zone).toInstant());
    }

    /** Some who asked afterwards, and many who did not. */
    private static String students(Season season, LocalDate mailed, ZoneId zone) {
        List<String> asked = season.outcomes().stream()
                .filter(did -> did.at().isAfter(at(mailed, zone).toInstant()))
                .map(did -> DemoOffice.told(did.kind(), did.reference(), did.code()))
                .filter(told -> !told.email().isEmpty())
                .limit(SOME)
                .map(told -> told.name() + "\t" + told.email())
                .toList();
        List<String> others = IntStream.range(0, OTHER_STUDENTS)
                .mapToObj(number -> "Student %d\tstudent.%d@post.example".formatted(number, number))
                .toList();
        return Stream.concat(asked.stream(), others.stream()).collect(Collectors.joining("\\n", "Name\tE-mail\\n", ""));
    }

    private Map<String, String> links() {
        Map<String, String> links = new TreeMap<>();
        jdbc.sql("select slug, id::text from link").query(row -> {
            links.put(row.getString(1), row.getString(2));
        });
        return links;
    }

    private static String page(Map<String, String> links, String slug) {
        return "/links/" + Objects.requireNonNull(links.get(slug));
    }

    private static String last(String path) {
        return path.substring(path.lastIndexOf('/') + 1);
    }
}
