package wendo.app.compare.crosscheck;

import java.util.List;
import java.util.UUID;
import org.springframework.data.repository.Repository;

interface CountNoteRepository extends Repository<CountNote, UUID> {
    CountNote save(CountNote note);

    List<CountNote> findTop100ByCheckIdOrderByWrittenAtDescIdAsc(UUID check);

    long countByCheckIdAndFromThemTrue(UUID check);
}
