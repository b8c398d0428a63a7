package embrick.standins.common;

import jakarta.servlet.ServletException;
import jakarta.servlet.http.HttpServletRequest;
import java.io.IOException;
import org.apache.catalina.connector.Request;
import org.apache.catalina.connector.Response;
import org.apache.catalina.valves.ValveBase;
import org.apache.coyote.ActionCode;
import org.springframework.boot.tomcat.servlet.TomcatServletWebServerFactory;
import org.springframework.boot.web.server.WebServerFactoryCustomizer;
import org.springframework.context.annotation.Bean;
import org.springframework.context.annotation.Configuration;

/** Cuts a connection as a broken line does: no answer, no end of the message. */
@Configuration
public class Connections {
    private static final String CUT = Connections.class.getName();

    @Bean
    WebServerFactoryCustomizer<TomcatServletWebServerFactory> cutters() {
        return factory -> factory.addEngineValves(new Cutter());
    }

    /** The caller throws what this gives. */
    public static IOException cut(HttpServletRequest request) {
        IOException cut = new IOException("the line broke");
        ((Response) request.getAttribute(CUT)).getCoyoteResponse().action(ActionCode.CLOSE_NOW, cut);
        return cut;
    }

    private static final class Cutter extends ValveBase {
        Cutter() {
            super(true);
        }

        @Override
        public void invoke(Request request, Response response) throws IOException, ServletException {
            request.setAttribute(CUT, response);
            getNext().invoke(request, response);
        }
    }
}
