package wendo.app.lead.handover;

import jakarta.persistence.CascadeType;
import jakarta.persistence.Entity;
import jakarta.persistence.JoinColumn;
import jakarta.persistence.OneToMany;
import jakarta.persistence.OrderBy;
import java.time.LocalDate;
import java.util.ArrayList;
import java.util.List;
import java.util.Optional;
import java.util.UUID;
import wendo.app.platform.business.BusinessEntity;
import wendo.core.handover.Turn;

/** People who get leads in turn. */
@Entity
class Round extends BusinessEntity {
    private String name;

    @OneToMany(cascade = CascadeType.ALL, orphanRemoval = true)
    @JoinColumn(name = "round_id", nullable = false, updatable = false)
    @OrderBy("place")
    private List<RoundTurn> turns = new ArrayList<>();

    @SuppressWarnings("NullAway.Init")
    protected Round() {}

    Round(String name) {
        super(UUID.randomUUID());
        this.name = name;
    }

    /** Everybody begins anew with what they were given, so that nobody has to catch up. */
    void become(List<Turn> newTurns) {
        turns.removeIf(turn -> newTurns.stream().noneMatch(turn::isOf));
        int place = 0;
        for (Turn turn : newTurns) {
            RoundTurn row =
                    turns.stream().filter(one -> one.isOf(turn)).findFirst().orElseGet(() -> add(turn));
            row.begin(place++, turn);
        }
    }

    /** Somebody else takes their turns, unless they have turns of their own. */
    void pass(UUID person, Optional<UUID> successor) {
        Optional<RoundTurn> theirs =
                turns.stream().filter(one -> one.isOf(person)).findFirst();
        Optional<UUID> next = successor.filter(to -> turns.stream().noneMatch(one -> one.isOf(to)));
        theirs.ifPresent(turn -> next.ifPresentOrElse(turn::pass, () -> turns.remove(turn)));
    }

    private RoundTurn add(Turn turn) {
        RoundTurn row = new RoundTurn(turn.person());
        turns.add(row);
        return row;
    }

    /** Whose turn it is; from then on they have had it. */
    Optional<UUID> next(LocalDate today) {
        Optional<Turn> next = Turn.next(turns.stream().map(RoundTurn::turn).toList(), today);
        next.ifPresent(turn -> turns.stream().filter(row -> row.isOf(turn)).forEach(RoundTurn::give));
        return next.map(Turn::person);
    }

    Rounds.Listed listed() {
        return new Rounds.Listed(
                id(), version(), name, turns.stream().map(RoundTurn::turn).toList());
    }
}
