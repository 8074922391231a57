package app.navlo.bench.power;

import java.io.IOException;
import java.nio.ByteBuffer;
import java.nio.channels.FileChannel;
import java.nio.channels.FileLock;
import java.nio.file.Path;
import org.h2.store.fs.FileBase;
import org.h2.store.fs.FilePathWrapper;

/** The disk, with a cache between it and the database, which makes one of these for each of its files. */
public final class CachingDisk extends FilePathWrapper {
    static final String SCHEME = "caching";
    static final WriteCache CACHE = new WriteCache();

    @Override
    public String getScheme() {
        return SCHEME;
    }

    @Override
    public FileChannel open(String mode) throws IOException {
        return new CachedFile(Path.of(getBase().toString()), super.open(mode));
    }

    private static final class CachedFile extends FileBase {
        private final Path file;
        private final FileChannel disk;

        CachedFile(Path file, FileChannel disk) {
            this.file = file;
            this.disk = disk;
        }

        @Override
        public int write(ByteBuffer bytes, long at) throws IOException {
            return CACHE.write(file, disk, bytes, at);
        }

        @Override
        public int write(ByteBuffer bytes) throws IOException {
            long at = disk.position();
            int written = CACHE.write(file, disk, bytes, at);
            disk.position(at + written);
            return written;
        }

        @Override
        public FileChannel truncate(long size) throws IOException {
            CACHE.truncate(file, disk, size);
            return this;
        }

        @Override
        public void force(boolean withMetadata) throws IOException {
            CACHE.writeThrough(file, disk);
        }

        @Override
        public int read(ByteBuffer to) throws IOException {
            return disk.read(to);
        }

        @Override
        public int read(ByteBuffer to, long at) throws IOException {
            return disk.read(to, at);
        }

        @Override
        public long position() throws IOException {
            return disk.position();
        }

        @Override
        public FileChannel position(long at) throws IOException {
            disk.position(at);
            return this;
        }

        @Override
        public long size() throws IOException {
            return disk.size();
        }

        @Override
        public FileLock tryLock(long at, long size, boolean shared) throws IOException {
            return disk.tryLock(at, size, shared);
        }

        @Override
        protected void implCloseChannel() throws IOException {
            disk.close();
        }
    }
}
