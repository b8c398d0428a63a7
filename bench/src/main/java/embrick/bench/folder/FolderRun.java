package embrick.bench.folder;

import java.io.IOException;
import java.io.InputStream;
import java.io.OutputStream;
import java.net.URI;
import java.net.URLEncoder;
import java.net.http.HttpClient;
import java.net.http.HttpRequest;
import java.net.http.HttpRequest.BodyPublishers;
import java.net.http.HttpResponse;
import java.net.http.HttpResponse.BodyHandlers;
import java.nio.charset.StandardCharsets;
import java.nio.file.Path;
import java.util.ArrayList;
import java.util.List;
import java.util.Map;
import java.util.concurrent.ExecutionException;
import java.util.concurrent.ExecutorService;
import java.util.concurrent.Executors;
import java.util.concurrent.Future;
import java.util.concurrent.TimeUnit;
import tools.jackson.databind.JsonNode;
import tools.jackson.databind.json.JsonMapper;
import tools.jackson.databind.node.ObjectNode;

/** A folder's way as a script of a lab would take it: four uploads at a time, one run, one ZIP. */
public final class FolderRun {
    private static final int UPLOADS = 4;
    private static final int LOOK_MILLIS = 200;
    private static final JsonMapper JSON = new JsonMapper();

    private final HttpClient http =
            HttpClient.newBuilder().version(HttpClient.Version.HTTP_1_1).build();
    private final String api;
    private final String method;

    FolderRun(String address, String method) {
        this.api = address + "/api/v1";
        this.method = method;
    }

    /** Seconds that each part took. */
    public record Took(double intake, double run, double zip) {
        public double all() {
            return intake + run + zip;
        }
    }

    Took take(List<Path> pictures) throws IOException, InterruptedException {
        String job = post("/jobs", Map.of("name", "bench")).path("id").asString();
        String ticket = sharpened(job);
        long begun = System.nanoTime();
        send(job, pictures);
        double intake = since(begun);
        begun = System.nanoTime();
        String run = post("/tickets/" + ticket + "/runs", Map.of()).path("id").asString();
        awaitEnd(run, pictures.size());
        double made = since(begun);
        begun = System.nanoTime();
        HttpResponse<InputStream> zip = http.send(
                HttpRequest.newBuilder(URI.create(api + "/runs/" + run + "/delivery.zip"))
                        .build(),
                BodyHandlers.ofInputStream());
        try (InputStream body = zip.body()) {
            body.transferTo(OutputStream.nullOutputStream());
        }
        return new Took(intake, made, since(begun));
    }

    private static double since(long nanos) {
        return (System.nanoTime() - nanos) / 1e9;
    }

    /** The job's ticket, 8 × 10 in at 300 ppi as JPEG 95 in sRGB, by the kernel and with the sharpening that the reference has. */
    private String sharpened(String job) throws IOException, InterruptedException {
        JsonNode ticket = answer(HttpRequest.newBuilder(URI.create(api + "/jobs/" + job + "/tickets"))
                        .build())
                .get(0);
        ObjectNode document = ((ObjectNode) ticket.path("document")).deepCopy();
        ((ObjectNode) document.path("resampling")).put("method", method);
        ObjectNode sharpening = document.putObject("sharpening");
        sharpening.put("kind", "exact").put("strength", 80).put("threshold", 1);
        sharpening.putObject("radius").put("value", 0.1).put("unit", "MM");
        String id = ticket.path("id").asString();
        answer(HttpRequest.newBuilder(URI.create(api + "/tickets/" + id))
                .header("Content-Type", "application/json")
                .header("If-Match", "\"" + ticket.path("version").asInt() + "\"")
                .PUT(BodyPublishers.ofString(JSON.writeValueAsString(document)))
                .build());
        return id;
    }

    private void send(String job, List<Path> pictures) throws IOException, InterruptedException {
        List<Future<JsonNode>> sent = new ArrayList<>();
        try (ExecutorService senders = Executors.newFixedThreadPool(UPLOADS)) {
            for (Path picture : pictures) {
                String path = picture.getName(Math.max(0, picture.getNameCount() - 3)) + "-" + picture.getFileName();
                sent.add(senders.submit(() -> answer(HttpRequest.newBuilder(URI.create(api + "/jobs/" + job
                                + "/originals?path=" + URLEncoder.encode(path, StandardCharsets.UTF_8)))
                        .header("Content-Type", "application/octet-stream")
                        .PUT(BodyPublishers.ofFile(picture))
                        .build())));
            }
        }
        for (Future<JsonNode> answered : sent) {
            try {
                answered.get();
            } catch (ExecutionException failed) {
                throw new IOException(failed.getCause());
            }
        }
    }

    private void awaitEnd(String run, int pieces) throws IOException, InterruptedException {
        while (true) {
            JsonNode now = answer(HttpRequest.newBuilder(URI.create(api + "/runs/" + run))
                            .build())
                    .path("run");
            if (now.path("state").asString().equals("FINISHED")) {
                int checked = now.path("counts").path("checked").asInt();
                if (checked != pieces) {
                    throw new IOException("expected " + pieces + " checked pieces, got " + now.path("counts"));
                }
                return;
            }
            TimeUnit.MILLISECONDS.sleep(LOOK_MILLIS);
        }
    }

    private JsonNode post(String path, Object body) throws IOException, InterruptedException {
        return answer(HttpRequest.newBuilder(URI.create(api + path))
                .header("Content-Type", "application/json")
                .POST(BodyPublishers.ofString(JSON.writeValueAsString(body)))
                .build());
    }

    private JsonNode answer(HttpRequest request) throws IOException, InterruptedException {
        HttpResponse<String> response = http.send(request, BodyHandlers.ofString());
        if (response.statusCode() >= 300) {
            throw new IOException(
                    request.method() + " " + request.uri() + " gave " + response.statusCode() + ": " + response.body());
        }
        return JSON.readTree(response.body());
    }
}
