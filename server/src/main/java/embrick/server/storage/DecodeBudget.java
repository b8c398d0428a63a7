package embrick.server.storage;

import embrick.core.source.SourceFacts;
import java.util.concurrent.Semaphore;
import org.springframework.stereotype.Component;

/**
 * How much memory decoded pictures may take together: a quarter of the machine's, in mebibytes that are lent out in the
 * order of asking. A picture larger than all of it waits until it is alone.
 */
@Component
public class DecodeBudget {
    private final int mebibytes;
    private final Semaphore free;

    public DecodeBudget() {
        long memory = ((com.sun.management.OperatingSystemMXBean)
                        java.lang.management.ManagementFactory.getOperatingSystemMXBean())
                .getTotalMemorySize();
        this.mebibytes = (int) Math.max(256, (memory / 4) >> 20);
        this.free = new Semaphore(mebibytes, true);
    }

    /** Work that holds a decoded picture. */
    public interface Work<T> {
        T run() throws java.io.IOException;
    }

    public <T> T holding(SourceFacts facts, Work<T> work) throws java.io.IOException {
        int wanted = Math.clamp(facts.unpackedBytes() >> 20, 1, mebibytes);
        free.acquireUninterruptibly(wanted);
        try {
            return work.run();
        } finally {
            free.release(wanted);
        }
    }
}
