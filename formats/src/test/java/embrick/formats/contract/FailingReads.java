package embrick.formats.contract;

import static org.assertj.core.api.Assertions.assertThat;
import static org.assertj.core.api.Assertions.catchThrowable;

import embrick.formats.picture.UnusablePictureException;
import embrick.testing.FailingDisk;
import embrick.testing.FailingDisk.Failure;
import java.io.IOException;
import java.nio.file.Path;

/** Lets each call that reads a file fail once: none of them may be taken for damage of the file. */
final class FailingReads {
    /** Far more than any file of the contracts takes. */
    private static final int MAX_READS = 5_000;

    /** Reads a file in some way. */
    @FunctionalInterface
    interface Reading {
        void read(Path file) throws IOException;
    }

    private FailingReads() {}

    static void assertNotBlamedOnTheFile(Path file, Reading reading) {
        for (int failing = 0; failing < MAX_READS; failing++) {
            Failure failure = failing % 2 == 0 ? Failure.EIO : Failure.ESTALE;
            FailingDisk disk = new FailingDisk(failure, failing);
            Throwable told = catchThrowable(() -> reading.read(disk.path(file)));
            if (disk.reads() <= failing) {
                assertThat(told).as("nothing failed").isNull();
                assertThat(failing).as("calls that read").isPositive();
                return;
            }
            assertThat(told)
                    .as("call %d that reads fails with %s", failing, failure)
                    .isInstanceOf(IOException.class)
                    .isNotInstanceOf(UnusablePictureException.class);
        }
        throw new AssertionError("it reads for ever");
    }
}
