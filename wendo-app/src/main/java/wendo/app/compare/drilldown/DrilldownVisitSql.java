package wendo.app.compare.drilldown;

import wendo.app.compare.sql.ClockColumn;
import wendo.app.compare.sql.CompareChoice;
import wendo.app.compare.sql.GroupSql;
import wendo.app.compare.sql.Grouping;
import wendo.app.compare.table.ComparedRow;

/** Statements of who came and when, newest first, by the group that they are asked for. */
final class DrilldownVisitSql {
    private static final String WITHIN = "v.arrived_at >= :from and v.arrived_at < :to and v.kind = 'person'";

    /** Names are looked up row by row (offset 0 keeps it so), for reading backwards ends when there are enough rows. */
    private static final String NAMED = """
            cross join lateral (select id, name, source_id from link where id = v.link_id offset 0) lk
            cross join lateral (select id, name from source where id = lk.source_id offset 0) s
            where %s""";

    private static final String LINKS =
            "v.link_id = any(array(select lk.id from link lk join source s on s.id = lk.source_id where %s = :key))";

    /**
     * Up to so many visits are looked up by their links and sorted. With more, reading all visits from the newest on
     * finds a page full sooner.
     */
    static final long FEW = 50_000;

    private static final String ARRIVED = """
            arrival_source a
            left join lateral (select * from source where id = a.stands_for offset 0) s on true
            where a.arrived_at >= :from and a.arrived_at < :to and a.kind = 'person' and %2$s""";

    private static final String VISITS = """
            select * from (
                (select v.arrived_at as at, s.name as source, lk.name as link, lk.id as link_id, v.country, v.device,
                    v.referrer, v.click_id as id
                from %s
                order by v.arrived_at desc, v.click_id limit :reach)
                union all
                (select a.arrived_at, coalesce(s.name, 'Direct'), '', null, '', a.device, a.referrer, a.id
                from %s
                order by a.arrived_at desc, a.id limit :reach)) found
            order by at desc, id limit :limit offset :offset
            """.formatted("%1$s", ARRIVED);

    /**
     * A row for each time that somebody is counted: their last visit in the period, whose earlier ones, and what became
     * of
     * them, are looked up for those that are shown. By whom they are of, whatever the planner believes (offset 0): of
     * visits that have just been filled in it may think that all of a period are fewer than one person's.
     */
    private static final String PEOPLE = """
            with found as (
                (select v.visitor, 'visitor' as known_by, v.arrived_at as last, v.click_id as id, s.name as source,
                    lk.source_id, v.link_id
                from @came and not exists (
                    select from (select * from visit where visitor = v.visitor offset 0) w join link wl on wl.id = w.link_id
                    where w.kind = 'person' and w.arrived_at >= v.arrived_at and w.arrived_at < :to
                        and (w.arrived_at > v.arrived_at or w.click_id < v.click_id) and coalesce(%3$s, false) offset 0)
                order by v.arrived_at desc, v.click_id limit :reach)
                union all
                (select a.visitor, 'browser', a.arrived_at, a.id, coalesce(s.name, 'Direct'), a.stands_for, null
                from @arrived and not exists (
                    select from (select * from arrival_source where visitor = a.visitor offset 0) b
                    where b.kind = 'person' and (b.origin = 'direct') = (a.origin = 'direct')
                        and (b.origin = 'direct' or b.stands_for is not null) and b.arrived_at >= a.arrived_at and b.arrived_at < :to
                        and (b.arrived_at > a.arrived_at or b.id < a.id) and coalesce(%4$s, false) offset 0)
                order by a.arrived_at desc, a.id limit :reach)),
            shown as (select * from found order by last desc, id limit :limit offset :offset)
            select came.first, p.last, came.visits, p.source, p.known_by = 'browser', o.id, o.kind,
                coalesce(r.name, '')
            from shown p
            cross join lateral (
                select min(at) as first, count(*) as visits from (
                    select w.arrived_at as at
                    from (select * from visit where visitor = p.visitor offset 0) w join link wl on wl.id = w.link_id
                    where p.known_by = 'visitor' and w.kind = 'person'
                        and w.arrived_at >= :from and w.arrived_at <= p.last and %5$s
                    union all
                    select b.arrived_at from (select * from arrival_source where visitor = p.visitor offset 0) b
                    where p.known_by = 'browser' and b.kind = 'person'
                        and (b.origin = 'direct') = (p.source_id is null)
                        and (b.origin = 'direct' or b.stands_for is not null)
                        and b.arrived_at >= :from and b.arrived_at <= p.last and %6$s) all_of_them) came
            left join lateral (
                select o.id, o.kind
                from (select person from identity where kind = p.known_by and key = p.visitor::text offset 0) i
                cross join lateral (select id from identity where person = i.person offset 0) same
                cross join lateral (select outcome_id from trail where identity_id = same.id offset 0) t
                join outcome o on o.id = t.outcome_id
                where o.counts and not o.is_proof order by o.occurred_at desc limit 1) o on true
            left join lateral (
                select coalesce(nullif(t.name, ''), nullif(t.phone, ''), t.email) as name
                from (select recipient_id, arrived_at from visit where visitor = p.visitor and arrived_at <= p.last offset 0) w
                cross join lateral (select name, phone, email from recipient where id = w.recipient_id offset 0) t
                where p.known_by = 'visitor' order by w.arrived_at desc limit 1) r on true
            order by p.last desc, p.id
            """.replace("@came", "%1$s").replace("@arrived", ARRIVED);

    private DrilldownVisitSql() {}

    /** The condition under which two visits count as one person: SQL over the later visit and the shown one. */
    private record Same(String visit, String arrival, String shownVisit, String shownArrival) {
        static Same in(Grouping grouping) {
            if (grouping == Grouping.MONTH) {
                return new Same(
                        month("w.arrived_at", "v.arrived_at"),
                        month("b.arrived_at", "a.arrived_at"),
                        month("w.arrived_at", "p.last"),
                        month("b.arrived_at", "p.last"));
            }
            return grouping.isOfSources()
                    ? new Same(
                            "wl.source_id = lk.source_id",
                            "b.stands_for is not distinct from a.stands_for",
                            "wl.source_id = p.source_id",
                            "b.stands_for is not distinct from p.source_id")
                    : new Same("w.link_id = v.link_id", "true", "w.link_id = p.link_id", "true");
        }

        private static String month(String one, String other) {
            String month = "date_trunc('month', %s at time zone :zone)";
            return month.formatted(one) + " = " + month.formatted(other);
        }
    }

    static String visits(ComparedRow row, CompareChoice choice) {
        GroupSql group = GroupSql.of(choice.grouping(), ClockColumn.of(choice.clock()));
        return VISITS.formatted(
                came(row, choice.grouping(), group), arrived(row, choice.grouping(), group.arrivalKey()));
    }

    static String people(ComparedRow row, CompareChoice choice) {
        GroupSql group = GroupSql.of(choice.grouping(), ClockColumn.of(choice.clock()));
        Same same = Same.in(choice.grouping());
        return PEOPLE.formatted(
                came(row, choice.grouping(), group),
                arrived(row, choice.grouping(), group.arrivalKey()),
                same.visit(),
                same.arrival(),
                same.shownVisit(),
                same.shownArrival());
    }

    /** The from and where clauses for visits by links. */
    private static String came(ComparedRow row, Grouping grouping, GroupSql group) {
        boolean isOfLinks = grouping.isOfSources() || grouping.isOfLinks();
        if (!isOfLinks || row.key().equals(ComparedRow.TOTAL)) {
            return "visit v " + NAMED.formatted(WITHIN + " and " + only(row, grouping, group.seenKey()));
        }
        String links = LINKS.formatted(group.seenKey());
        return row.visits() > FEW
                ? "visit v " + NAMED.formatted(WITHIN + " and coalesce(" + links + ", false)")
                : "(select * from visit v where %s and %s order by v.arrived_at desc, v.click_id offset 0) v "
                                .formatted(WITHIN, links)
                        + NAMED.formatted("true");
    }

    /** Direct arrivals belong to the row without a source, and to the total. */
    private static String arrived(ComparedRow row, Grouping grouping, String groupKey) {
        if (row.isUnknown()) {
            return "a.origin = 'direct'";
        }
        boolean isAll = row.key().equals(ComparedRow.TOTAL) || grouping == Grouping.MONTH;
        return isAll
                ? "(a.origin = 'direct' or a.stands_for is not null)"
                : "a.origin <> 'direct' and a.stands_for is not null and " + only(row, grouping, groupKey);
    }

    private static String only(ComparedRow row, Grouping grouping, String groupKey) {
        return row.key().equals(ComparedRow.TOTAL) || grouping == Grouping.MONTH ? "true" : groupKey + " = :key";
    }
}
