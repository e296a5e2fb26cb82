package wendo.app.audience.audiences;

import java.time.Instant;
import java.util.List;
import java.util.Optional;
import java.util.UUID;
import org.springframework.data.jpa.repository.Modifying;
import org.springframework.data.jpa.repository.Query;
import org.springframework.data.repository.Repository;

interface AudienceRepository extends Repository<Audience, UUID> {
    Optional<Audience> findById(UUID id);

    @Query("select a from Audience a where a.archivedAt is null order by lower(a.name), a.id")
    List<Audience> standing();

    List<Audience> findByArchivedAtIsNotNullOrderByNameAscIdAsc();

    Audience save(Audience audience);

    void flush();

    /** Without a new version: nobody edited it. */
    @Modifying
    @Query("update Audience a set a.lookedAt = :now where a.id = :id")
    void looked(UUID id, Instant now);
}
