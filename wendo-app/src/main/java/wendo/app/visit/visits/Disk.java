package wendo.app.visit.visits;

import java.io.IOException;
import java.nio.channels.FileChannel;
import java.nio.file.Path;
import java.nio.file.StandardOpenOption;

/** What the visit log asks of the disk. */
interface Disk {
    /** A new file to be written to, or an old one emptied. */
    FileChannel begin(Path file) throws IOException;

    /** Comes back once the folder's list of its files is on disk: a file that is not in it is lost, whatever it held. */
    void force(Path folder) throws IOException;

    /** This machine's. */
    static Disk real() {
        return new Disk() {
            @Override
            public FileChannel begin(Path file) throws IOException {
                return FileChannel.open(
                        file,
                        StandardOpenOption.CREATE,
                        StandardOpenOption.WRITE,
                        StandardOpenOption.TRUNCATE_EXISTING);
            }

            @Override
            public void force(Path folder) throws IOException {
                try (FileChannel list = FileChannel.open(folder, StandardOpenOption.READ)) {
                    list.force(true);
                }
            }
        };
    }
}
