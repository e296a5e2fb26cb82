package wendo.app.visits;

import static org.assertj.core.api.Assertions.assertThat;
import static org.mockito.ArgumentMatchers.any;
import static org.mockito.ArgumentMatchers.anyList;
import static org.mockito.ArgumentMatchers.anyLong;
import static org.mockito.Mockito.doAnswer;
import static org.mockito.Mockito.doReturn;
import static org.mockito.Mockito.doThrow;
import static org.mockito.Mockito.mock;
import static org.mockito.Mockito.spy;

import java.io.IOException;
import java.nio.ByteBuffer;
import java.nio.channels.FileChannel;
import java.nio.file.Files;
import java.nio.file.Path;
import java.nio.file.StandardOpenOption;
import java.time.Instant;
import java.util.ArrayList;
import java.util.List;
import java.util.SplittableRandom;
import java.util.UUID;
import java.util.concurrent.CompletableFuture;
import org.junit.jupiter.api.BeforeEach;
import org.junit.jupiter.api.Test;
import org.junit.jupiter.api.io.TempDir;
import org.springframework.dao.DataAccessResourceFailureException;
import wendo.app.business.BusinessId;
import wendo.core.visits.ClickId;

class VisitLogTest {
    @TempDir
    private Path folder = Path.of("");

    private final List<LoggedVisit> carried = new ArrayList<>();
    private final VisitStore store = mock(VisitStore.class);

    @BeforeEach
    void keep_what_is_stored() {
        doAnswer(call -> carried.addAll(call.getArgument(0))).when(store).store(anyList());
    }

    private static LoggedVisit visit(int number) {
        ClickId click = ClickId.of(Instant.ofEpochMilli(1_000_000L + number), new SplittableRandom(number));
        return new LoggedVisit(
                click,
                new BusinessId(new UUID(1, 1)),
                new UUID(2, 2),
                new UUID(3, 3),
                new UUID(5, 5),
                new UUID(4, number),
                "",
                "GB",
                "phone",
                "",
                "agent\t" + number,
                "",
                "https://ü.example/\n",
                "en",
                "");
    }

    private static boolean append(VisitLog log, LoggedVisit visit) {
        CompletableFuture<Boolean> isOnDisk = new CompletableFuture<>();
        log.append(visit, isOnDisk::complete);
        return isOnDisk.join();
    }

    private void append(VisitLog log, int from, int to) {
        for (int i = from; i < to; i++) {
            assertThat(append(log, visit(i))).isTrue();
        }
    }

    @Test
    void a_line_is_read_as_it_was_written_and_a_damaged_one_is_not() {
        String line = new String(visit(7).line(), java.nio.charset.StandardCharsets.UTF_8).replaceAll("\n$", "");
        assertThat(LoggedVisit.find(line)).hasValue(visit(7));
        assertThat(visit(7).userAgent()).isEqualTo("agent 7");
        for (int cut = 0; cut < line.length(); cut++) {
            assertThat(LoggedVisit.find(line.substring(0, cut))).isEmpty();
        }
        assertThat(LoggedVisit.find(line.replace("agent", "Agent"))).isEmpty();
    }

    @Test
    void everything_is_carried_once_in_order_across_restarts() throws Exception {
        try (VisitLog log = new VisitLog(folder)) {
            append(log, 0, 5);
            new VisitCarrier(log, store, folder).carryAll();
            append(log, 5, 8);
        }
        try (VisitLog log = new VisitLog(folder)) {
            append(log, 8, 9);
            VisitCarrier carrier = new VisitCarrier(log, store, folder);
            carrier.carryAll();
            carrier.carryAll();
            assertThat(log.numbers()).as("what was carried whole is deleted").containsExactly(log.currentNumber());
        }
        assertThat(carried)
                .extracting(visit -> visit.visitor().getLeastSignificantBits())
                .containsExactly(0L, 1L, 2L, 3L, 4L, 5L, 6L, 7L, 8L);
    }

    @Test
    void half_a_line_that_a_failing_disk_left_does_not_damage_the_next() throws Exception {
        VisitFiles files = spy(VisitFiles.of(folder));
        FileChannel failing = mock(FileChannel.class);
        doAnswer(call -> {
                    ByteBuffer line = call.getArgument(0);
                    byte[] half = new byte[line.limit() / 2];
                    line.get(half);
                    Files.write(files.path(1), half);
                    throw new IOException("no space left on device");
                })
                .when(failing)
                .write(any(ByteBuffer.class));
        doReturn(failing).doCallRealMethod().when(files).append(anyLong());
        try (VisitLog log = new VisitLog(files)) {
            assertThat(append(log, visit(0))).as("answered, but not on disk").isFalse();
            append(log, 1, 3);
            new VisitCarrier(log, store, folder).carryAll();
        }
        assertThat(carried).containsExactly(visit(1), visit(2));
    }

    @Test
    void while_the_database_is_away_visits_wait() throws Exception {
        try (VisitLog log = new VisitLog(folder)) {
            VisitCarrier carrier = new VisitCarrier(log, store, folder);
            append(log, 0, 3);
            doThrow(new DataAccessResourceFailureException("away")).when(store).store(anyList());
            carrier.carryAll();
            assertThat(carried).isEmpty();
            keep_what_is_stored();
            carrier.carryAll();
            assertThat(carried).hasSize(3);
        }
    }

    @Test
    void a_line_that_a_crash_cut_off_is_left_out_and_the_rest_is_kept() throws Exception {
        try (VisitLog log = new VisitLog(folder)) {
            append(log, 0, 2);
            Files.writeString(log.path(log.currentNumber()), "1234abcd\tcut off", StandardOpenOption.APPEND);
        }
        try (VisitLog log = new VisitLog(folder)) {
            append(log, 2, 3);
            new VisitCarrier(log, store, folder).carryAll();
        }
        assertThat(carried).hasSize(3);
    }

    @Test
    void after_closing_nothing_is_promised() throws Exception {
        VisitLog log = new VisitLog(folder);
        log.close();
        assertThat(append(log, visit(1))).isFalse();
    }
}
