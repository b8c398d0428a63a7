package embrick.standins;

import java.io.IOException;
import java.io.UncheckedIOException;
import java.net.URI;
import java.net.http.HttpClient;
import java.net.http.HttpRequest;
import java.net.http.HttpRequest.BodyPublisher;
import java.net.http.HttpRequest.BodyPublishers;
import java.net.http.HttpResponse;
import java.net.http.HttpResponse.BodyHandlers;
import tools.jackson.databind.JsonNode;
import tools.jackson.databind.json.JsonMapper;

/** Asks a stand-in as a program elsewhere would. */
public record Http(String address) {
    private static final HttpClient CLIENT =
            HttpClient.newBuilder().version(HttpClient.Version.HTTP_1_1).build();
    private static final JsonMapper JSON = new JsonMapper();

    /** An answer: its status, its body, and one of its headers. */
    public record Answer(int status, JsonNode body, HttpResponse<String> whole) {
        public String header(String name) {
            return whole.headers().firstValue(name).orElse("");
        }
    }

    /** The body of an answer, for waits, which take no checked exceptions. */
    public JsonNode got(String path) {
        try {
            return get(path).body();
        } catch (IOException failed) {
            throw new UncheckedIOException(failed);
        } catch (InterruptedException ending) {
            Thread.currentThread().interrupt();
            throw new AssertionError(ending);
        }
    }

    public Answer get(String path) throws IOException, InterruptedException {
        return ask("GET", path, BodyPublishers.noBody());
    }

    public Answer send(String method, String path, Object body, String... headers)
            throws IOException, InterruptedException {
        return ask(
                method,
                path,
                body == null ? BodyPublishers.noBody() : BodyPublishers.ofString(JSON.writeValueAsString(body)),
                join(headers, "Content-Type", "application/json"));
    }

    /** @throws IOException if the line breaks */
    public Answer ask(String method, String path, BodyPublisher body, String... headers)
            throws IOException, InterruptedException {
        HttpRequest.Builder request =
                HttpRequest.newBuilder(URI.create(address + path)).method(method, body);
        if (headers.length > 0) {
            request.headers(headers);
        }
        HttpResponse<String> answer = CLIENT.send(request.build(), BodyHandlers.ofString());
        boolean isJson = answer.headers().firstValue("Content-Type").orElse("").contains("json");
        return new Answer(answer.statusCode(), isJson ? JSON.readTree(answer.body()) : JSON.createObjectNode(), answer);
    }

    private static String[] join(String[] headers, String... more) {
        String[] all = java.util.Arrays.copyOf(headers, headers.length + more.length);
        System.arraycopy(more, 0, all, headers.length, more.length);
        return all;
    }
}
