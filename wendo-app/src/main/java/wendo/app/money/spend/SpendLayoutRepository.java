package wendo.app.money.spend;

import java.util.Optional;
import org.springframework.data.repository.Repository;

interface SpendLayoutRepository extends Repository<StoredLayout, String> {
    Optional<StoredLayout> findById(String heading);

    void save(StoredLayout layout);
}
