package embrick.server.deliveries;

import embrick.server.storage.Storage;
import java.io.ByteArrayInputStream;
import java.io.IOException;
import java.io.InputStream;
import java.io.OutputStream;
import java.nio.ByteBuffer;
import java.nio.ByteOrder;
import java.nio.charset.StandardCharsets;
import java.util.List;
import java.util.zip.CRC32;

/**
 * A ZIP whose entries are stored as they are, so that its length is known before its first byte is sent and a transfer that
 * breaks off is noticed. Sources: PKWARE APPNOTE 6.3.10, sections 4.3 (records), 4.4 (fields), 4.5.3 (ZIP64).
 */
final class StoredZip {
    private static final int LOCAL = 0x04034b50;
    private static final int CENTRAL = 0x02014b50;
    private static final int END = 0x06054b50;
    private static final int END_64 = 0x06064b50;
    private static final int LOCATOR_64 = 0x07064b50;

    /** 4.4.3.2: the least version that reads plain entries, and ZIP64. */
    private static final short PLAIN = 10;

    private static final short WITH_64 = 45;
    private static final short UTF8_NAMES = 1 << 11;

    /** 4.4.6: 1 January 1980, midnight. Equal pieces give an equal ZIP. */
    private static final short DAY = 0x21;

    private static final long MOST_32 = 0xFFFF_FFFFL;
    private static final int MOST_ENTRIES = 0xFFFF;
    private static final int LOCAL_BYTES = 30;
    private static final int CENTRAL_BYTES = 46;
    private static final int END_BYTES = 22;
    private static final int ENDS_64_BYTES = 56 + 20;

    private final List<Entry> entries;

    StoredZip(List<Entry> entries) {
        this.entries = List.copyOf(entries);
    }

    /** Opens an entry's bytes. */
    interface Source {
        InputStream open() throws IOException;
    }

    record Entry(String name, long bytes, long crc32, Source source) {
        /** One whose content is at hand. */
        static Entry of(String name, byte[] content) {
            CRC32 crc = new CRC32();
            crc.update(content);
            return new Entry(name, content.length, crc.getValue(), () -> new ByteArrayInputStream(content));
        }

        private byte[] nameBytes() {
            return name.getBytes(StandardCharsets.UTF_8);
        }

        private boolean isLarge() {
            return bytes >= MOST_32;
        }

        /** Sizes of 64 bits stand in an extra field of both headers. */
        private int localBytes() {
            return LOCAL_BYTES + nameBytes().length + (isLarge() ? 4 + 16 : 0);
        }

        private int centralBytes(long offset) {
            int parts = (isLarge() ? 16 : 0) + (offset >= MOST_32 ? 8 : 0);
            return CENTRAL_BYTES + nameBytes().length + (parts == 0 ? 0 : 4 + parts);
        }
    }

    long length() {
        long local = 0;
        long central = 0;
        for (Entry entry : entries) {
            central += entry.centralBytes(local);
            local += entry.localBytes() + entry.bytes();
        }
        return local + central + (needs64(local, central) ? ENDS_64_BYTES : 0) + END_BYTES;
    }

    private boolean needs64(long centralAt, long centralBytes) {
        return entries.size() >= MOST_ENTRIES || centralAt >= MOST_32 || centralBytes >= MOST_32;
    }

    /** Equal for ZIPs of equal bytes: a SHA-256 of all names, lengths and check sums. */
    String digest() {
        StringBuilder all = new StringBuilder();
        entries.forEach(entry -> all.append(entry.name())
                .append('\0')
                .append(entry.bytes())
                .append('\0')
                .append(entry.crc32())
                .append('\n'));
        return Storage.digestOfText(all.toString());
    }

    /**
     * Writes a part of it; files before that are not read.
     *
     * @param from first byte wanted
     * @param until one past the last
     * @throws IOException as {@link #writeTo(OutputStream)}
     */
    void writeTo(OutputStream out, long from, long until) throws IOException {
        WindowStream window = new WindowStream(out, from, until);
        writeTo(window);
        out.flush();
    }

    /** @throws IOException if an entry is not as long as it was said to be; nothing after it is written then */
    void writeTo(OutputStream out) throws IOException {
        long[] offsets = new long[entries.size()];
        long at = 0;
        for (int i = 0; i < offsets.length; i++) {
            Entry entry = entries.get(i);
            offsets[i] = at;
            out.write(local(entry));
            copy(entry, out);
            at += entry.localBytes() + entry.bytes();
        }
        long centralBytes = 0;
        for (int i = 0; i < offsets.length; i++) {
            byte[] header = central(entries.get(i), offsets[i]);
            out.write(header);
            centralBytes += header.length;
        }
        if (needs64(at, centralBytes)) {
            out.write(ends64(at, centralBytes));
        }
        out.write(end(at, centralBytes));
    }

    private static void copy(Entry entry, OutputStream out) throws IOException {
        if (out instanceof WindowStream window && window.skips(entry.bytes())) {
            return;
        }
        try (InputStream in = entry.source().open()) {
            long copied = in.transferTo(out);
            if (copied != entry.bytes()) {
                throw new IOException(entry.name() + ": expected " + entry.bytes() + " bytes, got " + copied);
            }
        }
    }

    private static ByteBuffer buffer(int bytes) {
        return ByteBuffer.allocate(bytes).order(ByteOrder.LITTLE_ENDIAN);
    }

    /** From "general purpose bit flag" to "uncompressed size". */
    private static void common(ByteBuffer header, Entry entry) {
        int size = (int) (entry.isLarge() ? MOST_32 : entry.bytes());
        header.putShort(UTF8_NAMES)
                .putShort((short) 0)
                .putShort((short) 0)
                .putShort(DAY)
                .putInt((int) entry.crc32())
                .putInt(size)
                .putInt(size)
                .putShort((short) entry.nameBytes().length);
    }

    private static byte[] local(Entry entry) {
        ByteBuffer header = buffer(entry.localBytes()).putInt(LOCAL).putShort(entry.isLarge() ? WITH_64 : PLAIN);
        common(header, entry);
        header.putShort((short) (entry.isLarge() ? 4 + 16 : 0)).put(entry.nameBytes());
        if (entry.isLarge()) {
            header.putShort((short) 1)
                    .putShort((short) 16)
                    .putLong(entry.bytes())
                    .putLong(entry.bytes());
        }
        return header.array();
    }

    private static byte[] central(Entry entry, long offset) {
        boolean isFar = offset >= MOST_32;
        int parts = (entry.isLarge() ? 16 : 0) + (isFar ? 8 : 0);
        short version = parts == 0 ? PLAIN : WITH_64;
        ByteBuffer header = buffer(entry.centralBytes(offset))
                .putInt(CENTRAL)
                .putShort(version)
                .putShort(version);
        common(header, entry);
        header.putShort((short) (parts == 0 ? 0 : 4 + parts))
                .putShort((short) 0)
                .putShort((short) 0)
                .putShort((short) 0)
                .putInt(0)
                .putInt((int) (isFar ? MOST_32 : offset))
                .put(entry.nameBytes());
        if (parts > 0) {
            header.putShort((short) 1).putShort((short) parts);
            if (entry.isLarge()) {
                header.putLong(entry.bytes()).putLong(entry.bytes());
            }
            if (isFar) {
                header.putLong(offset);
            }
        }
        return header.array();
    }

    private byte[] ends64(long centralAt, long centralBytes) {
        return buffer(ENDS_64_BYTES)
                .putInt(END_64)
                .putLong(ENDS_64_BYTES - 20 - 12)
                .putShort(WITH_64)
                .putShort(WITH_64)
                .putInt(0)
                .putInt(0)
                .putLong(entries.size())
                .putLong(entries.size())
                .putLong(centralBytes)
                .putLong(centralAt)
                .putInt(LOCATOR_64)
                .putInt(0)
                .putLong(centralAt + centralBytes)
                .putInt(1)
                .array();
    }

    private byte[] end(long centralAt, long centralBytes) {
        short count = (short) Math.min(MOST_ENTRIES, entries.size());
        return buffer(END_BYTES)
                .putInt(END)
                .putInt(0)
                .putShort(count)
                .putShort(count)
                .putInt((int) Math.min(MOST_32, centralBytes))
                .putInt((int) Math.min(MOST_32, centralAt))
                .putShort((short) 0)
                .array();
    }
}
