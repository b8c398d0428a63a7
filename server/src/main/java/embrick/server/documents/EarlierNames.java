package embrick.server.documents;

import com.fasterxml.jackson.annotation.JsonAlias;
import embrick.core.edge.Bands;
import embrick.core.ticket.Anchor;
import embrick.core.ticket.Mark;
import tools.jackson.databind.json.JsonMapper;

/** Names that parts of documents had before and that are still read, in requests and in what is stored. */
public final class EarlierNames {
    private EarlierNames() {}

    /** @return the same, which reads them from now on */
    public static JsonMapper.Builder readBy(JsonMapper.Builder mapper) {
        return mapper.addMixIn(Anchor.class, Places.class)
                .addMixIn(Mark.Place.class, Places.class)
                .addMixIn(Bands.class, Sides.class);
    }

    private enum Places {
        @JsonAlias("FOOT_LEFT")
        BOTTOM_LEFT,
        @JsonAlias("FOOT")
        BOTTOM,
        @JsonAlias("FOOT_RIGHT")
        BOTTOM_RIGHT
    }

    private abstract static class Sides {
        @JsonAlias("foot")
        abstract int bottom();
    }
}
