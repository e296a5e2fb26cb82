package wendo.app.visit.visits;

import org.springframework.boot.health.contributor.Health;
import org.springframework.boot.health.contributor.HealthIndicator;
import org.springframework.stereotype.Component;

/** Whether what links answer is kept; a part of readiness. */
@Component("visits")
class VisitHealth implements HealthIndicator {
    private final VisitPipeline road;

    VisitHealth(VisitPipeline road) {
        this.road = road;
    }

    @Override
    public Health health() {
        if (!road.isAlive()) {
            return Health.down()
                    .withDetail("visits", "are neither logged nor carried")
                    .build();
        }
        int late = road.late();
        return late > 0
                ? Health.down()
                        .withDetail("visits", late + " wait in memory, the disk does not take them")
                        .build()
                : Health.up().build();
    }
}
