package embrick.server.backgrounds;

import embrick.core.grown.Grown;
import embrick.formats.picture.UnusablePictureException;

/** A background that cannot be grown, with the reason. */
public final class BackgroundDeclinedException extends UnusablePictureException {
    private static final long serialVersionUID = 1L;

    BackgroundDeclinedException(Grown.Declined declined) {
        super(Kind.NOT_FOR_EMBRICK, "background-declined", reason(declined.reason()), advice());
    }

    /** In words that go on after a picture's name. */
    static String reason(Grown.Reason reason) {
        return switch (reason) {
            case DETAIL_CUT -> "gets no grown background: its edge cuts through detail that would be copied or smeared";
            case UNLIKE -> "gets no grown background: what was grown does not look like the picture";
            case NOTHING_TO_COPY ->
                "gets no grown background: there is too little even texture near its edge to grow it from";
        };
    }

    /** The same as a sentence. */
    public static String sentence(Grown.Reason reason) {
        return "This picture " + reason(reason) + ".";
    }

    /** What can be done about it. */
    public static String advice() {
        return "Move the frame so that the edge lies in even texture, or fill it another way for this picture.";
    }
}
