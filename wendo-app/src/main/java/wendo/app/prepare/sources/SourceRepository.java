package wendo.app.prepare.sources;

import java.util.List;
import java.util.Optional;
import java.util.UUID;
import org.jspecify.annotations.Nullable;
import org.springframework.data.jpa.repository.Modifying;
import org.springframework.data.jpa.repository.Query;
import org.springframework.data.repository.Repository;

interface SourceRepository extends Repository<Source, UUID> {
    List<Source> findAllByOrderByChannelAscNameAsc();

    Optional<Source> findByTag(String tag);

    Optional<Source> findById(UUID id);

    @Modifying(flushAutomatically = true, clearAutomatically = true)
    @Query("update versioned Source one set one.ownerId = :to where one.ownerId = :from")
    void handOver(UUID from, @Nullable UUID to);
}
