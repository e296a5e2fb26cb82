package wendo.app.prepare.sources;

import java.util.List;
import java.util.UUID;
import org.springframework.data.repository.Repository;

interface SourceMergeRepository extends Repository<SourceMerge, UUID> {
    List<SourceMerge> findByKeptIdOrderByMergedAtDesc(UUID kept);
}
