package embrick.server.backgrounds;

import embrick.core.plan.Plan;
import embrick.server.documents.StoredJson;
import embrick.server.storage.Storage;
import java.util.List;
import org.springframework.stereotype.Component;

/** The SHA-256 of all that a background depends on: what is equal in it has the same pixels. */
@Component
public class BackgroundKey {
    /** Raised whenever the same plan would grow other pixels. */
    private static final int METHOD = 1;

    private final StoredJson json;

    BackgroundKey(StoredJson json) {
        this.json = json;
    }

    /** @param digest of the original */
    public String of(String digest, Plan plan) {
        return Storage.digestOfText(json.write(List.of(
                METHOD,
                digest,
                plan.source(),
                plan.sheet(),
                plan.bandsRoundGround(),
                plan.picture(),
                plan.window(),
                plan.corners(),
                plan.resampling(),
                plan.sharpening().<Object>map(settings -> settings).orElse("none"),
                plan.colour(),
                plan.paper(),
                plan.growing().orElseThrow())));
    }
}
