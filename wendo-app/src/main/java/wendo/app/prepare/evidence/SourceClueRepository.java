package wendo.app.prepare.evidence;

import java.util.List;
import java.util.Optional;
import java.util.UUID;
import org.springframework.data.repository.Repository;

interface SourceClueRepository extends Repository<SourceClue, SourceClue.Key> {
    Optional<SourceClue> findById(SourceClue.Key key);

    List<SourceClue> findBySourceId(UUID source);

    void save(SourceClue clue);

    void delete(SourceClue clue);
}
