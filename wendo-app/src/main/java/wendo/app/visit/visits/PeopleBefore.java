package wendo.app.visit.visits;

import java.util.Arrays;
import java.util.stream.Collectors;

/**
 * The SQL for sums of people that are made anew when some of what they were made from is forgotten: who came in the days
 * that are kept, and before in one that is forgotten, is known by the sums alone, and is not to count as new.
 *
 * @param table of people by day and the day before
 * @param keys of its rows, but for the day before
 */
public record PeopleBefore(String table, String... keys) {
    /** Takes out what is made anew from {@code :first} on; the people known from before are left. */
    public String drop() {
        return "delete from %s where day >= :first and not (day_before < :first and day_before > '-infinity')"
                .formatted(table);
    }

    /**
     * When people have been counted anew, as if none had come before {@code :first}: as many of them as had are those that
     * were known from before, the last known first if they are more than came.
     *
     * @param only a condition on the rows, as {@code r}
     */
    public String restore(String only) {
        return """
                with before as materialized (
                    select %2$s, r.day_before, least(r.people, greatest(0,
                        coalesce(f.people, 0) - (sum(r.people) over later - r.people))) as people
                    from %1$s r left join %1$s f on %3$s and f.day_before = '-infinity'
                    where r.day >= :first and r.day_before < :first and r.day_before > '-infinity' and %5$s
                    window later as (partition by %2$s order by r.day_before desc)),
                known as (
                    update %1$s r set people = b.people from before b where %4$s and r.day_before = b.day_before)
                update %1$s f set people = f.people - r.people
                from (select %2$s, sum(people) as people from before r group by %2$s) r
                where %3$s and f.day_before = '-infinity'
                """.formatted(
                table, each("r.%s", ", "), each("f.%1$s = r.%1$s", " and "), each("r.%1$s = b.%1$s", " and "), only);
    }

    private String each(String one, String between) {
        return Arrays.stream(keys).map(one::formatted).collect(Collectors.joining(between));
    }
}
