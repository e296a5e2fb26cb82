package wendo.app.visit.visits;

import static org.assertj.core.api.Assertions.assertThat;
import static org.mockito.ArgumentMatchers.anyList;
import static org.mockito.Mockito.mock;
import static org.mockito.Mockito.when;

import java.io.IOException;
import java.nio.file.Path;
import java.time.Instant;
import java.util.ArrayList;
import java.util.HashSet;
import java.util.List;
import java.util.Random;
import java.util.Set;
import java.util.SplittableRandom;
import java.util.UUID;
import java.util.concurrent.ConcurrentHashMap;
import java.util.concurrent.CountDownLatch;
import org.junit.jupiter.api.io.TempDir;
import org.junit.jupiter.params.ParameterizedTest;
import org.junit.jupiter.params.provider.ValueSource;
import wendo.app.platform.business.BusinessId;
import wendo.core.visits.ClickId;

/**
 * What this proves: a visit whose visitor was answered is forced to disk before, so it outlives a power cut, not only a
 * killed process ({@code CrashTest}), whose writes the operating system still has. The disk here forgets whatever was not
 * forced, by file and by folder; it stands in for a real one, whose own promises it takes for granted.
 */
class ForcedTest {
    private static final int VISITS = 400;

    @TempDir
    private Path folder = Path.of("");

    private final Set<UUID> answered = ConcurrentHashMap.newKeySet();
    private final List<LoggedVisit> carried = new ArrayList<>();

    private static LoggedVisit visit(int number) {
        UUID visitor = new UUID(4, number);
        return new LoggedVisit(
                ClickId.of(Instant.ofEpochMilli(1_000_000L + number), new SplittableRandom(number)),
                new BusinessId(new UUID(1, 1)),
                new UUID(2, 2),
                new UUID(3, 3),
                new UUID(5, 5),
                visitor,
                "",
                "GB",
                "phone",
                "",
                "agent " + "x".repeat(number % 700),
                "",
                "",
                "en",
                "");
    }

    @ParameterizedTest
    @ValueSource(longs = {1, 2, 3, 4, 5, 6, 7, 8, 9, 10, 11, 12, 13, 14, 15, 16, 17, 18, 19, 20})
    void a_visit_that_was_answered_outlives_a_power_cut(long seed) throws Exception {
        Random random = new Random(seed);
        ForgetfulDisk disk = new ForgetfulDisk(random);
        int answeredAtLeast = 1 + random.nextInt(VISITS / 2);
        CountDownLatch some = new CountDownLatch(answeredAtLeast);
        VisitLog log = new VisitLog(new VisitFiles(folder, disk));
        for (int i = 0; i < VISITS; i++) {
            LoggedVisit visit = visit(i);
            log.append(List.of(visit), isOnDisk -> {
                if (isOnDisk) {
                    answered.add(visit.visitor());
                    some.countDown();
                }
            });
        }
        some.await();
        Set<UUID> before = new HashSet<>(answered); // others may be answered while the power goes
        disk.crash();
        log.close();
        carryAll();
        assertThat(carried.stream().map(LoggedVisit::visitor)).containsAll(before);
        assertThat(before).hasSizeGreaterThanOrEqualTo(answeredAtLeast);
        assertThat(carried)
                .allSatisfy(one ->
                        assertThat(one).isEqualTo(visit((int) one.visitor().getLeastSignificantBits())));
    }

    private void carryAll() throws IOException {
        VisitStore store = mock(VisitStore.class);
        when(store.prepare(anyList())).thenAnswer(call -> {
            List<LoggedVisit> visits = call.getArgument(0);
            return (Runnable) () -> carried.addAll(visits);
        });
        try (VisitLog next = new VisitLog(folder)) {
            new VisitLogReader(next, store, folder).carryAll();
        }
    }
}
