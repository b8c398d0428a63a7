package embrick.formats.letters;

import java.io.IOException;

/** Where the PNGs of marks are kept. */
public interface Stencils {
    /** @throws IOException if there is none of that digest */
    byte[] png(String digest) throws IOException;

    /** Nowhere. */
    static Stencils none() {
        return digest -> {
            throw new IOException("the mark's picture " + digest + " is not here");
        };
    }
}
