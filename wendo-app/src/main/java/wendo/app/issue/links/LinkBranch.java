package wendo.app.issue.links;

import jakarta.persistence.Entity;
import java.time.LocalDate;
import java.time.LocalTime;
import java.util.Optional;
import java.util.Set;
import java.util.UUID;
import org.jspecify.annotations.Nullable;
import wendo.app.platform.business.BusinessEntity;
import wendo.core.links.Conditions;
import wendo.core.links.Way;

/** A rule of a link, or a share of its split, at its place. */
@Entity
@SuppressWarnings("UnusedVariable") // written for the database, not read in Java
class LinkBranch extends BusinessEntity {
    private UUID linkId;
    private int place;
    private int share;
    private @Nullable LocalDate firstDay;
    private @Nullable LocalDate lastDay;
    private String[] weekdays = {};
    private @Nullable LocalTime fromTime;
    private @Nullable LocalTime untilTime;
    private String[] countries = {};
    private String[] devices = {};
    private String[] languages = {};
    private UUID destinationId;
    private String taggedAddress;

    @SuppressWarnings("NullAway.Init")
    protected LinkBranch() {}

    @SuppressWarnings("NullAway.Init")
    LinkBranch(UUID link, int place) {
        super(UUID.randomUUID());
        this.linkId = link;
        this.place = place;
    }

    /** @param percent of people, or 0 for a rule */
    void become(int percent, Optional<Conditions> when, Way way) {
        this.share = percent;
        this.firstDay = when.flatMap(Conditions::firstDay).orElse(null);
        this.lastDay = when.flatMap(Conditions::lastDay).orElse(null);
        this.weekdays = texts(when.map(Conditions::weekdays).orElse(Set.of()));
        this.fromTime =
                when.flatMap(Conditions::hours).map(Conditions.Hours::from).orElse(null);
        this.untilTime =
                when.flatMap(Conditions::hours).map(Conditions.Hours::until).orElse(null);
        this.countries = texts(when.map(Conditions::countries).orElse(Set.of()));
        this.devices = texts(when.map(Conditions::devices).orElse(Set.of()));
        this.languages = texts(when.map(Conditions::languages).orElse(Set.of()));
        this.destinationId = way.destination();
        this.taggedAddress = way.address();
    }

    private static String[] texts(Set<?> values) {
        return values.stream()
                .map(value -> value instanceof Enum<?> one ? one.name() : value.toString())
                .sorted()
                .toArray(String[]::new);
    }

    UUID link() {
        return linkId;
    }

    /** The page that it leads to has moved. */
    void leadTo(String address) {
        this.taggedAddress = address;
    }
}
