package wendo.app.audience.audiences;

import java.util.ArrayList;
import java.util.List;
import java.util.Optional;
import java.util.UUID;
import org.springframework.stereotype.Service;
import org.springframework.transaction.annotation.Transactional;
import wendo.app.platform.consent.ConsentPurpose;

/** Audiences as other features know them: their names, and who of their people may be reached. */
@Service
public class AudiencePeople {
    private final Audiences audiences;
    private final AudienceQueries queries;

    AudiencePeople(Audiences audiences, AudienceQueries queries) {
        this.audiences = audiences;
        this.queries = queries;
    }

    /** Somebody who agreed to a purpose, with the contact they agreed with last. */
    public record Reachable(long person, String name, String contact) {}

    public record Named(UUID id, String name) {}

    @Transactional(readOnly = true)
    public Optional<Named> find(UUID audience) {
        return audiences.find(audience).map(one -> new Named(one.id(), one.name()));
    }

    /** How many agreed to it. */
    @Transactional(readOnly = true)
    public long countReachable(UUID audience, ConsentPurpose purpose) {
        AudienceQueries.Size size =
                queries.size(audiences.people(audiences.find(audience).orElseThrow()));
        return switch (purpose) {
            case EMAIL_NEWS -> size.byEmail();
            case TEXT_NEWS -> size.byText();
            case ADVERTISING -> size.byAds();
        };
    }

    @Transactional(readOnly = true)
    public List<Reachable> reachable(UUID audience, ConsentPurpose purpose) {
        List<Reachable> all = new ArrayList<>();
        queries.eachReachable(
                audiences.people(audiences.find(audience).orElseThrow()),
                purpose,
                rows -> rows.forEachRemaining(one -> all.add(new Reachable(one.person(), one.name(), one.contact()))));
        return all;
    }
}
