package wendo.app.place.signposts;

import java.util.Optional;
import java.util.UUID;
import org.springframework.data.repository.Repository;

interface SignpostRepository extends Repository<StoredSignpost, UUID> {
    Optional<StoredSignpost> findById(UUID id);

    void save(StoredSignpost signpost);
}
