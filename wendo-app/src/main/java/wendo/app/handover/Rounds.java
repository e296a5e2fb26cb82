package wendo.app.handover;

import java.sql.Date;
import java.time.DayOfWeek;
import java.time.LocalDate;
import java.util.Arrays;
import java.util.List;
import java.util.Optional;
import java.util.UUID;
import java.util.stream.Collectors;
import org.jspecify.annotations.Nullable;
import org.springframework.jdbc.core.simple.JdbcClient;
import org.springframework.stereotype.Service;
import org.springframework.transaction.annotation.Transactional;
import wendo.app.business.BusinessScope;
import wendo.core.handover.Turn;

/** Rounds: people who get leads in turn. */
@Service
class Rounds {
    private final JdbcClient jdbc;

    Rounds(JdbcClient jdbc) {
        this.jdbc = jdbc;
    }

    record Round(UUID id, String name, List<Turn> turns) {}

    @Transactional(readOnly = true)
    List<Round> list() {
        return jdbc.sql("select id, name from round order by name")
                .query((row, number) -> new Round(
                        row.getObject(1, UUID.class), row.getString(2), turns(row.getObject(1, UUID.class), "")))
                .list();
    }

    private List<Turn> turns(UUID round, String lock) {
        return jdbc.sql("""
                        select person_id, weight, given, days_off, away_from, away_until
                        from round_turn where round_id = ? order by place
                        """ + lock)
                .param(round)
                .query((row, number) -> new Turn(
                        row.getObject(1, UUID.class),
                        row.getInt(2),
                        row.getLong(3),
                        Arrays.stream((Integer[]) row.getArray(4).getArray())
                                .map(DayOfWeek::of)
                                .collect(Collectors.toSet()),
                        day(row.getDate(5)),
                        day(row.getDate(6))))
                .list();
    }

    private static Optional<LocalDate> day(@Nullable Date date) {
        return Optional.ofNullable(date).map(Date::toLocalDate);
    }

    /** Whose turn it is, who has had it then; of two who ask at once the second waits. */
    @Transactional
    Optional<UUID> next(UUID round, LocalDate today) {
        Optional<Turn> next = Turn.next(turns(round, " for update"), today);
        next.ifPresent(turn -> jdbc.sql("update round_turn set given = given + 1 where round_id = ? and person_id = ?")
                .params(round, turn.person())
                .update());
        return next.map(Turn::person);
    }

    @Transactional
    UUID add(String name) {
        UUID id = UUID.randomUUID();
        jdbc.sql("insert into round values (?, ?, ?)")
                .params(id, BusinessScope.current().value(), name)
                .update();
        return id;
    }

    /** Everybody begins anew with what they were given, so that nobody has to catch up. */
    @Transactional
    void keep(UUID round, List<Turn> turns) {
        jdbc.sql("delete from round_turn where round_id = ?").param(round).update();
        int place = 0;
        for (Turn turn : turns) {
            jdbc.sql("insert into round_turn values (?, ?, ?, ?, ?, ?, ?, ?, 0)")
                    .params(BusinessScope.current().value(), round, turn.person(), place++, turn.weight())
                    .param(turn.daysOff().stream().map(DayOfWeek::getValue).toArray(Integer[]::new))
                    .param(turn.awayFrom().orElse(null))
                    .param(turn.awayUntil().orElse(null))
                    .update();
        }
    }

    @Transactional(readOnly = true)
    boolean isTaken(String name) {
        return list().stream().anyMatch(round -> round.name().equalsIgnoreCase(name));
    }
}
