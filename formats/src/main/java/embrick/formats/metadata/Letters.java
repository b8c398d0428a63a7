package embrick.formats.metadata;

import java.nio.ByteBuffer;
import java.nio.charset.CharacterCodingException;
import java.nio.charset.StandardCharsets;

/** Letters of which a file does not say how they are coded. */
final class Letters {
    private Letters() {}

    /** UTF-8 where they are such, which other codings hardly ever are by chance; else Latin-1. */
    static String of(byte[] bytes) {
        try {
            return StandardCharsets.UTF_8
                    .newDecoder()
                    .decode(ByteBuffer.wrap(bytes))
                    .toString();
        } catch (CharacterCodingException other) {
            return new String(bytes, StandardCharsets.ISO_8859_1);
        }
    }
}
