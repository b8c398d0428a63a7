package embrick.server.hotfolders;

import java.time.Duration;
import org.springframework.boot.context.properties.ConfigurationProperties;
import org.springframework.boot.context.properties.bind.DefaultValue;

/**
 * @param every how often a hot folder is looked at
 * @param still for how long a file must not have grown before it is taken
 * @param patience for how long a file that seems broken is given: a copy that stalls may yet go on
 */
@ConfigurationProperties("embrick.hot-folders")
record HotSettings(
        @DefaultValue("2s") Duration every,
        @DefaultValue("4s") Duration still,
        @DefaultValue("60s") Duration patience) {}
