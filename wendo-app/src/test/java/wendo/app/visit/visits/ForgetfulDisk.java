package wendo.app.visit.visits;

import java.io.IOException;
import java.nio.ByteBuffer;
import java.nio.MappedByteBuffer;
import java.nio.channels.FileChannel;
import java.nio.channels.FileLock;
import java.nio.channels.ReadableByteChannel;
import java.nio.channels.WritableByteChannel;
import java.nio.file.Files;
import java.nio.file.Path;
import java.nio.file.StandardOpenOption;
import java.util.ArrayList;
import java.util.Arrays;
import java.util.HashMap;
import java.util.List;
import java.util.Map;
import java.util.Random;

/**
 * A disk that keeps what was forced and, at a crash, of the rest whatever it likes: any writes, in any order, each as far
 * as it pleases, as the cache of a real one may. A file whose folder was not forced may be gone.
 */
final class ForgetfulDisk implements Disk {
    private final Random random;
    private final Map<Path, Written> files = new HashMap<>();
    private boolean isOff;

    ForgetfulDisk(Random random) {
        this.random = random;
    }

    @Override
    public synchronized FileChannel begin(Path file) throws IOException {
        if (isOff) {
            throw new IOException("The power is gone");
        }
        Written written = new Written(FileChannel.open(
                file,
                StandardOpenOption.CREATE,
                StandardOpenOption.WRITE,
                StandardOpenOption.READ,
                StandardOpenOption.TRUNCATE_EXISTING));
        files.put(file, written);
        return written;
    }

    @Override
    public synchronized void force(Path folder) {
        files.forEach((file, written) -> written.isListed |= folder.equals(file.getParent()));
    }

    /** The power goes. What is on disk then is what files hold from now on. */
    synchronized void crash() throws IOException {
        isOff = true;
        for (Map.Entry<Path, Written> file : files.entrySet()) {
            Written written = file.getValue();
            written.close();
            if (!written.isListed && random.nextBoolean()) {
                Files.deleteIfExists(file.getKey());
            } else if (Files.exists(file.getKey())) { // else it was carried whole, and deleted
                Files.write(file.getKey(), written.survived(random));
            }
        }
        files.clear();
    }

    /** One write that was not forced. */
    private record Part(long position, byte[] bytes) {}

    private static final class Written extends FileChannel {
        private final FileChannel file;
        private final List<Part> unforced = new ArrayList<>();
        private byte[] forced = {};
        private boolean isListed;

        Written(FileChannel file) {
            this.file = file;
        }

        synchronized byte[] survived(Random random) {
            List<Part> parts = new ArrayList<>(unforced);
            java.util.Collections.shuffle(parts, random);
            byte[] disk = forced;
            for (Part part : parts.subList(0, parts.isEmpty() ? 0 : random.nextInt(parts.size() + 1))) {
                int length = random.nextInt(part.bytes().length + 1);
                int from = (int) part.position();
                disk = Arrays.copyOf(disk, Math.max(disk.length, from + length));
                System.arraycopy(part.bytes(), 0, disk, from, length);
            }
            return disk;
        }

        @Override
        public synchronized int write(ByteBuffer source, long position) throws IOException {
            byte[] bytes = new byte[source.remaining()];
            source.duplicate().get(bytes);
            unforced.add(new Part(position, bytes));
            return file.write(source, position);
        }

        @Override
        public synchronized void force(boolean metaData) throws IOException {
            byte[] all = new byte[(int) file.size()];
            ByteBuffer target = ByteBuffer.wrap(all);
            while (target.hasRemaining() && file.read(target, target.position()) >= 0) {
                // until all is read
            }
            forced = all;
            unforced.clear();
        }

        @Override
        public FileChannel truncate(long size) throws IOException {
            if (file.isOpen()) { // else the power is gone
                file.truncate(size);
            }
            return this;
        }

        @Override
        protected void implCloseChannel() throws IOException {
            file.close();
        }

        private static UnsupportedOperationException unexpected() {
            return new UnsupportedOperationException("The visit log does nothing of the kind");
        }

        @Override
        public int read(ByteBuffer target) {
            throw unexpected();
        }

        @Override
        public long read(ByteBuffer[] targets, int offset, int length) {
            throw unexpected();
        }

        @Override
        public int write(ByteBuffer source) {
            throw unexpected();
        }

        @Override
        public long write(ByteBuffer[] sources, int offset, int length) {
            throw unexpected();
        }

        @Override
        public long position() {
            throw unexpected();
        }

        @Override
        public FileChannel position(long newPosition) {
            throw unexpected();
        }

        @Override
        public long size() {
            throw unexpected();
        }

        @Override
        public long transferTo(long position, long count, WritableByteChannel target) {
            throw unexpected();
        }

        @Override
        public long transferFrom(ReadableByteChannel source, long position, long count) {
            throw unexpected();
        }

        @Override
        public int read(ByteBuffer target, long position) {
            throw unexpected();
        }

        @Override
        public MappedByteBuffer map(MapMode mode, long position, long size) {
            throw unexpected();
        }

        @Override
        public FileLock lock(long position, long size, boolean shared) {
            throw unexpected();
        }

        @Override
        public FileLock tryLock(long position, long size, boolean shared) {
            throw unexpected();
        }
    }
}
