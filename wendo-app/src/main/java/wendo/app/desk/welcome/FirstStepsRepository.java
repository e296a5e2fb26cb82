package wendo.app.desk.welcome;

import java.util.UUID;
import org.springframework.data.repository.Repository;

interface FirstStepsRepository extends Repository<StoredFirstSteps, UUID> {
    long count();

    void save(StoredFirstSteps dismissed);
}
