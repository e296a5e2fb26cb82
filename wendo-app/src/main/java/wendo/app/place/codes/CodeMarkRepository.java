package wendo.app.place.codes;

import java.util.Optional;
import java.util.UUID;
import org.springframework.data.repository.Repository;

interface CodeMarkRepository extends Repository<CodeMark, UUID> {
    /** A business has one at most. */
    Optional<CodeMark> findFirstBy();

    long count();

    void save(CodeMark mark);

    void deleteAll();
}
