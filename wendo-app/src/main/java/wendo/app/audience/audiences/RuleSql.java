package wendo.app.audience.audiences;

import java.sql.Timestamp;
import java.time.Instant;
import java.time.LocalDate;
import java.time.ZoneId;
import java.time.temporal.ChronoUnit;
import java.util.ArrayList;
import java.util.LinkedHashMap;
import java.util.List;
import java.util.Map;
import java.util.UUID;
import java.util.stream.Collectors;
import org.springframework.jdbc.core.simple.JdbcClient;
import wendo.core.audience.AudienceRule;
import wendo.core.audience.Combined;
import wendo.core.audience.Condition;
import wendo.core.audience.Criterion;
import wendo.core.audience.When;

/** A rule as a condition on {@code audience_person p}: each criterion is a set of people, which the database reads once. */
final class RuleSql implements Criterion.Reader<String> {
    /** What somebody did, by the person it was joined to. */
    private static final String OUTCOMES = """
            select i.person from outcome o join trail t on t.outcome_id = o.id join identity i on i.id = t.identity_id
            where not o.is_proof and o.counts""";

    /** For a million people and a rule of several sets; PostgreSQL takes it only where it is needed. */
    private static final String MEMORY = "128MB";

    private final Map<String, Object> values = new LinkedHashMap<>();
    private final ZoneId zone;
    private final Instant now;

    private RuleSql(ZoneId zone, Instant now) {
        this.zone = zone;
        this.now = now;
    }

    /** The text of a condition with the values of its parameters. */
    record Where(String sql, Map<String, Object> values) {
        /** A statement that has this condition in it. Sets of people have to fit into memory, or are read again and again. */
        JdbcClient.StatementSpec in(JdbcClient jdbc, String statement) {
            jdbc.sql("select set_config('work_mem', '" + MEMORY + "', true)").query(row -> {});
            return jdbc.sql(statement.replace("{rule}", sql)).params(values);
        }
    }

    /** @param now days are counted back from, in the business's zone */
    static Where of(AudienceRule rule, ZoneId zone, Instant now) {
        RuleSql made = new RuleSql(zone, now);
        String sql = made.rule(rule);
        return new Where(sql, made.values);
    }

    private String rule(AudienceRule rule) {
        if (rule instanceof Combined combined) {
            return combined(combined);
        }
        Condition condition = (Condition) rule;
        String sql = condition.criterion().read(this);
        return condition.holds() ? sql : "not (" + sql + ")";
    }

    private String combined(Combined combined) {
        List<String> parts = combined.parts().stream().map(this::rule).toList();
        return switch (combined.match()) {
            case ALL -> parts.isEmpty() ? "true" : parts.stream().collect(Collectors.joining(" and ", "(", ")"));
            case ANY -> parts.isEmpty() ? "false" : parts.stream().collect(Collectors.joining(" or ", "(", ")"));
            case NONE -> parts.isEmpty() ? "true" : parts.stream().collect(Collectors.joining(" or ", "not (", ")"));
        };
    }

    /**
     * Whether somebody is one of a set. "Is true" keeps the database from joining the set, which it would do row by row
     * where it knows nothing of the tables yet: it is read once and looked up by its hash.
     */
    private static String people(String select) {
        return "(p.id in (" + select + ")) is true";
    }

    /** The same for a set of those whom outcomes were joined to. */
    private static String joined(String select) {
        return "(p.identity_person in (" + select + ")) is true";
    }

    /** What stands beside the person answers at once: so many arrivals since a day, or ever. */
    private String arrived(String column, When when) {
        return when.from(today())
                .map(day -> "(p." + column + " >= " + moment(day) + ") is true")
                .orElse("p." + column + " is not null");
    }

    @Override
    public String came(Criterion.Came came) {
        if (came.way() == Criterion.Way.ANY
                && came.atLeast() <= PeopleStatements.RECENT
                && came.when().before().isEmpty()) {
            return arrived("recent[" + came.atLeast() + "]", came.when());
        }
        String which = switch (came.way()) {
            case ANY -> "";
            case LINK -> " and v.link_id = any(cast(" + value(array(came.which())) + " as uuid[]))";
            case SOURCE -> links("l.source_id = any(cast(" + value(array(came.which())) + " as uuid[]))");
            case CAMPAIGN -> links("l.campaign_id = any(cast(" + value(array(came.which())) + " as uuid[]))");
            case CHANNEL ->
                links("l.source_id in (select s.id from source s where lower(s.channel) = any(cast("
                        + value(array(came.which())) + " as text[])))");
        };
        String often = came.atLeast() == 1 ? "" : " group by v.person_id having count(*) >= " + value(came.atLeast());
        return people("select v.person_id from audience_visit v where true" + which
                + within("v.arrived_at", came.when()) + often);
    }

    private static String links(String condition) {
        return " and v.link_id in (select l.id from link l where " + condition + ")";
    }

    @Override
    public String did(Criterion.Did did) {
        if (did.isWhetherEver()) {
            return "(p.did & " + kinds(did.kind()) + " <> 0)";
        }
        StringBuilder sql = new StringBuilder(OUTCOMES);
        sql.append(did.kind().equals("any") ? " and o.kind <> 'subscription'" : " and o.kind = " + value(did.kind()));
        if (did.atLeastMinor() > 0) {
            sql.append(" and o.kept_minor >= ").append(value(did.atLeastMinor()));
        }
        if (!did.product().isEmpty()) {
            sql.append(" and strpos(lower(o.items), ")
                    .append(value(did.product()))
                    .append(") > 0");
        }
        sql.append(within("o.occurred_at", did.when()));
        if (did.atLeast() > 1 || did.atMost().isPresent()) {
            sql.append(" group by i.person having count(*) >= ").append(value(did.atLeast()));
            did.atMost().ifPresent(most -> sql.append(" and count(*) <= ").append(value(most)));
        }
        return joined(sql.toString());
    }

    @Override
    public String spent(Criterion.Spent spent) {
        return joined(OUTCOMES + " and o.kind in ('booking', 'purchase')" + within("o.occurred_at", spent.when())
                + " group by i.person having sum(o.kept_minor) >= " + value(spent.atLeastMinor()));
    }

    private String leads(String condition) {
        return joined("""
                select i.person from lead l join trail t on t.outcome_id = l.outcome_id join identity i on i.id = t.identity_id
                where true %s""".formatted(condition));
    }

    @Override
    public String labelled(Criterion.Labelled labelled) {
        String leads = leads("and " + value(labelled.label()) + " = any(l.labels)");
        return "(" + leads + " or " + people("""
                select c.person_id from subscriber s join audience_contact c on c.contact = s.email
                where s.proof_id is null and s.labels @> array[cast(""" + value(labelled.label()) + " as text)]") + ")";
    }

    @Override
    public String leadAt(Criterion.LeadAt at) {
        String quiet = "";
        if (at.quietDays() > 0) {
            String since =
                    "cast(" + value(Timestamp.from(now.minus(at.quietDays(), ChronoUnit.DAYS))) + " as timestamptz)";
            quiet = " and l.arrived_at < " + since
                    + " and not exists (select from lead_event e where e.lead_id = l.outcome_id and e.at >= " + since
                    + ")"
                    + " and not exists (select from answer_received r where r.lead_id = l.outcome_id and r.received_at >= "
                    + since + ")";
        }
        return leads("and l.stage = " + value(at.stage()) + quiet);
    }

    @Override
    public String subscribed(Criterion.Subscribed subscribed) {
        return people("""
                select c.person_id from subscriber s join audience_contact c on c.contact = s.email
                where s.proof_id is null"""
                + subscribed.link().map(id -> " and s.link_id = " + value(id)).orElse("")
                + subscribed
                        .list()
                        .map(id -> " and exists (select from list_member m where m.subscriber_id = s.id"
                                + " and m.left_at is null and m.list_id = " + value(id) + ")")
                        .orElse(""));
    }

    @Override
    public String known(Criterion.Known known) {
        return "p." + known.trait().key() + " = any(cast(" + value(array(known.values())) + " as text[]))";
    }

    @Override
    public String tapped(Criterion.Tapped tapped) {
        if (tapped.link().isEmpty() && tapped.when().before().isEmpty()) {
            return arrived("tapped_at", tapped.when());
        }
        return people("select v.person_id from audience_visit v where v.is_personal"
                + tapped.link().map(id -> " and v.link_id = " + value(id)).orElse("")
                + within("v.arrived_at", tapped.when()));
    }

    @Override
    public String in(Criterion.In in) {
        return people("select m.person_id from audience_member m where m.left_at is null and m.audience_id = "
                + value(in.audience()));
    }

    @Override
    public String sent(Criterion.Sent sent) {
        return people(
                """
                select c.person_id from audience_listed r join audience_contact c on c.contact = r.contact
                where not r.held_out and r.code is not null""" + sent.link().map(id -> " and r.link_id = " + value(id)).orElse(""));
    }

    @Override
    public String leftForm(Criterion.LeftForm left) {
        String form = value(left.form());
        return people("""
                select shown.person_id from (
                    select v.person_id, max(v.arrived_at) as at from audience_visit v
                    where v.link_id in (select f.link_id from link_form f where f.form_id = %s and f.shows <> 'never') %s
                    group by v.person_id) shown
                where not exists (
                    select from audience_person a join identity i on i.person = a.identity_person
                    join trail t on t.identity_id = i.id join outcome o on o.id = t.outcome_id
                    where a.id = shown.person_id and o.form_id = %s and o.occurred_at >= shown.at)""".formatted(form, within("v.arrived_at", left.when()), form));
    }

    private String within(String column, When when) {
        return when.from(today())
                        .map(day -> " and " + column + " >= " + moment(day))
                        .orElse("")
                + when.before()
                        .map(day -> " and " + column + " < " + moment(day))
                        .orElse("");
    }

    private LocalDate today() {
        return now.atZone(zone).toLocalDate();
    }

    /** What {@code audience_person.did} is asked for; any is each kind but a subscription. */
    private static int kinds(String kind) {
        return kind.equals("any")
                ? PeopleStatements.KINDS.values().stream()
                                .mapToInt(Integer::intValue)
                                .sum()
                        - PeopleStatements.KINDS.getOrDefault("subscription", 0)
                : PeopleStatements.KINDS.getOrDefault(kind, 0);
    }

    private String moment(LocalDate day) {
        return "cast(" + value(Timestamp.from(day.atStartOfDay(zone).toInstant())) + " as timestamptz)";
    }

    private String value(Object value) {
        String name = "rule" + values.size();
        values.put(name, value instanceof UUID id ? id.toString() : value);
        return value instanceof UUID ? "cast(:" + name + " as uuid)" : ":" + name;
    }

    private static String[] array(List<String> texts) {
        return new ArrayList<>(texts).toArray(String[]::new);
    }
}
