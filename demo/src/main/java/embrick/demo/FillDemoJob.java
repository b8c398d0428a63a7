package embrick.demo;

import embrick.formats.icc.ShippedProfile;
import java.io.IOException;
import java.net.URI;
import java.net.URLEncoder;
import java.net.http.HttpClient;
import java.net.http.HttpRequest;
import java.net.http.HttpRequest.BodyPublishers;
import java.net.http.HttpResponse;
import java.nio.charset.StandardCharsets;
import java.nio.file.Files;
import java.nio.file.Path;
import java.time.Duration;
import java.time.Instant;
import java.util.ArrayList;
import java.util.List;
import java.util.Locale;
import java.util.Map;
import java.util.Optional;
import java.util.concurrent.Callable;
import java.util.concurrent.ExecutionException;
import java.util.concurrent.ExecutorService;
import java.util.concurrent.Executors;
import java.util.concurrent.Future;
import java.util.stream.Stream;
import tools.jackson.databind.JsonNode;
import tools.jackson.databind.json.JsonMapper;
import tools.jackson.databind.node.ObjectNode;

/** Makes the demo job through the API: pictures, two tickets, some framings, a finished delivery. */
public final class FillDemoJob {
    static final String JOB = "Windrose Kite Days, exhibition";
    static final String ALBUM = "Kite Days album, scanned";
    private static final Duration TOLD_EVERY = Duration.ofSeconds(5);
    /** As the pages send them. */
    private static final int UPLOADS_AT_ONCE = 4;

    private static final JsonMapper JSON = new JsonMapper();

    private final HttpClient http = HttpClient.newHttpClient();
    private final String api;

    private FillDemoJob(String address) {
        this.api = address + "/api/v1";
    }

    /**
     * @param arguments address and folder of pictures
     */
    public static void main(String[] arguments) throws IOException, InterruptedException {
        into(arguments[0], Path.of(arguments[1]));
        albumInto(arguments[0], Path.of(arguments[1]));
    }

    /** Makes the second job unless it is there, in which scans are cut and folds cleared; returns its id. */
    public static String albumInto(String address, Path pictures) throws IOException, InterruptedException {
        FillDemoJob filling = new FillDemoJob(address);
        Optional<String> there = filling.job(ALBUM);
        if (there.isPresent()) {
            return there.get();
        }
        String jobId =
                filling.call("POST", "/jobs", Map.of("name", ALBUM)).path("id").asString();
        filling.send(jobId, DrawPictures.album(pictures));
        JsonNode ticket =
                filling.call("GET", "/jobs/" + jobId + "/tickets", null).get(0);
        filling.addCanvasTicket(jobId, ticket.path("document"));
        filling.addGrownTicket(jobId, ticket.path("document"));
        return jobId;
    }

    private Optional<String> job(String name) throws IOException, InterruptedException {
        for (JsonNode job : call("GET", "/jobs", null)) {
            if (job.path("name").asString().equals(name)) {
                return Optional.of(job.path("id").asString());
            }
        }
        return Optional.empty();
    }

    /** Makes the job unless it is there; returns its id. */
    public static String into(String address, Path pictures) throws IOException, InterruptedException {
        return new FillDemoJob(address).fill(pictures);
    }

    private String fill(Path pictures) throws IOException, InterruptedException {
        Optional<String> there = job(JOB);
        if (there.isPresent()) {
            return there.get();
        }
        String jobId = call("POST", "/jobs", Map.of("name", JOB)).path("id").asString();
        say("sending the demo pictures");
        send(jobId, pictures);
        JsonNode ticket = call("GET", "/jobs/" + jobId + "/tickets", null).get(0);
        addSponsorTicket(jobId, ticket.path("document"));
        addCanvasTicket(jobId, ticket.path("document"));
        addCardTicket(jobId, ticket.path("document"));
        frame(jobId);
        run(ticket.path("id").asString());
        return jobId;
    }

    private void send(String jobId, Path pictures) throws IOException, InterruptedException {
        List<Path> files;
        try (Stream<Path> walk = Files.walk(pictures)) {
            files = walk.filter(Files::isRegularFile).sorted().toList();
        }
        List<Callable<JsonNode>> uploads = new ArrayList<>();
        for (Path file : files) {
            String path = pictures.relativize(file).toString().replace('\\', '/');
            HttpRequest request = HttpRequest.newBuilder(URI.create(api + "/jobs/" + jobId + "/originals?path="
                            + URLEncoder.encode(path, StandardCharsets.UTF_8)))
                    .header("Content-Type", "application/octet-stream")
                    .PUT(BodyPublishers.ofFile(file))
                    .build();
            uploads.add(() -> answer(request));
        }
        try (ExecutorService threads = Executors.newFixedThreadPool(UPLOADS_AT_ONCE)) {
            for (Future<JsonNode> upload : threads.invokeAll(uploads)) {
                upload.get();
            }
        } catch (ExecutionException failed) {
            throw new IOException(failed.getCause());
        }
    }

    private void addSponsorTicket(String jobId, JsonNode standard) throws IOException, InterruptedException {
        ObjectNode ticket = ((ObjectNode) standard).deepCopy();
        ticket.put("name", "Sponsor prints 16 × 20");
        ticket.put("folder", "sponsors-16x20");
        ticket.put("ppi", 200);
        ticket.put("viewing", "WALL");
        ticket.putObject("sharpening").put("kind", "paper").put("paper", "CANVAS");
        ((ObjectNode) ticket.path("size").path("width")).put("value", 16);
        ((ObjectNode) ticket.path("size").path("height")).put("value", 20);
        call("POST", "/jobs/" + jobId + "/tickets", ticket);
    }

    private void addCanvasTicket(String jobId, JsonNode standard) throws IOException, InterruptedException {
        ObjectNode ticket = ((ObjectNode) standard).deepCopy();
        ticket.put("name", "Sponsor canvases");
        ticket.put("folder", "canvases-20x24");
        ticket.put("ppi", 200);
        ticket.put("viewing", "WALL");
        ticket.putObject("sharpening").put("kind", "paper").put("paper", "CANVAS");
        length((ObjectNode) ticket.path("size"), "width", 20, "IN");
        length((ObjectNode) ticket.path("size"), "height", 24, "IN");
        ObjectNode edges = ticket.putObject("edges").put("kind", "wrap").put("marks", "FOLDS_AND_CORNERS");
        edges.putObject("fill").put("kind", "mirror");
        for (String side : List.of("top", "right", "bottom", "left")) {
            length(edges.withObject("bar"), side, 1.5, "IN");
            length(edges.withObject("allowance"), side, 0.5, "IN");
        }
        convertTo(ticket, ShippedProfile.CANVAS_RGB);
        call("POST", "/jobs/" + jobId + "/tickets", ticket);
    }

    /** For the beach that wants more sky than it has: off, since most of the album needs none. */
    private void addGrownTicket(String jobId, JsonNode standard) throws IOException, InterruptedException {
        ObjectNode ticket = ((ObjectNode) standard).deepCopy();
        ticket.put("name", "Prints 8 × 10, sky grown");
        ticket.put("folder", "prints-8x10-grown");
        ticket.putObject("fit").put("kind", "grown").put("paper", "#FFFFFF").put("anchor", "BOTTOM");
        call("POST", "/jobs/" + jobId + "/tickets", ticket);
        List<Map<String, Object>> placed = new ArrayList<>();
        for (JsonNode one : call("GET", "/jobs/" + jobId + "/tickets", null)) {
            boolean isGrown =
                    one.path("document").path("fit").path("kind").asString().equals("grown");
            placed.add(Map.of("ticketId", one.path("id").asString(), "isOn", !isGrown));
        }
        call("PUT", "/jobs/" + jobId + "/tickets", placed);
    }

    private void addCardTicket(String jobId, JsonNode standard) throws IOException, InterruptedException {
        ObjectNode ticket = ((ObjectNode) standard).deepCopy();
        ticket.put("name", "Press cards");
        ticket.put("folder", "press-cards");
        ticket.put("unit", "MM");
        length((ObjectNode) ticket.path("size"), "width", 105, "MM");
        length((ObjectNode) ticket.path("size"), "height", 148, "MM");
        ObjectNode edges = ticket.putObject("edges").put("kind", "bleed");
        length(edges, "band", 3, "MM");
        length(edges, "safe", 4, "MM");
        edges.putObject("fill").put("kind", "picture");
        ObjectNode file = ticket.putObject("file").put("kind", "pdf").put("marks", "CROP_AND_FOLD");
        file.putObject("pixels").put("kind", "jpeg").put("quality", 92);
        convertTo(ticket, ShippedProfile.LUSTRE_CMYK);
        call("POST", "/jobs/" + jobId + "/tickets", ticket);
    }

    private static void convertTo(ObjectNode ticket, ShippedProfile profile) {
        ticket.putObject("colour")
                .put("kind", "convert")
                .put("intent", "RELATIVE")
                .put("blackPoint", "COMPENSATED")
                .putObject("profile")
                .put("digest", profile.digest())
                .put("model", profile.model().name());
    }

    private static void length(ObjectNode into, String name, double value, String unit) {
        into.putObject(name).put("value", value).put("unit", unit);
    }

    /** Some pictures are framed already, for the shape 4:5. */
    private void frame(String jobId) throws IOException, InterruptedException {
        Map<String, double[]> wanted = Map.of(
                "arrivals.jpg", new double[] {0.46, 0.5, 1, 0},
                "long-tail.jpg", new double[] {0.5, 0.44, 1.05, 0},
                "slack-line.tif", new double[] {0.5, 0.5, 1, -2.4},
                "tide-mirror.jpg", new double[] {0.55, 0.5, 1.1, 0},
                "two-boxes.jpg", new double[] {0.44, 0.48, 1.08, 0},
                "low-sun.jpg", new double[] {0.5, 0.5, 1, 0},
                "nine-kites.jpg", new double[] {0.5, 0.46, 1.12, 0},
                "day-two/crosswind.jpg", new double[] {0.5, 0.5, 1, 1.6},
                "saltmere-square.jpg", new double[] {0.5, 0.5, 1, 0});
        for (JsonNode original : call("GET", "/jobs/" + jobId + "/originals", null)) {
            double[] framing = wanted.get(original.path("path").asString());
            if (framing == null) {
                continue;
            }
            ObjectNode document = JSON.createObjectNode();
            document.put("schemaVersion", 2);
            document.put("centreX", framing[0]);
            document.put("centreY", framing[1]);
            document.put("tightness", framing[2]);
            document.put("tiltDegrees", framing[3]);
            document.put("quarterTurns", 0);
            document.put("mirror", "AS_IT_IS");
            document.put("turn", "AS_TICKET");
            document.put("corners", "COVERED");
            HttpRequest request = HttpRequest.newBuilder(
                            URI.create(api + "/originals/" + original.path("id").asString() + "/framings/4:5"))
                    .header("Content-Type", "application/json")
                    .header("If-Match", "\"-1\"")
                    .PUT(BodyPublishers.ofString(
                            JSON.writeValueAsString(Map.of("document", document, "accepted", true))))
                    .build();
            answer(request);
        }
    }

    private void run(String ticketId) throws IOException, InterruptedException {
        String runId = call("POST", "/tickets/" + ticketId + "/runs", Map.of())
                .path("id")
                .asString();
        // No time limit: a slow machine finishes the run too, and a run that stops says why.
        Instant told = Instant.now();
        while (true) {
            JsonNode run = call("GET", "/runs/" + runId, null).path("run");
            String state = run.path("state").asString();
            if (state.equals("FINISHED")) {
                return;
            }
            if (!state.equals("RUNNING")) {
                say("the demo run is " + state.toLowerCase(Locale.ROOT) + ": "
                        + run.path("pause").path("text").asString("see its page"));
                return;
            }
            if (Duration.between(told, Instant.now()).compareTo(TOLD_EVERY) >= 0) {
                told = Instant.now();
                JsonNode counts = run.path("counts");
                int over =
                        counts.path("checked").asInt() + counts.path("failed").asInt();
                say(over + " of " + counts.path("all").asInt() + " pieces of the demo run are done");
            }
            Thread.sleep(300);
        }
    }

    private static void say(String words) {
        System.out.println("embrick: " + words);
    }

    private JsonNode call(String method, String path, Object body) throws IOException, InterruptedException {
        HttpRequest.Builder request =
                HttpRequest.newBuilder(URI.create(api + path)).header("Content-Type", "application/json");
        request.method(
                method,
                body == null ? BodyPublishers.noBody() : BodyPublishers.ofString(JSON.writeValueAsString(body)));
        return answer(request.build());
    }

    private JsonNode answer(HttpRequest request) throws IOException, InterruptedException {
        HttpResponse<String> response = http.send(request, HttpResponse.BodyHandlers.ofString());
        if (response.statusCode() >= 300) {
            throw new IOException(
                    request.method() + " " + request.uri() + " gave " + response.statusCode() + ": " + response.body());
        }
        return JSON.readTree(response.body());
    }
}
