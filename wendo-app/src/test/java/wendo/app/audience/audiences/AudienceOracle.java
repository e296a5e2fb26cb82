package wendo.app.audience.audiences;

import java.sql.ResultSet;
import java.sql.SQLException;
import java.sql.Timestamp;
import java.time.Instant;
import java.time.LocalDate;
import java.time.ZoneId;
import java.time.temporal.ChronoUnit;
import java.util.ArrayList;
import java.util.HashMap;
import java.util.HashSet;
import java.util.List;
import java.util.Locale;
import java.util.Map;
import java.util.Objects;
import java.util.Optional;
import java.util.Set;
import java.util.UUID;
import java.util.function.Predicate;
import org.springframework.jdbc.core.simple.JdbcClient;
import wendo.core.audience.AudienceRule;
import wendo.core.audience.Combined;
import wendo.core.audience.Condition;
import wendo.core.audience.Criterion;
import wendo.core.audience.When;

/**
 * Who a rule is true of, found another way: by plain SQL on the tables where things are stored first, one row at a time
 * in Java. It shares nothing with what it checks but the rules themselves.
 */
final class AudienceOracle implements Criterion.Reader<Set<String>> {
    private final ZoneId zone;
    private final Instant now;
    private final Map<String, String> people = new HashMap<>(); // by contact
    private final Map<String, String> byNumber = new HashMap<>(); // by the number of credit's person
    private final List<Came> visits = new ArrayList<>();
    private final List<Did> outcomes = new ArrayList<>();
    private final Map<UUID, List<String>> links = new HashMap<>(); // source, campaign and channel
    private final JdbcClient jdbc;

    private record Came(
            String person, UUID click, UUID link, Instant at, String country, String device, boolean isPersonal) {}

    private record Did(
            String person,
            UUID id,
            String kind,
            long minor,
            Instant at,
            boolean counts,
            String items,
            Optional<UUID> form) {}

    AudienceOracle(JdbcClient jdbc, ZoneId zone, Instant now) {
        this.jdbc = jdbc;
        this.zone = zone;
        this.now = now;
        readPeople();
        jdbc.sql(
                        "select l.id, l.source_id::text, l.campaign_id::text, lower(s.channel) from link l join source s on s.id = l.source_id")
                .query(row -> {
                    links.put(
                            row.getObject(1, UUID.class),
                            List.of(row.getString(2), row.getString(3), row.getString(4)));
                });
        readVisits();
        jdbc.sql("""
                        select i.person, o.id, o.kind, o.kept_minor, o.occurred_at, not o.is_proof and o.status <> 'cancelled',
                            o.items, o.form_id from outcome o, trail t, identity i where t.outcome_id = o.id and i.id = t.identity_id
                        """).query(row -> {
            outcomes.add(new Did(
                    Objects.requireNonNull(byNumber.get(row.getString(1))),
                    row.getObject(2, UUID.class),
                    row.getString(3),
                    row.getLong(4),
                    row.getTimestamp(5).toInstant(),
                    row.getBoolean(6),
                    row.getString(7),
                    Optional.ofNullable(row.getObject(8, UUID.class))));
        });
    }

    private void readPeople() {
        jdbc.sql("select key, person from identity where kind in ('email', 'phone') order by key")
                .query(row -> {
                    byNumber.putIfAbsent(row.getString(2), row.getString(1));
                    people.put(row.getString(1), byNumber.get(row.getString(2)));
                });
        jdbc.sql(
                        "select email from recipient where email <> '' union select email from subscriber where proof_id is null")
                .query(row -> {
                    people.putIfAbsent(row.getString(1), row.getString(1));
                });
        jdbc.sql("select phone, email from recipient where phone <> '' order by phone, email")
                .query(row -> {
                    String email = row.getString(2);
                    people.putIfAbsent(row.getString(1), email.isEmpty() ? row.getString(1) : people.get(email));
                });
    }

    private void readVisits() {
        jdbc.sql("""
                        select v.click_id, v.link_id, v.arrived_at, v.country, v.device, r.email, r.phone,
                            (select i.person from identity i where i.kind = 'visitor' and i.key = v.visitor::text)
                        from visit v left join recipient r on r.id = v.recipient_id where v.kind = 'person'
                        """).query(row -> {
            Set<String> whose = new HashSet<>();
            for (int column = 6; column <= 7; column++) {
                Optional.ofNullable(row.getString(column)).map(people::get).ifPresent(whose::add);
            }
            boolean isPersonal = !whose.isEmpty();
            Optional<String> known = Optional.ofNullable(row.getString(8)).map(byNumber::get);
            for (String one : whose) {
                visits.add(came(row, one, isPersonal));
            }
            known.filter(one -> !whose.contains(one)).ifPresent(one -> {
                try {
                    visits.add(came(row, one, false));
                } catch (SQLException e) {
                    throw new IllegalStateException(e);
                }
            });
        });
    }

    private static Came came(ResultSet row, String whose, boolean isPersonal) throws SQLException {
        return new Came(
                whose,
                row.getObject(1, UUID.class),
                row.getObject(2, UUID.class),
                row.getTimestamp(3).toInstant(),
                row.getString(4),
                row.getString(5),
                isPersonal);
    }

    Set<String> everybody() {
        return new HashSet<>(people.values());
    }

    Set<String> of(AudienceRule rule) {
        if (rule instanceof Condition condition) {
            Set<String> found = new HashSet<>(condition.criterion().read(this));
            return condition.holds() ? found : without(found);
        }
        Combined combined = (Combined) rule;
        Set<String> all = everybody();
        Set<String> some = new HashSet<>();
        for (AudienceRule part : combined.parts()) {
            Set<String> found = of(part);
            all.retainAll(found);
            some.addAll(found);
        }
        return switch (combined.match()) {
            case ALL -> all;
            case ANY -> some;
            case NONE -> without(some);
        };
    }

    private Set<String> without(Set<String> some) {
        Set<String> rest = everybody();
        rest.removeAll(some);
        return rest;
    }

    @Override
    public Set<String> came(Criterion.Came came) {
        Map<String, Integer> times = new HashMap<>();
        for (Came one : visits) {
            List<String> link = links.getOrDefault(one.link(), List.of("", "", ""));
            boolean is = switch (came.way()) {
                case ANY -> true;
                case LINK -> came.which().contains(one.link().toString());
                case SOURCE -> came.which().contains(link.get(0));
                case CAMPAIGN -> came.which().contains(link.get(1));
                case CHANNEL -> came.which().contains(link.get(2));
            };
            if (is && in(one.at(), came.when())) {
                times.merge(one.person(), 1, Integer::sum);
            }
        }
        return having(times, number -> number >= came.atLeast());
    }

    @Override
    public Set<String> did(Criterion.Did did) {
        Map<String, Integer> times = new HashMap<>();
        for (Did one : outcomes) {
            if (one.counts()
                    && (did.kind().equals("any") || did.kind().equals(one.kind()))
                    && one.minor() >= did.atLeastMinor()
                    && one.items().toLowerCase(Locale.ROOT).contains(did.product())
                    && in(one.at(), did.when())) {
                times.merge(one.person(), 1, Integer::sum);
            }
        }
        return having(
                times,
                number -> number >= did.atLeast() && number <= did.atMost().orElse(Integer.MAX_VALUE));
    }

    @Override
    public Set<String> spent(Criterion.Spent spent) {
        Map<String, Integer> sums = new HashMap<>();
        outcomes.stream()
                .filter(one -> one.counts() && !one.kind().equals("lead") && in(one.at(), spent.when()))
                .forEach(one -> sums.merge(one.person(), (int) one.minor(), Integer::sum));
        return having(sums, sum -> sum >= spent.atLeastMinor());
    }

    private static Set<String> having(Map<String, Integer> numbers, Predicate<Integer> is) {
        Set<String> found = new HashSet<>();
        numbers.forEach((person, number) -> {
            if (is.test(number)) {
                found.add(person);
            }
        });
        return found;
    }

    @Override
    public Set<String> leadAt(Criterion.LeadAt at) {
        Instant since = now.minus(at.quietDays(), ChronoUnit.DAYS);
        return leads(
                "select outcome_id from lead where stage = ?",
                at.stage(),
                lead -> at.quietDays() == 0
                        || jdbc.sql(
                                        "select greatest(arrived_at, (select max(at) from lead_event where lead_id = outcome_id)) from lead where outcome_id = ?")
                                .param(lead)
                                .query(Timestamp.class)
                                .single()
                                .toInstant()
                                .isBefore(since));
    }

    @Override
    public Set<String> labelled(Criterion.Labelled labelled) {
        Set<String> found = leads(
                "select outcome_id from lead where labels @> array[cast(? as text)]", labelled.label(), lead -> true);
        jdbc
                .sql("select email from subscriber where array_position(labels, cast(? as text)) is not null")
                .param(labelled.label())
                .query(String.class)
                .list()
                .stream()
                .filter(people::containsKey)
                .forEach(contact -> found.add(people.get(contact)));
        return found;
    }

    private Set<String> leads(String sql, String value, Predicate<UUID> is) {
        Set<String> found = new HashSet<>();
        for (UUID lead : jdbc.sql(sql).param(value).query(UUID.class).list()) {
            if (is.test(lead)) {
                outcomes.stream().filter(one -> one.id().equals(lead)).forEach(one -> found.add(one.person()));
            }
        }
        return found;
    }

    @Override
    public Set<String> subscribed(Criterion.Subscribed subscribed) {
        Set<String> found = contacts(
                "select email from subscriber where cast(:link as uuid) is null or link_id = cast(:link as uuid)",
                subscribed.link());
        if (subscribed.list().isPresent()) {
            found.retainAll(contacts("""
                    select u.email from list_member m, subscriber u
                    where m.list_id = cast(:link as uuid) and m.left_at is null and u.id = m.subscriber_id
                    """, subscribed.list()));
        }
        return found;
    }

    @Override
    public Set<String> sent(Criterion.Sent sent) {
        String given =
                " from recipient where code is not null and (cast(:link as uuid) is null or link_id = cast(:link as uuid))";
        Set<String> found = contacts("select email" + given, sent.link());
        found.addAll(contacts("select phone" + given, sent.link()));
        return found;
    }

    private Set<String> contacts(String sql, Optional<UUID> link) {
        Set<String> found = new HashSet<>();
        jdbc.sql(sql).param("link", link.map(UUID::toString).orElse(null)).query(String.class).list().stream()
                .filter(people::containsKey)
                .forEach(contact -> found.add(people.get(contact)));
        return found;
    }

    @Override
    public Set<String> known(Criterion.Known known) {
        Map<String, Came> last = new HashMap<>();
        visits.forEach(one ->
                last.merge(one.person(), one, (before, next) -> next.at().isAfter(before.at()) ? next : before));
        Set<String> found = new HashSet<>();
        last.forEach((person, visit) -> {
            if (known.values().contains(known.trait() == Criterion.Trait.COUNTRY ? visit.country() : visit.device())) {
                found.add(person);
            }
        });
        return found;
    }

    @Override
    public Set<String> tapped(Criterion.Tapped tapped) {
        Set<String> found = new HashSet<>();
        visits.stream()
                .filter(one -> one.isPersonal()
                        && tapped.link().map(one.link()::equals).orElse(true))
                .filter(one -> in(one.at(), tapped.when()))
                .forEach(one -> found.add(one.person()));
        return found;
    }

    @Override
    public Set<String> leftForm(Criterion.LeftForm left) {
        Set<UUID> shown = new HashSet<>(jdbc.sql("select link_id from link_form where form_id = ?")
                .param(left.form())
                .query(UUID.class)
                .list());
        Map<String, Instant> last = new HashMap<>();
        visits.stream()
                .filter(one -> shown.contains(one.link()) && in(one.at(), left.when()))
                .forEach(one -> last.merge(one.person(), one.at(), (a, b) -> a.isAfter(b) ? a : b));
        Set<String> found = new HashSet<>(last.keySet());
        outcomes.stream()
                .filter(one -> one.form().equals(Optional.of(left.form())))
                .filter(one -> last.containsKey(one.person()) && !one.at().isBefore(last.get(one.person())))
                .forEach(one -> found.remove(one.person()));
        return found;
    }

    @Override
    public Set<String> in(Criterion.In in) {
        throw new UnsupportedOperationException("is checked by itself");
    }

    private boolean in(Instant at, When when) {
        LocalDate day = at.atZone(zone).toLocalDate();
        LocalDate today = now.atZone(zone).toLocalDate();
        boolean isAfter = when.lastDays() > 0
                ? day.isAfter(today.minusDays(when.lastDays()))
                : when.first().map(first -> !day.isBefore(first)).orElse(true);
        return isAfter && when.last().map(last -> !day.isAfter(last)).orElse(true);
    }
}
