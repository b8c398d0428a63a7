package embrick.server.practice;

import java.io.IOException;
import java.net.URI;
import java.net.http.HttpClient;
import java.net.http.HttpRequest;
import java.net.http.HttpRequest.BodyPublisher;
import java.net.http.HttpRequest.BodyPublishers;
import java.net.http.HttpResponse;
import java.net.http.HttpResponse.BodyHandlers;
import java.nio.charset.StandardCharsets;
import java.nio.file.Path;
import java.util.Map;
import java.util.concurrent.TimeUnit;
import tools.jackson.databind.JsonNode;
import tools.jackson.databind.json.JsonMapper;
import tools.jackson.databind.node.ObjectNode;

/** A job from its first picture to its ZIP, asked for as pages and scripts ask. Only in a database made for it. */
final class WholeJob {
    private static final int MOST_WAIT_SECONDS = 120;
    private static final JsonMapper JSON = new JsonMapper();

    private final HttpClient http =
            HttpClient.newBuilder().version(HttpClient.Version.HTTP_1_1).build();
    private final String api;
    private final int pictures;
    private final int looks;

    /**
     * @param pictures of the job
     * @param looks at its lists, as a page that is open takes them
     */
    WholeJob(int port, int pictures, int looks) {
        this.pictures = pictures;
        this.looks = looks;
        this.api = "http://127.0.0.1:" + port + "/api/v1";
    }

    void goThrough(Path picture) throws IOException, InterruptedException {
        String job = post("/jobs", Map.of("name", "rehearsal")).path("id").asString();
        JsonNode ticket = get("/jobs/" + job + "/tickets").get(0);
        for (int number = 0; number < pictures; number++) {
            send("PUT", "/jobs/" + job + "/originals?path=picture" + number + ".jpg", BodyPublishers.ofFile(picture));
        }
        String original = get("/jobs/" + job + "/originals").get(0).path("id").asString();
        for (int look = 0; look < looks; look++) {
            get("/jobs");
            get("/jobs/" + job + "/originals");
            get("/jobs/" + job + "/framings?shape=4:5");
            send("GET", "/originals/" + original + "/small?edge=384", BodyPublishers.noBody());
            post("/originals/" + original + "/plan", Map.of("ticket", ticket.path("document")));
            post("/jobs/" + job + "/estimate", Map.of("jobName", "rehearsal", "ticket", ticket.path("document")));
        }
        proof(original, ticket.path("document"));
        run(ticket.path("id").asString());
    }

    private void proof(String original, JsonNode ticket) throws IOException, InterruptedException {
        ObjectNode request = JSON.createObjectNode();
        request.set("ticket", ticket);
        request.putObject("region").put("x", 0).put("y", 0).put("width", 1200).put("height", 700);
        request.put("show", "FILE").put("look", "PAPER");
        for (int look = 0; look <= looks / 4; look++) {
            send("POST", "/originals/" + original + "/proof", BodyPublishers.ofString(request.toString()));
        }
    }

    private void run(String ticket) throws IOException, InterruptedException {
        String run = post("/tickets/" + ticket + "/runs", Map.of()).path("id").asString();
        for (int second = 0; second < MOST_WAIT_SECONDS; second++) {
            if (get("/runs/" + run).path("run").path("state").asString().equals("FINISHED")) {
                get("/runs/" + run + "/delivery");
                send("GET", "/runs/" + run + "/delivery.zip", BodyPublishers.noBody());
                return;
            }
            TimeUnit.SECONDS.sleep(1);
        }
    }

    private JsonNode get(String path) throws IOException, InterruptedException {
        return JSON.readTree(send("GET", path, BodyPublishers.noBody()));
    }

    private JsonNode post(String path, Object body) throws IOException, InterruptedException {
        return JSON.readTree(send("POST", path, BodyPublishers.ofString(JSON.writeValueAsString(body))));
    }

    private byte[] send(String method, String path, BodyPublisher body) throws IOException, InterruptedException {
        String type = method.equals("PUT") ? "application/octet-stream" : "application/json";
        HttpResponse<byte[]> response = http.send(
                HttpRequest.newBuilder(URI.create(api + path))
                        .header("Content-Type", type)
                        .method(method, body)
                        .build(),
                BodyHandlers.ofByteArray());
        if (response.statusCode() >= 300) {
            throw new IOException(method + " " + path + " gave " + response.statusCode() + ": "
                    + new String(response.body(), StandardCharsets.UTF_8));
        }
        return response.body();
    }
}
