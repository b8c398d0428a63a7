package embrick.testing;

import java.io.IOException;
import java.lang.reflect.InvocationTargetException;
import java.lang.reflect.Method;
import java.lang.reflect.Proxy;
import java.net.URI;
import java.nio.ByteBuffer;
import java.nio.MappedByteBuffer;
import java.nio.channels.FileChannel;
import java.nio.channels.FileLock;
import java.nio.channels.ReadableByteChannel;
import java.nio.channels.SeekableByteChannel;
import java.nio.channels.WritableByteChannel;
import java.nio.file.AccessMode;
import java.nio.file.CopyOption;
import java.nio.file.DirectoryStream;
import java.nio.file.FileStore;
import java.nio.file.FileSystem;
import java.nio.file.LinkOption;
import java.nio.file.OpenOption;
import java.nio.file.Path;
import java.nio.file.PathMatcher;
import java.nio.file.WatchService;
import java.nio.file.attribute.BasicFileAttributes;
import java.nio.file.attribute.FileAttribute;
import java.nio.file.attribute.FileAttributeView;
import java.nio.file.attribute.UserPrincipalLookupService;
import java.nio.file.spi.FileSystemProvider;
import java.util.Map;
import java.util.Set;

/**
 * A stand-in for a disk that fails: a {@linkplain #path path} of it leads to the same file as before, but one of the calls
 * that read from it fails with the words of the system.
 */
public final class FailingDisk extends FileSystemProvider {
    /** As Linux words EIO and ESTALE (glibc, strerror). */
    public enum Failure {
        EIO("Input/output error"),
        ESTALE("Stale file handle");

        private final String words;

        Failure(String words) {
            this.words = words;
        }
    }

    private final Failure failure;
    private final int failing;
    private final Disk disk = new Disk();
    private int reads;

    /** @param failing which call fails, from 0; those before and after it succeed */
    public FailingDisk(Failure failure, int failing) {
        this.failure = failure;
        this.failing = failing;
    }

    /** How many calls have read from it. */
    public int reads() {
        return reads;
    }

    private void read() throws IOException {
        if (reads++ == failing) {
            throw new IOException(failure.words);
        }
    }

    /** The same path, on this disk. */
    public Path path(Path path) {
        return (Path) Proxy.newProxyInstance(
                FailingDisk.class.getClassLoader(),
                new Class<?>[] {Path.class, OnDisk.class},
                (_, method, arguments) -> answer(path, method, arguments));
    }

    /** What lets the path behind one of a disk be found. */
    private interface OnDisk {
        Path behind();
    }

    private static Path behind(Path path) {
        return path instanceof OnDisk onDisk ? onDisk.behind() : path;
    }

    private Object answer(Path path, Method method, Object... arguments) throws Throwable {
        switch (method.getName()) {
            case "behind":
                return path;
            case "getFileSystem":
                return disk;
            default:
        }
        Object[] passed = arguments == null ? new Object[0] : arguments.clone();
        for (int i = 0; i < passed.length; i++) {
            passed[i] = passed[i] instanceof Path argument ? behind(argument) : passed[i];
        }
        try {
            Object answer = method.invoke(path, passed);
            return answer instanceof Path result ? path(result) : answer;
        } catch (InvocationTargetException failed) {
            throw failed.getCause();
        }
    }

    private static FileSystemProvider provider(Path path) {
        return behind(path).getFileSystem().provider();
    }

    @Override
    public FileChannel newFileChannel(Path path, Set<? extends OpenOption> options, FileAttribute<?>... attributes)
            throws IOException {
        return new Channel(provider(path).newFileChannel(behind(path), options, attributes));
    }

    @Override
    public SeekableByteChannel newByteChannel(
            Path path, Set<? extends OpenOption> options, FileAttribute<?>... attributes) throws IOException {
        return newFileChannel(path, options, attributes);
    }

    @Override
    public <A extends BasicFileAttributes> A readAttributes(Path path, Class<A> type, LinkOption... options)
            throws IOException {
        read();
        return provider(path).readAttributes(behind(path), type, options);
    }

    @Override
    public Map<String, Object> readAttributes(Path path, String attributes, LinkOption... options) throws IOException {
        read();
        return provider(path).readAttributes(behind(path), attributes, options);
    }

    @Override
    public void checkAccess(Path path, AccessMode... modes) throws IOException {
        provider(path).checkAccess(behind(path), modes);
    }

    @Override
    public boolean isSameFile(Path one, Path other) throws IOException {
        return provider(one).isSameFile(behind(one), behind(other));
    }

    @Override
    public boolean isHidden(Path path) throws IOException {
        return provider(path).isHidden(behind(path));
    }

    @Override
    public FileStore getFileStore(Path path) throws IOException {
        return provider(path).getFileStore(behind(path));
    }

    @Override
    public <V extends FileAttributeView> V getFileAttributeView(Path path, Class<V> type, LinkOption... options) {
        return provider(path).getFileAttributeView(behind(path), type, options);
    }

    @Override
    public String getScheme() {
        return "failing";
    }

    @Override
    public FileSystem newFileSystem(URI uri, Map<String, ?> environment) {
        throw new UnsupportedOperationException();
    }

    @Override
    public FileSystem getFileSystem(URI uri) {
        return disk;
    }

    @Override
    public Path getPath(URI uri) {
        return path(Path.of(uri.getPath()));
    }

    @Override
    public DirectoryStream<Path> newDirectoryStream(Path folder, DirectoryStream.Filter<? super Path> filter) {
        throw new UnsupportedOperationException("only files are read from it");
    }

    @Override
    public void createDirectory(Path folder, FileAttribute<?>... attributes) {
        throw new UnsupportedOperationException("it is only read");
    }

    @Override
    public void delete(Path path) {
        throw new UnsupportedOperationException("it is only read");
    }

    @Override
    public void copy(Path source, Path target, CopyOption... options) {
        throw new UnsupportedOperationException("it is only read");
    }

    @Override
    public void move(Path source, Path target, CopyOption... options) {
        throw new UnsupportedOperationException("it is only read");
    }

    @Override
    public void setAttribute(Path path, String attribute, Object value, LinkOption... options) {
        throw new UnsupportedOperationException("it is only read");
    }

    private final class Disk extends FileSystem {
        @Override
        public FileSystemProvider provider() {
            return FailingDisk.this;
        }

        @Override
        public void close() {
            throw new UnsupportedOperationException();
        }

        @Override
        public boolean isOpen() {
            return true;
        }

        @Override
        public boolean isReadOnly() {
            return true;
        }

        @Override
        public String getSeparator() {
            return "/";
        }

        @Override
        public Iterable<Path> getRootDirectories() {
            return Set.of(path(Path.of("/")));
        }

        @Override
        public Iterable<FileStore> getFileStores() {
            return Set.of();
        }

        @Override
        public Set<String> supportedFileAttributeViews() {
            return Set.of("basic");
        }

        @Override
        public Path getPath(String first, String... more) {
            return path(Path.of(first, more));
        }

        @Override
        public PathMatcher getPathMatcher(String syntaxAndPattern) {
            throw new UnsupportedOperationException();
        }

        @Override
        public UserPrincipalLookupService getUserPrincipalLookupService() {
            throw new UnsupportedOperationException();
        }

        @Override
        public WatchService newWatchService() {
            throw new UnsupportedOperationException();
        }
    }

    private final class Channel extends FileChannel {
        private final FileChannel file;

        Channel(FileChannel file) {
            this.file = file;
        }

        @Override
        public int read(ByteBuffer into) throws IOException {
            FailingDisk.this.read();
            return file.read(into);
        }

        @Override
        public long read(ByteBuffer[] into, int offset, int length) throws IOException {
            FailingDisk.this.read();
            return file.read(into, offset, length);
        }

        @Override
        public int read(ByteBuffer into, long position) throws IOException {
            FailingDisk.this.read();
            return file.read(into, position);
        }

        @Override
        public long size() throws IOException {
            FailingDisk.this.read();
            return file.size();
        }

        @Override
        public long position() throws IOException {
            return file.position();
        }

        @Override
        public FileChannel position(long position) throws IOException {
            file.position(position);
            return this;
        }

        @Override
        public long transferTo(long position, long count, WritableByteChannel target) throws IOException {
            FailingDisk.this.read();
            return file.transferTo(position, count, target);
        }

        /** Not supported: a mapped file reports no read errors that a test could inject. */
        @Override
        public MappedByteBuffer map(MapMode mode, long position, long size) {
            throw new UnsupportedOperationException();
        }

        @Override
        protected void implCloseChannel() throws IOException {
            file.close();
        }

        @Override
        public int write(ByteBuffer bytes) {
            throw new UnsupportedOperationException("it is only read");
        }

        @Override
        public long write(ByteBuffer[] bytes, int offset, int length) {
            throw new UnsupportedOperationException("it is only read");
        }

        @Override
        public int write(ByteBuffer bytes, long position) {
            throw new UnsupportedOperationException("it is only read");
        }

        @Override
        public FileChannel truncate(long size) {
            throw new UnsupportedOperationException("it is only read");
        }

        @Override
        public void force(boolean metadata) {
            throw new UnsupportedOperationException("it is only read");
        }

        @Override
        public long transferFrom(ReadableByteChannel source, long position, long count) {
            throw new UnsupportedOperationException("it is only read");
        }

        @Override
        public FileLock lock(long position, long size, boolean shared) {
            throw new UnsupportedOperationException();
        }

        @Override
        public FileLock tryLock(long position, long size, boolean shared) {
            throw new UnsupportedOperationException();
        }
    }
}
