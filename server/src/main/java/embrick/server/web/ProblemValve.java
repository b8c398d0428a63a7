package embrick.server.web;

import embrick.server.problems.ProblemBody;
import java.io.IOException;
import java.nio.charset.StandardCharsets;
import java.util.Optional;
import org.apache.catalina.connector.Request;
import org.apache.catalina.connector.Response;
import org.apache.catalina.core.StandardHost;
import org.apache.catalina.valves.ErrorReportValve;
import org.springframework.boot.tomcat.servlet.TomcatServletWebServerFactory;
import org.springframework.boot.web.server.WebServerFactoryCustomizer;
import org.springframework.context.annotation.Bean;
import org.springframework.context.annotation.Configuration;
import org.springframework.http.HttpStatus;
import org.springframework.http.MediaType;
import tools.jackson.databind.json.JsonMapper;

/** Requests that the connector refuses before any code of ours sees them are answered in RFC 9457 too, not in HTML. */
public final class ProblemValve extends ErrorReportValve {
    private static final JsonMapper JSON = new JsonMapper();

    @Override
    protected void report(Request request, Response response, Throwable failed) {
        int code = response.getStatus();
        if (code < HttpStatus.BAD_REQUEST.value() || response.getContentWritten() > 0 || !response.setErrorReported()) {
            return;
        }
        HttpStatus status = Optional.ofNullable(HttpStatus.resolve(code)).orElse(HttpStatus.INTERNAL_SERVER_ERROR);
        byte[] body = JSON.writeValueAsBytes(ProblemBody.of(
                status,
                "request-refused",
                "request",
                "The request cannot be read: " + status.getReasonPhrase() + ".",
                "Send an address with its special characters percent-encoded, and headers of ordinary length."));
        try {
            SafetyHeaders.ALL.forEach(response::setHeader);
            response.setContentType(MediaType.APPLICATION_PROBLEM_JSON_VALUE);
            response.setCharacterEncoding(StandardCharsets.UTF_8.name());
            response.getOutputStream().write(body);
            response.finishResponse();
        } catch (IOException | IllegalStateException gone) {
            // Whoever asked has left.
        }
    }

    @Configuration
    static class Use {
        @Bean
        WebServerFactoryCustomizer<TomcatServletWebServerFactory> problemValve() {
            return factory -> factory.addContextCustomizers(context -> {
                if (context.getParent() instanceof StandardHost host) {
                    host.setErrorReportValveClass(ProblemValve.class.getName());
                }
            });
        }
    }
}
