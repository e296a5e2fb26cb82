package wendo.app.platform.privacy;

import java.util.List;
import java.util.UUID;
import org.springframework.data.domain.Limit;
import org.springframework.data.repository.Repository;

interface ErasureRepository extends Repository<Erasure, UUID> {
    void save(Erasure erasure);

    List<Erasure> findAllByOrderByAtDesc(Limit most);
}
