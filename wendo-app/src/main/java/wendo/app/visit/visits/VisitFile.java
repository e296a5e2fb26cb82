package wendo.app.visit.visits;

import java.io.IOException;
import java.nio.ByteBuffer;
import java.nio.channels.FileChannel;
import java.util.List;

/**
 * The file of the visit log that is written to. Its room is made ahead with zeros, for the disk takes what is written
 * over them in half the time that it needs for a file that grows. Behind its end a reader may find zeros, or parts of
 * lines in any order.
 */
final class VisitFile implements AutoCloseable {
    private static final int ROOM_BYTES = 1024 * 1024;
    private static final int PORTION_BYTES = 64 * 1024;
    private static final ByteBuffer ZEROS =
            ByteBuffer.allocateDirect(ROOM_BYTES).asReadOnlyBuffer();

    private final long number;
    private final FileChannel channel;

    /** Outside the heap, where the disk takes it from. Far longer than any line. */
    private final ByteBuffer portion = ByteBuffer.allocateDirect(PORTION_BYTES);

    private long room;
    private long position;
    private volatile long end;

    VisitFile(long number, FileChannel channel) {
        this.number = number;
        this.channel = channel;
    }

    long number() {
        return number;
    }

    /** All before this is whole lines, on disk. */
    long end() {
        return end;
    }

    /** Comes back once the lines are on disk. After a fault the file may hold half a line and is not written again. */
    void write(List<ByteBuffer> lines) throws IOException {
        makeRoom(lines.stream().mapToInt(ByteBuffer::remaining).sum());
        portion.clear();
        for (ByteBuffer line : lines) {
            if (line.remaining() > portion.remaining()) {
                writePortion();
            }
            portion.put(line);
        }
        writePortion();
        channel.force(false);
        end = position;
    }

    private void makeRoom(int bytes) throws IOException {
        while (position + bytes > room) {
            ByteBuffer zeros = ZEROS.duplicate();
            while (zeros.hasRemaining()) {
                room += channel.write(zeros, room);
            }
        }
    }

    private void writePortion() throws IOException {
        portion.flip();
        while (portion.hasRemaining()) {
            position += channel.write(portion, position);
        }
        portion.clear();
    }

    /** Gives back the room that is left. */
    @Override
    public void close() throws IOException {
        try (channel) {
            channel.truncate(position);
        }
    }
}
