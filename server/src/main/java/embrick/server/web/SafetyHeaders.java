package embrick.server.web;

import jakarta.servlet.FilterChain;
import jakarta.servlet.ServletException;
import jakarta.servlet.http.HttpServletRequest;
import jakarta.servlet.http.HttpServletResponse;
import java.io.IOException;
import java.util.Map;
import org.springframework.core.Ordered;
import org.springframework.core.annotation.Order;
import org.springframework.stereotype.Component;
import org.springframework.web.filter.OncePerRequestFilter;

/** What every answer tells browsers, refusals too (OWASP Secure Headers; Content Security Policy Level 3, W3C). */
@Component
@Order(Ordered.HIGHEST_PRECEDENCE)
class SafetyHeaders extends OncePerRequestFilter {
    /** Scripts come from our files alone. Ant Design writes its styles into the page, so styles may stand there. */
    private static final String POLICY = String.join(
            "; ",
            "default-src 'none'",
            "script-src 'self'",
            "style-src 'self' 'unsafe-inline'",
            "img-src 'self' blob: data:",
            "font-src 'self' data:",
            "connect-src 'self'",
            "frame-ancestors 'none'",
            "base-uri 'none'",
            "form-action 'none'");

    static final Map<String, String> ALL = Map.of(
            "Content-Security-Policy", POLICY,
            "X-Content-Type-Options", "nosniff",
            "Referrer-Policy", "no-referrer",
            "Cross-Origin-Resource-Policy", "same-origin",
            "Cross-Origin-Opener-Policy", "same-origin");

    @Override
    protected void doFilterInternal(HttpServletRequest request, HttpServletResponse response, FilterChain chain)
            throws ServletException, IOException {
        ALL.forEach(response::setHeader);
        chain.doFilter(request, response);
    }
}
