package embrick.server.support;

import static org.assertj.core.api.Assertions.assertThat;

import embrick.testing.Await;
import java.io.IOException;
import java.io.UncheckedIOException;
import java.net.URI;
import java.net.URLEncoder;
import java.net.http.HttpClient;
import java.net.http.HttpRequest;
import java.net.http.HttpRequest.BodyPublisher;
import java.net.http.HttpRequest.BodyPublishers;
import java.net.http.HttpResponse;
import java.nio.charset.StandardCharsets;
import java.time.Duration;
import java.util.Map;
import java.util.Optional;
import java.util.concurrent.ConcurrentHashMap;
import java.util.function.Consumer;
import tools.jackson.databind.JsonNode;
import tools.jackson.databind.json.JsonMapper;
import tools.jackson.databind.node.ObjectNode;

/** Speaks HTTP to the application, as a lab's own scripts would. */
public final class Api {
    private static final JsonMapper JSON = new JsonMapper();
    private static final Map<String, DocumentedAnswers> DOCUMENTS = new ConcurrentHashMap<>();

    private final HttpClient http = HttpClient.newHttpClient();
    private final String address;

    public Api(String address) {
        this.address = address;
    }

    /** Status, body and the ETag. */
    public record Answer(int status, JsonNode body, String etag) {
        public String code() {
            return body.path("code").asString("");
        }
    }

    public Answer get(String path) {
        return send("GET", path, BodyPublishers.noBody(), Map.of());
    }

    public Answer post(String path, Object body, String... headers) {
        return send("POST", path, json(body), headers(headers));
    }

    public Answer put(String path, Object body, String... headers) {
        return send("PUT", path, json(body), headers(headers));
    }

    public Answer delete(String path) {
        return send("DELETE", path, BodyPublishers.noBody(), Map.of());
    }

    /** Adds a profile, or tries to. */
    public Answer addProfile(String fileName, byte[] content) {
        return send(
                "POST",
                "/profiles?fileName=" + URLEncoder.encode(fileName, StandardCharsets.UTF_8),
                BodyPublishers.ofByteArray(content),
                Map.of("Content-Type", "application/octet-stream"));
    }

    /** Sends one file of a job. */
    public Answer upload(String jobId, String path, byte[] content) {
        return send(
                "PUT",
                "/jobs/" + jobId + "/originals?path=" + URLEncoder.encode(path, StandardCharsets.UTF_8),
                BodyPublishers.ofByteArray(content),
                Map.of("Content-Type", "application/octet-stream"));
    }

    public byte[] download(String path) {
        try {
            HttpResponse<byte[]> response = http.send(
                    HttpRequest.newBuilder(URI.create(address + "/api/v1" + path))
                            .build(),
                    HttpResponse.BodyHandlers.ofByteArray());
            assertThat(response.statusCode()).isEqualTo(200);
            return response.body();
        } catch (IOException failed) {
            throw new UncheckedIOException(failed);
        } catch (InterruptedException interrupted) {
            throw interrupted(interrupted);
        }
    }

    /** A picture that is asked for with a body, and a header that comes with it. */
    public record Picture(byte[] bytes, String header) {}

    public Picture picture(String path, Object body, String header) {
        try {
            HttpResponse<byte[]> response = http.send(
                    HttpRequest.newBuilder(URI.create(address + "/api/v1" + path))
                            .header("Content-Type", "application/json")
                            .POST(json(body))
                            .build(),
                    HttpResponse.BodyHandlers.ofByteArray());
            assertThat(response.statusCode())
                    .as(new String(response.body(), StandardCharsets.ISO_8859_1))
                    .isEqualTo(200);
            return new Picture(
                    response.body(), response.headers().firstValue(header).orElse(""));
        } catch (IOException failed) {
            throw new UncheckedIOException(failed);
        } catch (InterruptedException interrupted) {
            throw interrupted(interrupted);
        }
    }

    /**
     * A job whose ticket enlarges by a kernel: few of these tests ask how pixels are enlarged, and learned detail would cost
     * them more than all else.
     */
    public String newJob(String name) {
        String job = newJobAsItComes(name);
        changeFirstTicket(job, ticket -> ((ObjectNode) ticket.path("resampling")).put("method", "LANCZOS3"));
        return job;
    }

    /** A job as the application makes it. */
    public String newJobAsItComes(String name) {
        Answer job = post("/jobs", Map.of("name", name));
        assertThat(job.status()).isEqualTo(201);
        return job.body().path("id").asString();
    }

    public ObjectNode firstTicket(String jobId) {
        return (ObjectNode) get("/jobs/" + jobId + "/tickets").body().get(0);
    }

    /** Says a job's first ticket anew, and gives it as it now is. */
    public ObjectNode changeFirstTicket(String jobId, Consumer<ObjectNode> change) {
        Answer kept = sayFirstTicket(jobId, change);
        assertThat(kept.status()).as(kept.body().toString()).isEqualTo(200);
        return (ObjectNode) kept.body().path("document");
    }

    /** Says a job's first ticket anew, which may be refused. */
    public Answer sayFirstTicket(String jobId, Consumer<ObjectNode> change) {
        return sayTicket(firstTicket(jobId), change);
    }

    /**
     * Says a ticket anew, which may be refused.
     *
     * @param stored the ticket with its id and the version the change is made on; left as it is
     */
    public Answer sayTicket(ObjectNode stored, Consumer<ObjectNode> change) {
        ObjectNode document = (ObjectNode) stored.path("document").deepCopy();
        change.accept(document);
        return put(
                "/tickets/" + stored.path("id").asString(),
                document,
                "If-Match",
                "\"" + stored.path("version").asInt() + "\"");
    }

    /** The id of the original that has this path in a job. */
    public String original(String jobId, String path) {
        for (JsonNode original : get("/jobs/" + jobId + "/originals").body()) {
            if (original.path("path").asString().equals(path)) {
                return original.path("id").asString();
            }
        }
        throw new AssertionError(path + " is not in the job");
    }

    /** The document of a framing that is centred, not tilted, and covers its corners. */
    public static Map<String, Object> framing(double centreX, double tightness) {
        return Map.ofEntries(
                Map.entry("schemaVersion", 2),
                Map.entry("centreX", centreX),
                Map.entry("centreY", 0.5),
                Map.entry("tightness", tightness),
                Map.entry("tiltDegrees", 0),
                Map.entry("quarterTurns", 0),
                Map.entry("mirror", "AS_IT_IS"),
                Map.entry("turn", "AS_TICKET"),
                Map.entry("corners", "COVERED"));
    }

    /** Starts a run of a job's first ticket and returns its id. */
    public String startRun(String jobId) {
        Answer run = post("/tickets/" + firstTicket(jobId).path("id").asString() + "/runs", Map.of());
        assertThat(run.status()).as(run.body().toString()).isEqualTo(201);
        return run.body().path("id").asString();
    }

    /** Waits until a run is finished and returns it with its pieces. */
    public JsonNode finished(String runId) {
        return Await.until(
                "run " + runId + " to finish",
                () -> get("/runs/" + runId).body(),
                run -> run.path("run").path("finishedAt").isString());
    }

    private static Map<String, String> headers(String... pairs) {
        return pairs.length == 0 ? Map.of() : Map.of(pairs[0], pairs[1]);
    }

    private static BodyPublisher json(Object body) {
        return BodyPublishers.ofString(body instanceof String text ? text : JSON.writeValueAsString(body));
    }

    public Answer send(String method, String path, BodyPublisher body, Map<String, String> headers) {
        HttpRequest.Builder request = HttpRequest.newBuilder(URI.create(address + "/api/v1" + path))
                .timeout(Duration.ofMinutes(2))
                .method(method, body);
        if (!headers.containsKey("Content-Type")) {
            request.header("Content-Type", "application/json");
        }
        headers.forEach(request::header);
        try {
            HttpResponse<String> response = http.send(request.build(), HttpResponse.BodyHandlers.ofString());
            String type = response.headers().firstValue("Content-Type").orElse("");
            Optional<JsonNode> node =
                    type.contains("json") ? Optional.of(JSON.readTree(response.body())) : Optional.empty();
            documented().require(method, "/api/v1" + path, response.statusCode(), node);
            return new Answer(
                    response.statusCode(),
                    node.orElseGet(JSON::createObjectNode),
                    response.headers().firstValue("ETag").orElse(""));
        } catch (IOException failed) {
            throw new UncheckedIOException(failed);
        } catch (InterruptedException interrupted) {
            throw interrupted(interrupted);
        }
    }

    /** The document of the application at this address, read once. */
    private DocumentedAnswers documented() {
        return DOCUMENTS.computeIfAbsent(address, at -> {
            try {
                HttpRequest request =
                        HttpRequest.newBuilder(URI.create(at + "/api/openapi")).build();
                return new DocumentedAnswers(JSON.readTree(
                        http.send(request, HttpResponse.BodyHandlers.ofString()).body()));
            } catch (IOException failed) {
                throw new UncheckedIOException(failed);
            } catch (InterruptedException ended) {
                throw interrupted(ended);
            }
        });
    }

    private static IllegalStateException interrupted(InterruptedException interrupted) {
        Thread.currentThread().interrupt();
        return new IllegalStateException(interrupted);
    }
}
