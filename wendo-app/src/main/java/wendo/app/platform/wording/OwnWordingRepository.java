package wendo.app.platform.wording;

import java.util.List;
import java.util.UUID;
import org.springframework.data.repository.Repository;

interface OwnWordingRepository extends Repository<OwnWording, UUID> {
    /** A business has one at most. */
    List<OwnWording> findAll();

    void save(OwnWording wording);
}
