package wendo.app.desk.today;

import java.time.LocalDate;
import java.util.List;
import java.util.Optional;
import org.springframework.data.repository.Repository;

interface SnoozedTaskRepository extends Repository<SnoozedTask, String> {
    List<SnoozedTask> findByUntilDayAfter(LocalDate today);

    Optional<SnoozedTask> findById(String key);

    void save(SnoozedTask task);

    void deleteById(String key);
}
