package wendo.app.desk.today;

import java.time.LocalDate;
import java.util.Map;
import java.util.stream.Collectors;
import org.springframework.stereotype.Component;
import org.springframework.transaction.annotation.Transactional;

/** What was put off until a day. */
@Component
class SnoozedTasks {
    static final int MAX_KEY = 120;

    private final SnoozedTaskRepository repository;

    SnoozedTasks(SnoozedTaskRepository repository) {
        this.repository = repository;
    }

    /** By key, those whose day has not come. */
    @Transactional(readOnly = true)
    Map<String, LocalDate> after(LocalDate today) {
        return repository.findByUntilDayAfter(today).stream()
                .collect(Collectors.toMap(SnoozedTask::key, SnoozedTask::untilDay));
    }

    @Transactional
    void putOff(String key, LocalDate until, String by) {
        SnoozedTask task = repository.findById(key).orElseGet(() -> new SnoozedTask(key));
        task.putOff(until, by);
        repository.save(task);
    }

    @Transactional
    void bringBack(String key) {
        repository.deleteById(key);
    }
}
