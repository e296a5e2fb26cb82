package wendo.app.money.spend;

import java.util.List;
import java.util.Optional;
import org.springframework.data.repository.Repository;

interface SpendNameRepository extends Repository<SpendName, String> {
    List<SpendName> findAll();

    Optional<SpendName> findById(String key);

    void save(SpendName name);
}
