package embrick.server.web;

import static org.assertj.core.api.Assertions.assertThat;

import embrick.server.support.RunningServer;
import java.io.IOException;
import java.net.URI;
import java.net.http.HttpClient;
import java.net.http.HttpRequest;
import java.net.http.HttpResponse;
import java.util.regex.Matcher;
import java.util.regex.Pattern;
import org.junit.jupiter.api.Test;
import org.junit.jupiter.api.extension.ExtendWith;

/** The page is asked for each time, the files that it names are kept for a year (RFC 9111, RFC 8246). */
@ExtendWith(RunningServer.class)
class PageFilesTest {
    private final HttpClient http = HttpClient.newHttpClient();

    private HttpResponse<String> get(String path) throws IOException, InterruptedException {
        return http.send(
                HttpRequest.newBuilder(URI.create(RunningServer.get().address() + path))
                        .header("Accept", "text/html,*/*;q=0.8")
                        .build(),
                HttpResponse.BodyHandlers.ofString());
    }

    private static String cacheControl(HttpResponse<?> answer) {
        return answer.headers().firstValue("Cache-Control").orElse("");
    }

    @Test
    void thePageIsNeverKept() throws IOException, InterruptedException {
        for (String path : new String[] {"/", "/profiles", "/jobs/x/pile"}) {
            HttpResponse<String> page = get(path);
            assertThat(page.statusCode()).as(path).isEqualTo(200);
            assertThat(cacheControl(page)).as(path).contains("no-cache");
        }
    }

    @Test
    void itsScriptsAreKeptForAYear() throws IOException, InterruptedException {
        Matcher script = Pattern.compile("src=\"(/assets/[^\"]+\\.js)\"").matcher(get("/").body());
        assertThat(script.find()).isTrue();
        assertThat(cacheControl(get(script.group(1))))
                .contains("max-age=31536000")
                .contains("immutable");
        assertThat(get("/assets/none.js").statusCode()).isEqualTo(404);
    }

    @Test
    void anUnknownAddressIsThePageThatSaysSo() throws IOException, InterruptedException {
        HttpResponse<String> unknown = get("/pictures");
        assertThat(unknown.statusCode()).isEqualTo(404);
        assertThat(unknown.body()).contains("<div id=\"root\"");
        HttpResponse<String> api = http.send(
                HttpRequest.newBuilder(URI.create(RunningServer.get().address() + "/api/v1/pictures"))
                        .build(),
                HttpResponse.BodyHandlers.ofString());
        assertThat(api.statusCode()).isEqualTo(404);
        assertThat(api.headers().firstValue("Content-Type").orElse("")).startsWith("application/problem+json");
    }
}
