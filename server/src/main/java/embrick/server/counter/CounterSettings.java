package embrick.server.counter;

import java.time.Duration;
import org.springframework.boot.context.properties.ConfigurationProperties;
import org.springframework.boot.context.properties.bind.DefaultValue;

/**
 * @param address of the counter, as http://127.0.0.1:8791; empty where there is none
 * @param every how often open orders are gone on with
 * @param partBytes of a file that are sent in one request
 * @param longestPause between two tries while the counter is away
 */
@ConfigurationProperties("embrick.counter")
record CounterSettings(
        @DefaultValue("") String address,
        @DefaultValue("1s") Duration every,
        @DefaultValue("4194304") int partBytes,
        @DefaultValue("30s") Duration longestPause) {}
