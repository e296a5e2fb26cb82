package wendo.app.lead.handover;

import jakarta.persistence.Entity;
import java.time.DayOfWeek;
import java.time.LocalDate;
import java.util.Arrays;
import java.util.Optional;
import java.util.UUID;
import java.util.stream.Collectors;
import org.jspecify.annotations.Nullable;
import wendo.app.platform.business.BusinessEntity;
import wendo.core.handover.Turn;

/** One person's part of a round. */
@Entity
@SuppressWarnings("UnusedVariable") // the database reads its place
class RoundTurn extends BusinessEntity {
    private UUID personId;
    private int place;
    private int weight;
    private Integer[] daysOff = {};
    private @Nullable LocalDate awayFrom;
    private @Nullable LocalDate awayUntil;
    private long given;

    @SuppressWarnings("NullAway.Init")
    protected RoundTurn() {}

    RoundTurn(UUID person) {
        super(UUID.randomUUID());
        this.personId = person;
    }

    boolean isOf(Turn turn) {
        return isOf(turn.person());
    }

    boolean isOf(UUID person) {
        return person.equals(personId);
    }

    void pass(UUID successor) {
        this.personId = successor;
    }

    void begin(int newPlace, Turn turn) {
        this.place = newPlace;
        this.weight = turn.weight();
        this.daysOff = turn.daysOff().stream().map(DayOfWeek::getValue).sorted().toArray(Integer[]::new);
        this.awayFrom = turn.awayFrom().orElse(null);
        this.awayUntil = turn.awayUntil().orElse(null);
        this.given = 0;
    }

    void give() {
        this.given++;
    }

    Turn turn() {
        return new Turn(
                personId,
                weight,
                given,
                Arrays.stream(daysOff).map(DayOfWeek::of).collect(Collectors.toSet()),
                Optional.ofNullable(awayFrom),
                Optional.ofNullable(awayUntil));
    }
}
