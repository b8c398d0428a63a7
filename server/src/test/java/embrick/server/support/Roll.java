package embrick.server.support;

import embrick.standins.roll.RollApplication;
import java.util.Map;
import tools.jackson.databind.JsonNode;

/** The simulated roll printer, started once for the JVM's tests; a fast one. */
public final class Roll {
    private static final int FAST = 20_000;

    private static Roll started;

    private final StandIn running = new StandIn(RollApplication.class);

    private Roll() {
        setSpeed(FAST);
    }

    public static synchronized Roll get() {
        if (started == null) {
            started = new Roll();
        }
        return started;
    }

    public String address() {
        return running.address();
    }

    public void setSpeed(int millimetresPerSecond) {
        running.ask("PUT", "/speed", Map.of("millimetresPerSecond", millimetresPerSecond));
    }

    public void load(double width, double length) {
        running.ask("PUT", "/roll", Map.of("width", width, "paper", "lustre", "length", length));
    }

    public void jam() {
        running.ask("POST", "/jam", "");
    }

    /** Every job that it was sent, the newest first. */
    public JsonNode jobs() {
        return running.ask("GET", "/jobs", "");
    }
}
