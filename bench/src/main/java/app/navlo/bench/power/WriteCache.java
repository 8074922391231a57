package app.navlo.bench.power;

import java.io.IOException;
import java.nio.ByteBuffer;
import java.nio.channels.FileChannel;
import java.nio.file.Path;
import java.nio.file.StandardOpenOption;
import java.util.ArrayList;
import java.util.HashMap;
import java.util.List;
import java.util.Map;
import java.util.Random;

/** What was written since it was last written through, file by file, with what stood there before. */
final class WriteCache {
    /** A disk writes a sector whole or not at all. */
    private static final int SECTOR = 512;
    /** One in so many writes is there in part. */
    private static final int TORN = 10;

    private final Map<Path, List<Write>> writes = new HashMap<>();

    /**
     * A write, or a cut of the file's end.
     *
     * @param before as much as there was
     * @param after empty for a cut
     */
    @SuppressWarnings("ArrayRecordComponent")
    private record Write(long at, long sizeBefore, byte[] before, byte[] after, boolean cuts) {}

    /** How many writes there were that nobody had written through, and how many of them were lost, wholly or in part. */
    record Lost(int gone, int torn, int all) {}

    synchronized int write(Path file, FileChannel disk, ByteBuffer bytes, long at) throws IOException {
        byte[] after = new byte[bytes.remaining()];
        bytes.duplicate().get(after);
        note(file, new Write(at, disk.size(), read(disk, at, after.length), after, false));
        return disk.write(bytes, at);
    }

    synchronized void truncate(Path file, FileChannel disk, long size) throws IOException {
        if (size < disk.size()) {
            note(file, new Write(size, disk.size(), read(disk, size, (int) (disk.size() - size)), new byte[0], true));
        }
        disk.truncate(size);
    }

    synchronized void writeThrough(Path file, FileChannel disk) throws IOException {
        disk.force(true);
        writes.remove(file);
    }

    private void note(Path file, Write write) {
        writes.computeIfAbsent(file, any -> new ArrayList<>()).add(write);
    }

    private static byte[] read(FileChannel disk, long at, int length) throws IOException {
        ByteBuffer there = ByteBuffer.allocate((int) Math.max(0, Math.min(length, disk.size() - at)));
        while (there.hasRemaining() && disk.read(there, at + there.position()) >= 0) {
            // The rest comes with the next read.
        }
        return there.array();
    }

    /** The power is cut: nothing is written any more, and of what wasn't written through a part is there. */
    synchronized Lost lose(Random random) throws IOException {
        Lost lost = new Lost(0, 0, 0);
        for (Map.Entry<Path, List<Write>> file : writes.entrySet()) {
            try (FileChannel disk =
                    FileChannel.open(file.getKey(), StandardOpenOption.READ, StandardOpenOption.WRITE)) {
                lost = lose(disk, file.getValue(), random, lost);
            }
        }
        return lost;
    }

    private static Lost lose(FileChannel disk, List<Write> writes, Random random, Lost before) throws IOException {
        for (int i = writes.size() - 1; i >= 0; i--) {
            Write write = writes.get(i);
            put(disk, write.before(), write.before().length, write.at());
            disk.truncate(write.sizeBefore());
        }
        int gone = before.gone();
        int torn = before.torn();
        for (Write write : writes) {
            if (random.nextInt(TORN) == 0) {
                torn++;
                put(disk, write.after(), random.nextInt(write.after().length / SECTOR + 1) * SECTOR, write.at());
            } else if (random.nextBoolean()) {
                gone++;
            } else if (write.cuts()) {
                disk.truncate(write.at());
            } else {
                put(disk, write.after(), write.after().length, write.at());
            }
        }
        return new Lost(gone, torn, before.all() + writes.size());
    }

    private static void put(FileChannel disk, byte[] bytes, int length, long at) throws IOException {
        ByteBuffer left = ByteBuffer.wrap(bytes, 0, length);
        while (left.hasRemaining()) {
            disk.write(left, at + left.position());
        }
    }
}
