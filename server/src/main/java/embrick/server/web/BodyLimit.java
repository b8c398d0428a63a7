package embrick.server.web;

import embrick.server.problems.ProblemBody;
import jakarta.servlet.FilterChain;
import jakarta.servlet.ReadListener;
import jakarta.servlet.ServletException;
import jakarta.servlet.ServletInputStream;
import jakarta.servlet.http.HttpServletRequest;
import jakarta.servlet.http.HttpServletRequestWrapper;
import jakarta.servlet.http.HttpServletResponse;
import java.io.EOFException;
import java.io.IOException;
import org.springframework.core.Ordered;
import org.springframework.core.annotation.Order;
import org.springframework.http.HttpStatus;
import org.springframework.http.MediaType;
import org.springframework.stereotype.Component;
import org.springframework.web.filter.OncePerRequestFilter;
import tools.jackson.databind.json.JsonMapper;

/**
 * Bounds the bodies that are read into memory: all but uploads, which go to the disk and have a limit of their own. The
 * largest that is meant, framings of some thousand pictures, has a few megabytes.
 */
@Component
@Order(Ordered.HIGHEST_PRECEDENCE + 2)
class BodyLimit extends OncePerRequestFilter {
    private static final long MOST_BYTES = 32L << 20;

    private final JsonMapper json;

    BodyLimit(JsonMapper json) {
        this.json = json;
    }

    @Override
    protected boolean shouldNotFilter(HttpServletRequest request) {
        return String.valueOf(request.getContentType()).startsWith(MediaType.APPLICATION_OCTET_STREAM_VALUE);
    }

    @Override
    protected void doFilterInternal(HttpServletRequest request, HttpServletResponse response, FilterChain chain)
            throws ServletException, IOException {
        if (request.getContentLengthLong() > MOST_BYTES) {
            ProblemBody.of(
                            HttpStatus.CONTENT_TOO_LARGE,
                            "body-too-large",
                            "body",
                            "The body has more than " + (MOST_BYTES >> 20) + " MB.",
                            "Send it in parts; files are sent as application/octet-stream.")
                    .answer(response, json);
            return;
        }
        chain.doFilter(new Limited(request), response);
    }

    /** Without a length it is counted as it is read. */
    private static final class Limited extends HttpServletRequestWrapper {
        Limited(HttpServletRequest request) {
            super(request);
        }

        @Override
        public ServletInputStream getInputStream() throws IOException {
            ServletInputStream whole = super.getInputStream();
            return new ServletInputStream() {
                private long read;

                @Override
                public int read() throws IOException {
                    int value = whole.read();
                    count(value < 0 ? 0 : 1);
                    return value;
                }

                @Override
                public int read(byte[] into, int from, int most) throws IOException {
                    int some = whole.read(into, from, most);
                    count(Math.max(0, some));
                    return some;
                }

                private void count(int bytes) throws EOFException {
                    read += bytes;
                    if (read > MOST_BYTES) {
                        throw new EOFException("more than " + MOST_BYTES + " bytes");
                    }
                }

                @Override
                public boolean isFinished() {
                    return whole.isFinished();
                }

                @Override
                public boolean isReady() {
                    return whole.isReady();
                }

                @Override
                public void setReadListener(ReadListener listener) {
                    whole.setReadListener(listener);
                }
            };
        }
    }
}
