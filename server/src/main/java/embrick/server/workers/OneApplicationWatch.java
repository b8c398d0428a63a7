package embrick.server.workers;

import embrick.server.workers.OneApplication.Holder;
import java.time.Duration;
import org.slf4j.Logger;
import org.slf4j.LoggerFactory;
import org.springframework.beans.factory.DisposableBean;
import org.springframework.beans.factory.annotation.Value;
import org.springframework.boot.SpringApplication;
import org.springframework.boot.flyway.autoconfigure.FlywayMigrationStrategy;
import org.springframework.boot.jdbc.autoconfigure.JdbcConnectionDetails;
import org.springframework.boot.web.server.context.WebServerApplicationContext;
import org.springframework.context.ApplicationContext;
import org.springframework.context.annotation.Bean;
import org.springframework.context.annotation.Configuration;
import org.springframework.scheduling.annotation.Scheduled;

/** Takes the {@link OneApplication} lock before the database is brought up to date, and ends this application if it is lost. */
@Configuration
class OneApplicationWatch implements DisposableBean {
    private static final Logger LOG = LoggerFactory.getLogger(OneApplicationWatch.class);
    private static final long EVERY_MILLIS = 2000;

    private final ApplicationContext context;
    private final OneApplication one;

    OneApplicationWatch(
            ApplicationContext context,
            JdbcConnectionDetails database,
            @Value("${db-scheduler.scheduler-name}") String name,
            @Value("${embrick.patience-with-another}") Duration patience) {
        this.context = context;
        this.one = context instanceof WebServerApplicationContext
                ? new OneApplication(
                        database.getJdbcUrl(), database.getUsername(), database.getPassword(), name, patience)
                : null;
    }

    @Bean
    FlywayMigrationStrategy onlyByTheOneApplication() {
        return flyway -> {
            if (one != null) {
                one.hold();
            }
            flyway.migrate();
        };
    }

    @Scheduled(fixedDelay = EVERY_MILLIS)
    void look() {
        if (one != null) {
            one.lost().ifPresent(this::end);
        }
    }

    private void end(Holder other) {
        StartRefusedException refusal = OneApplication.refusal(other);
        LOG.error("this application ends. {} {}", refusal.getMessage(), refusal.remedy());
        // Not by this thread: the end waits for it.
        Thread.ofPlatform().name("end").start(() -> System.exit(SpringApplication.exit(context, refusal::getExitCode)));
    }

    @Override
    public void destroy() {
        if (one != null) {
            one.close();
        }
    }
}
