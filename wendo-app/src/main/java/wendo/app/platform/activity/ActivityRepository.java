package wendo.app.platform.activity;

import java.util.UUID;
import org.springframework.data.repository.Repository;

interface ActivityRepository extends Repository<Activity, UUID> {
    void save(Activity activity);
}
