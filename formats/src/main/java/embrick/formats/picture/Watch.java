package embrick.formats.picture;

import java.io.IOException;

/** Stands around each decoding, so that it is known what a process was at if it ends there. */
public interface Watch {
    /** Nobody watches. */
    Watch NONE = new Watch() {
        @Override
        public <T> T during(Decoding<T> decoding) throws IOException {
            return decoding.run();
        }
    };

    /** Work that decodes. */
    interface Decoding<T> {
        T run() throws IOException;
    }

    /** Does the work; may be asked from several threads at once. */
    <T> T during(Decoding<T> decoding) throws IOException;
}
