package embrick.e2e;

import embrick.server.support.RunningServer;
import java.lang.annotation.ElementType;
import java.lang.annotation.Retention;
import java.lang.annotation.RetentionPolicy;
import java.lang.annotation.Target;
import org.junit.jupiter.api.extension.ExtendWith;
import org.junit.jupiter.api.parallel.ResourceLock;

/** A test of the running application in the one browser; such tests follow one another. */
@Target(ElementType.TYPE)
@Retention(RetentionPolicy.RUNTIME)
@ExtendWith(RunningServer.class)
@ResourceLock("browser")
@interface InBrowser {}
