package wendo.app.prepare.sources;

import java.util.List;
import java.util.Optional;
import java.util.UUID;
import org.springframework.data.repository.Repository;

interface SourceRepository extends Repository<Source, UUID> {
    List<Source> findAllByOrderByChannelAscNameAsc();

    Optional<Source> findByTag(String tag);

    Optional<Source> findById(UUID id);
}
