package embrick.server.web;

import jakarta.servlet.FilterChain;
import jakarta.servlet.ServletException;
import jakarta.servlet.http.HttpServletRequest;
import jakarta.servlet.http.HttpServletResponse;
import java.io.IOException;
import java.net.URI;
import java.util.Set;
import org.springframework.stereotype.Component;
import org.springframework.web.filter.OncePerRequestFilter;

/**
 * Answers only requests that were meant for this machine: a page elsewhere could otherwise reach a server on loopback,
 * by its own scripts or by a host name that it points here.
 */
@Component
class LocalRequestsOnly extends OncePerRequestFilter {
    private static final Set<String> LOCAL = Set.of("127.0.0.1", "localhost", "[::1]");

    @Override
    protected void doFilterInternal(HttpServletRequest request, HttpServletResponse response, FilterChain chain)
            throws ServletException, IOException {
        if (!isLocal("http://" + request.getHeader("Host")) || !isLocal(request.getHeader("Origin"))) {
            response.sendError(HttpServletResponse.SC_FORBIDDEN, "Embrick answers only requests from this machine.");
            return;
        }
        response.setHeader("X-Content-Type-Options", "nosniff");
        chain.doFilter(request, response);
    }

    private static boolean isLocal(String origin) {
        if (origin == null) {
            return true;
        }
        try {
            String host = URI.create(origin).getHost();
            return host != null && LOCAL.contains(host);
        } catch (IllegalArgumentException nonsense) {
            return false;
        }
    }
}
