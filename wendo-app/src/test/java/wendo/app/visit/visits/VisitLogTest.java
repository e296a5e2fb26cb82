package wendo.app.visit.visits;

import static org.assertj.core.api.Assertions.assertThat;
import static org.assertj.core.api.Assertions.assertThatThrownBy;
import static org.mockito.ArgumentMatchers.any;
import static org.mockito.ArgumentMatchers.anyBoolean;
import static org.mockito.ArgumentMatchers.anyList;
import static org.mockito.ArgumentMatchers.anyLong;
import static org.mockito.Mockito.doAnswer;
import static org.mockito.Mockito.doReturn;
import static org.mockito.Mockito.doThrow;
import static org.mockito.Mockito.mock;
import static org.mockito.Mockito.spy;
import static org.mockito.Mockito.when;

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
import java.util.concurrent.atomic.AtomicBoolean;
import java.util.stream.IntStream;
import org.junit.jupiter.api.BeforeEach;
import org.junit.jupiter.api.Test;
import org.junit.jupiter.api.io.TempDir;
import org.springframework.dao.DataAccessResourceFailureException;
import wendo.app.WendoTest;
import wendo.app.platform.business.BusinessId;
import wendo.core.visits.ClickId;

class VisitLogTest {
    @TempDir
    private Path folder = Path.of("");

    private final List<LoggedVisit> carried = new ArrayList<>();
    private final VisitStore store = mock(VisitStore.class);

    @BeforeEach
    void keep_what_is_stored() {
        when(store.prepare(anyList())).thenAnswer(call -> {
            List<LoggedVisit> visits = call.getArgument(0);
            return (Runnable) () -> carried.addAll(visits);
        });
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
        log.append(List.of(visit), isOnDisk::complete);
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
            new VisitLogReader(log, store, folder).carryAll();
            append(log, 5, 8);
        }
        try (VisitLog log = new VisitLog(folder)) {
            append(log, 8, 9);
            VisitLogReader carrier = new VisitLogReader(log, store, folder);
            carrier.carryAll();
            carrier.carryAll();
            assertThat(log.numbers())
                    .as("what was carried whole is deleted")
                    .containsExactly(log.current().number());
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
                .write(any(ByteBuffer.class), anyLong());
        doReturn(new VisitFile(1, failing)).doCallRealMethod().when(files).begin(anyLong());
        try (VisitLog log = new VisitLog(files)) {
            assertThat(append(log, visit(0))).as("answered, but not on disk").isFalse();
            append(log, 1, 3);
            new VisitLogReader(log, store, folder).carryAll();
        }
        assertThat(carried)
                .as("the first was kept in memory, and written when there was room")
                .containsExactly(visit(0), visit(1), visit(2));
    }

    /** The disk is full, then it is not: what was answered meanwhile is written, in order, and nothing has to come for it. */
    @Test
    void what_a_full_disk_does_not_take_waits_in_memory_and_is_told() throws Exception {
        VisitFiles files = spy(VisitFiles.of(folder));
        FileChannel full = mock(FileChannel.class);
        when(full.write(any(ByteBuffer.class), anyLong())).thenThrow(new IOException("no space left on device"));
        AtomicBoolean isFull = new AtomicBoolean(true);
        doAnswer(call -> isFull.get() ? new VisitFile(call.getArgument(0), full) : call.callRealMethod())
                .when(files)
                .begin(anyLong());
        try (VisitLog log = new VisitLog(files)) {
            for (int i = 0; i < 50; i++) {
                assertThat(append(log, visit(i))).isFalse();
            }
            assertThat(log.late()).isEqualTo(50);
            assertThat(log.lost()).isZero();
            isFull.set(false);
            WendoTest.await("it is written by itself", () -> log.late() == 0);
            new VisitLogReader(log, store, folder).carryAll();
        }
        assertThat(carried)
                .isEqualTo(IntStream.range(0, 50).mapToObj(VisitLogTest::visit).toList());
    }

    @Test
    void two_on_one_folder_are_refused() throws Exception {
        try (VisitLog first = new VisitLog(folder)) {
            assertThat(append(first, visit(1))).isTrue();
            assertThatThrownBy(() -> new VisitLog(folder))
                    .isInstanceOf(IllegalStateException.class)
                    .hasMessageContaining("Give each process a WENDO_HOME of its own.");
        }
        try (VisitLog next = new VisitLog(folder)) {
            assertThat(append(next, visit(2))).isTrue();
        }
    }

    @Test
    void while_the_database_is_away_visits_wait() throws Exception {
        try (VisitLog log = new VisitLog(folder)) {
            VisitLogReader carrier = new VisitLogReader(log, store, folder);
            append(log, 0, 3);
            when(store.prepare(anyList())).thenReturn(() -> {
                throw new DataAccessResourceFailureException("away");
            });
            carrier.carryAll();
            assertThat(carried).isEmpty();
            assertThat(carrier.carried()).isZero();
            assertThat(new VisitLogReader(log, store, folder).leftOver()).isEqualTo(3);
            keep_what_is_stored();
            carrier.carryAll();
            assertThat(carried).hasSize(3);
            assertThat(carrier.carried()).isEqualTo(3);
            assertThat(new VisitLogReader(log, store, folder).leftOver()).isZero();
        }
    }

    @Test
    void a_line_that_a_crash_cut_off_is_left_out_and_the_rest_is_kept() throws Exception {
        try (VisitLog log = new VisitLog(folder)) {
            append(log, 0, 2);
        }
        Files.writeString(folder.resolve("000000000001.visits"), "1234abcd\tcut off", StandardOpenOption.APPEND);
        try (VisitLog log = new VisitLog(folder)) {
            append(log, 2, 3);
            new VisitLogReader(log, store, folder).carryAll();
        }
        assertThat(carried).hasSize(3);
    }

    @Test
    void lines_of_any_number_are_written_over_room_made_ahead_which_closing_gives_back() throws Exception {
        List<ByteBuffer> lines = new ArrayList<>();
        for (int i = 0; i < 9000; i++) { // more than the room made at once
            lines.add(ByteBuffer.wrap(visit(i).line()));
        }
        Path path = folder.resolve("000000000001.visits");
        VisitFile file = VisitFiles.of(folder).begin(1);
        file.write(lines.subList(0, 2));
        assertThat(Files.size(path)).isGreaterThan(file.end());
        file.write(lines.subList(2, 9000));
        file.close();
        assertThat(Files.size(path)).isEqualTo(file.end()).isGreaterThan(1024 * 1024);
        try (VisitLog log = new VisitLog(folder)) {
            new VisitLogReader(log, store, folder).carryAll();
        }
        assertThat(carried).hasSize(9000).startsWith(visit(0), visit(1)).endsWith(visit(8999));
    }

    @Test
    void after_a_crash_lines_are_read_around_the_room_that_was_left() throws Exception {
        byte[] hole = new byte[5000]; // a part that did not reach the disk, and the start of a line with it
        try (VisitFile file = VisitFiles.of(folder).begin(1)) {
            file.write(List.of(
                    ByteBuffer.wrap(visit(0).line()),
                    ByteBuffer.wrap(hole),
                    ByteBuffer.wrap(visit(1).line()),
                    ByteBuffer.wrap(visit(2).line())));
            Files.copy(folder.resolve("000000000001.visits"), folder.resolve("000000000002.visits"));
        }
        Files.delete(folder.resolve("000000000001.visits"));
        try (VisitLog log = new VisitLog(folder)) {
            append(log, 3, 4);
            new VisitLogReader(log, store, folder).carryAll();
        }
        assertThat(carried).containsExactly(visit(0), visit(2), visit(3));
    }

    @Test
    void what_is_not_forced_to_disk_is_not_carried_until_its_file_is_left() throws Exception {
        VisitFiles files = spy(VisitFiles.of(folder));
        FileChannel unforced = spy(FileChannel.open(
                files.path(1), StandardOpenOption.CREATE, StandardOpenOption.READ, StandardOpenOption.WRITE));
        doThrow(new IOException("the disk is gone")).when(unforced).force(anyBoolean());
        doReturn(new VisitFile(1, unforced)).doCallRealMethod().when(files).begin(anyLong());
        try (VisitLog log = new VisitLog(files)) {
            VisitLogReader carrier = new VisitLogReader(log, store, folder);
            assertThat(append(log, visit(0))).isFalse();
            carrier.carryAll();
            assertThat(carried).isEmpty();
            append(log, 1, 2);
            carrier.carryAll();
        }
        assertThat(carried)
                .as("written once more when there was room; the database takes a visit once")
                .containsExactly(visit(0), visit(0), visit(1));
    }

    @Test
    void after_closing_nothing_is_promised() throws Exception {
        VisitLog log = new VisitLog(folder);
        log.close();
        assertThat(append(log, visit(1))).isFalse();
    }
}
