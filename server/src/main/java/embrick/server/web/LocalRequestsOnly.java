package embrick.server.web;

import embrick.server.problems.ProblemBody;
import jakarta.servlet.FilterChain;
import jakarta.servlet.ServletException;
import jakarta.servlet.http.HttpServletRequest;
import jakarta.servlet.http.HttpServletResponse;
import java.io.IOException;
import java.util.Locale;
import java.util.Set;
import org.springframework.core.Ordered;
import org.springframework.core.annotation.Order;
import org.springframework.http.HttpStatus;
import org.springframework.stereotype.Component;
import org.springframework.web.filter.OncePerRequestFilter;
import tools.jackson.databind.json.JsonMapper;

/**
 * Answers only requests that were meant for this address, port and all: a page elsewhere, also one of another program on
 * this machine, could otherwise reach a server on loopback by its own scripts or by a host name that it points here. Browsers
 * say where a request comes from in Host, Origin and Sec-Fetch-Site (Fetch Metadata, W3C); scripts that are no pages send
 * only Host.
 */
@Component
@Order(Ordered.HIGHEST_PRECEDENCE + 1)
class LocalRequestsOnly extends OncePerRequestFilter {
    private static final Set<String> NAMES = Set.of("127.0.0.1", "localhost", "[::1]");
    private static final Set<String> OWN_SITES = Set.of("same-origin", "none");
    private static final int HTTP_PORT = 80;

    private final JsonMapper json;

    LocalRequestsOnly(JsonMapper json) {
        this.json = json;
    }

    @Override
    protected void doFilterInternal(HttpServletRequest request, HttpServletResponse response, FilterChain chain)
            throws ServletException, IOException {
        String origin = request.getHeader("Origin");
        boolean isOurs = isHere(request.getHeader("Host"), request.getLocalPort())
                && (origin == null
                        || origin.startsWith("http://")
                                && isHere(origin.substring("http://".length()), request.getLocalPort()));
        if (!isOurs || !isFromHere(request)) {
            refuse(response);
            return;
        }
        chain.doFilter(request, response);
    }

    private static boolean isHere(String host, int port) {
        if (host == null) {
            return false;
        }
        String lower = host.toLowerCase(Locale.ROOT);
        return NAMES.stream()
                .anyMatch(name -> lower.equals(name + ":" + port) || port == HTTP_PORT && lower.equals(name));
    }

    /** A link on another page may lead here, to a page; nothing else of another page's is answered. */
    private static boolean isFromHere(HttpServletRequest request) {
        String site = request.getHeader("Sec-Fetch-Site");
        boolean isLink = "GET".equals(request.getMethod())
                && "navigate".equals(request.getHeader("Sec-Fetch-Mode"))
                && "document".equals(request.getHeader("Sec-Fetch-Dest"))
                && !request.getRequestURI().startsWith("/api/");
        return site == null || OWN_SITES.contains(site) || isLink;
    }

    private void refuse(HttpServletResponse response) throws IOException {
        ProblemBody.of(
                        HttpStatus.FORBIDDEN,
                        "not-from-here",
                        "request",
                        "Embrick answers only requests that are meant for its own address on this machine.",
                        "Open Embrick by the address that ./embrick start prints.")
                .answer(response, json);
    }
}
