package embrick.bench;

import java.io.IOException;

/**
 * One that is measured.
 *
 * @param warmUps rounds until the compiler is done with it
 */
record Work(int warmUps, Doing doing) {
    /** What is done once. */
    interface Doing {
        void run() throws IOException;
    }

    /** Makes what a work needs beforehand, when it is asked for. */
    interface Making {
        Work make() throws IOException;
    }
}
