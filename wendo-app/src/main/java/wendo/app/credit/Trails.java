package wendo.app.credit;

import java.util.List;
import java.util.Optional;
import java.util.UUID;
import org.springframework.stereotype.Service;
import org.springframework.transaction.annotation.Transactional;
import wendo.app.platform.site.Texts;
import wendo.core.credit.ModelName;

/** A person's trail, and who is one person. What is changed is credited anew before it is shown. */
@Service
class Trails {
    private final TrailQueries queries;
    private final Identities identities;
    private final PersonJoins joins;
    private final PersonPartings partings;
    private final CreditEditions editions;
    private final Crediting crediting;

    Trails(
            TrailQueries queries,
            Identities identities,
            PersonJoins joins,
            PersonPartings partings,
            CreditEditions editions,
            Crediting crediting) {
        this.queries = queries;
        this.identities = identities;
        this.joins = joins;
        this.partings = partings;
        this.editions = editions;
        this.crediting = crediting;
    }

    /**
     * What is known of a person.
     *
     * @param identities what they are recognised by; none if nothing came with the outcome
     * @param joins why all this is one person, also what was undone
     */
    record Found(TrailQueries.Did outcome, TrailView view, List<Identity> identities, List<Identities.Join> joins) {

        /** The address or number they go by. */
        public Optional<String> contact() {
            return identities.stream()
                    .filter(Identity::isContact)
                    .map(Identity::key)
                    .findFirst();
        }
    }

    @Transactional(readOnly = true)
    Optional<Found> find(UUID outcome, ModelName model) {
        return queries.did(List.of(outcome)).stream().findFirst().map(did -> {
            Optional<UUID> person = identities.of(outcome).map(Identity::person);
            List<UUID> outcomes = person.map(identities::outcomesOf).orElse(List.of(outcome));
            return new Found(
                    did,
                    TrailView.of(
                            person.map(queries::came).orElse(List.of()),
                            queries.did(outcomes),
                            queries.shares(outcomes, model)),
                    person.map(identities::ofPerson).orElse(List.of()),
                    person.map(identities::joins).orElse(List.of()));
        });
    }

    /** Why they cannot be one person; empty text if they are one now. */
    @Transactional
    String merge(UUID outcome, String other, String by) {
        editions.lock();
        Optional<UUID> found = queries.find(other);
        if (found.isEmpty()) {
            return Texts.of("credit.no-outcome-has-this-reference");
        }
        if (identities.of(outcome).isEmpty() || identities.of(found.get()).isEmpty()) {
            return Texts.of("credit.one-of-the-two-has");
        }
        List<UUID> affected = joins.merge(outcome, found.get(), by);
        if (affected.isEmpty()) {
            return Texts.of("credit.they-are-one-person-already");
        }
        crediting.creditAgain(affected);
        return "";
    }

    @Transactional
    List<UUID> part(UUID one, UUID other, String by) {
        editions.lock();
        List<UUID> affected = partings.part(one, other, by);
        crediting.creditAgain(affected);
        return affected;
    }

    @Transactional
    List<UUID> joinAgain(UUID one, UUID other, String by) {
        editions.lock();
        List<UUID> affected = joins.joinAgain(one, other, by);
        crediting.creditAgain(affected);
        return affected;
    }
}
