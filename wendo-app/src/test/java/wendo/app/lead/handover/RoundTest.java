package wendo.app.lead.handover;

import static org.assertj.core.api.Assertions.assertThat;

import java.time.DayOfWeek;
import java.time.LocalDate;
import java.util.List;
import java.util.Map;
import java.util.Optional;
import java.util.Set;
import java.util.UUID;
import java.util.concurrent.Callable;
import java.util.concurrent.ExecutorService;
import java.util.concurrent.Executors;
import java.util.concurrent.Future;
import org.junit.jupiter.api.Test;
import org.springframework.beans.factory.annotation.Autowired;
import wendo.app.WendoTest;
import wendo.app.platform.accounts.Accounts;
import wendo.app.platform.accounts.Colleague;
import wendo.app.platform.accounts.Role;
import wendo.app.platform.business.EditedVersion;
import wendo.core.handover.Turn;

class RoundTest extends WendoTest {
    private static final UUID NOBODY = new UUID(0, 0);

    @Autowired
    private Rounds rounds;

    @Autowired
    private Handovers handovers;

    @Autowired
    private Accounts accounts;

    private static Turn turn(Colleague person, int weight, Optional<LocalDate> until) {
        return new Turn(person.id(), weight, 0, Set.of(DayOfWeek.SUNDAY), Optional.empty(), until);
    }

    @Test
    void of_many_leads_at_once_each_person_gets_their_share() throws Exception {
        Tenant tenant = tenant("Oyster Outings");
        UUID round = in(tenant, () -> {
            accounts.join(
                    accounts.register("b@" + tenant.host().replace(".localhost", "") + ".example", "Bo", PASSWORD),
                    Role.STAFF);
            UUID id = rounds.add("All");
            List<Colleague> people = accounts.colleagues();
            rounds.change(
                    id,
                    EditedVersion.any(),
                    List.of(turn(people.get(0), 3, Optional.empty()), turn(people.get(1), 1, Optional.empty())));
            return id;
        });
        ExecutorService threads = Executors.newFixedThreadPool(8);
        try {
            Callable<Boolean> one = () -> in(
                    tenant, () -> rounds.next(round, LocalDate.of(2026, 5, 4)).isPresent());
            for (Future<Boolean> done : threads.invokeAll(java.util.Collections.nCopies(40, one))) {
                assertThat(done.get()).isTrue();
            }
        } finally {
            threads.shutdownNow();
        }
        assertThat(in(
                        tenant,
                        () -> rounds.list().get(0).turns().stream()
                                .map(Turn::given)
                                .toList()))
                .containsExactly(30L, 10L);
    }

    @Test
    void what_is_kept_of_a_round_comes_back_as_it_was() {
        Tenant tenant = tenant("Oyster Outings");
        in(tenant, () -> {
            UUID id = rounds.add("All");
            List<Turn> turns = List.of(turn(accounts.colleagues().get(0), 2, Optional.of(LocalDate.of(2026, 5, 10))));
            rounds.change(id, EditedVersion.any(), turns);
            assertThat(rounds.list().get(0).turns()).isEqualTo(turns);
            return true;
        });
    }

    @Test
    void the_narrowest_handover_is_found_whatever_else_is_set() {
        Tenant tenant = tenant("Oyster Outings");
        Map<Reach, UUID> ids = Map.of(
                Reach.BUSINESS, tenant.id().value(),
                Reach.CAMPAIGN, UUID.randomUUID(),
                Reach.SOURCE, UUID.randomUUID(),
                Reach.LINK, UUID.randomUUID());
        in(tenant, () -> {
            assertThat(find(ids)).isEqualTo(Handover.usual());
            for (Reach reach : Reach.values()) { // from the widest to the narrowest
                Handover kept = new Handover(
                        "none",
                        Optional.empty(),
                        Optional.empty(),
                        "",
                        List.of(reach.key()),
                        "",
                        false,
                        Optional.empty());
                handovers.save(reach, ids.getOrDefault(reach, NOBODY), EditedVersion.any(), kept);
                assertThat(find(ids)).isEqualTo(kept);
            }
            handovers.remove(Reach.LINK, ids.getOrDefault(Reach.LINK, NOBODY));
            assertThat(find(ids).labels()).containsExactly("source");
            assertThat(handovers
                            .of(Optional.empty(), Optional.empty(), Optional.empty())
                            .labels())
                    .as("a lead without a link")
                    .containsExactly("business");
            return true;
        });
    }

    private Handover find(Map<Reach, UUID> ids) {
        return handovers.of(
                Optional.ofNullable(ids.get(Reach.LINK)),
                Optional.ofNullable(ids.get(Reach.SOURCE)),
                Optional.ofNullable(ids.get(Reach.CAMPAIGN)));
    }
}
