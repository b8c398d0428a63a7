package embrick.server.profiles;

import static org.assertj.core.api.Assertions.assertThat;
import static org.assertj.core.api.Assertions.within;

import embrick.formats.icc.ProfileShelf;
import embrick.formats.icc.ShippedProfile;
import embrick.server.documents.ColourDocument;
import embrick.server.support.Api;
import embrick.server.support.Api.Answer;
import embrick.server.support.RunningServer;
import embrick.server.support.TestPictures;
import java.awt.Color;
import java.awt.image.BufferedImage;
import java.io.ByteArrayInputStream;
import java.io.ByteArrayOutputStream;
import java.io.IOException;
import java.nio.ByteBuffer;
import java.nio.charset.StandardCharsets;
import java.util.Arrays;
import java.util.HashMap;
import java.util.List;
import java.util.Map;
import java.util.stream.StreamSupport;
import javax.imageio.ImageIO;
import org.junit.jupiter.api.Test;
import org.junit.jupiter.api.extension.ExtendWith;
import tools.jackson.databind.JsonNode;
import tools.jackson.databind.node.ObjectNode;

/** Profiles from the shelf to finished files. */
@ExtendWith(RunningServer.class)
class ProfilesTest {
    private final Api api = new Api(RunningServer.get().address());

    /** A paper's profile as somebody else's would come: other bytes, another name, the same colours. */
    private static byte[] renamed(ShippedProfile profile, String name) {
        byte[] bytes = profile.bytes();
        byte[] letters = name.getBytes(StandardCharsets.US_ASCII);
        int description = ByteBuffer.wrap(bytes).getInt(136);
        int length = ByteBuffer.wrap(bytes).getInt(description + 8) - 1;
        Arrays.fill(bytes, description + 12, description + 12 + length, (byte) ' ');
        System.arraycopy(letters, 0, bytes, description + 12, Math.min(length, letters.length));
        return bytes;
    }

    private static ObjectNode converted(ObjectNode document, String digest, String model, String intent) {
        ObjectNode colour = document.putObject("colour");
        colour.put("kind", "convert").put("intent", intent).put("blackPoint", "PLAIN");
        colour.putObject("profile").put("digest", digest).put("model", model);
        return document;
    }

    private String jobWithPicture(String name) {
        String job = api.newJob(name);
        api.upload(job, "kite.jpg", TestPictures.drawn("jpg", 600, 400));
        return job;
    }

    private JsonNode picture(String job) {
        return api.get("/jobs/" + job + "/originals").body().get(0);
    }

    private static JsonNode titled(JsonNode shelf, String title) {
        return StreamSupport.stream(shelf.spliterator(), false)
                .filter(one -> one.path("title").asString().equals(title))
                .findFirst()
                .orElseThrow();
    }

    @Test
    void theShelfDescribesWhatShips() {
        JsonNode shelf = api.get("/profiles").body();
        JsonNode lustre = titled(shelf, "Lustre paper, CMYK");
        assertThat(lustre.path("model").asString()).isEqualTo("CMYK");
        assertThat(lustre.path("purpose").asString()).isEqualTo("OUTPUT");
        assertThat(lustre.path("tables").size()).isEqualTo(3);
        assertThat(lustre.path("white").path("l").asDouble()).isBetween(96.0, 98.0);
        assertThat(titled(shelf, "sRGB").path("digest").asString()).isEqualTo(ColourDocument.SRGB);
        JsonNode gamut = api.get("/profiles/" + lustre.path("digest").asString() + "/gamut")
                .body();
        assertThat(gamut.path("slices").size()).isEqualTo(4);
        assertThat(gamut.path("chromaticities").size()).isGreaterThan(5);
        assertThat(api.get("/profiles/" + "0".repeat(64)).status()).isEqualTo(404);
    }

    @Test
    void animportedProfileIsJudgedUsedAndNeverLost() throws IOException {
        byte[] bytes = renamed(ShippedProfile.LUSTRE_RGB, "Pier print, glossy");
        Answer added = api.addProfile("pier.icc", bytes);
        assertThat(added.status()).as(added.body().toString()).isEqualTo(201);
        String digest = added.body().path("digest").asString();
        assertThat(digest).isEqualTo(ProfileShelf.digestOf(bytes));
        assertThat(added.body().path("alike").asString()).isEqualTo("Lustre paper, RGB");
        assertThat(titled(api.get("/profiles").body(), "Pier print, glossy")).isNotNull();

        String job = jobWithPicture("pier");
        api.changeFirstTicket(job, document -> converted(document, digest, "RGB", "RELATIVE"));
        // Off the shelf before the run: the ticket keeps it.
        assertThat(api.delete("/profiles/" + digest).status()).isEqualTo(204);
        JsonNode run = api.finished(api.startRun(job));
        JsonNode piece = run.path("pieces").get(0);
        assertThat(piece.path("state").asString()).isEqualTo("CHECKED");
        assertThat(api.get("/profiles/" + digest).body().path("title").asString())
                .isEqualTo("Pier print, glossy");
        byte[] file = api.download("/pieces/" + piece.path("id").asString() + "/file");
        assertThat(new String(file, StandardCharsets.ISO_8859_1)).contains("Pier print, glossy");
    }

    @Test
    void whatIsNoProfileIsRefusedByItsName() {
        Answer refused = api.addProfile("holiday.icc", "only words".getBytes(StandardCharsets.UTF_8));
        assertThat(refused.status()).isEqualTo(422);
        assertThat(refused.code()).isEqualTo("profile-not-a-profile");
        assertThat(refused.body().path("problems").get(0).path("text").asString())
                .isEqualTo("“holiday.icc” is no ICC profile.");
        assertThat(api.delete("/profiles/" + ColourDocument.SRGB).code()).isEqualTo("shipped-profile");
    }

    @Test
    void aTicketNeedsAProfileThatIsHere() {
        String job = api.newJob("unknown");
        Answer unknown = api.sayFirstTicket(job, document -> converted(document, "a".repeat(64), "RGB", "RELATIVE"));
        assertThat(unknown.status()).isEqualTo(422);
        assertThat(unknown.body().path("problems").get(0).path("code").asString())
                .isEqualTo("unknown-profile");
        Answer other = api.sayFirstTicket(
                job, document -> converted(document, ShippedProfile.LUSTRE_CMYK.digest(), "RGB", "RELATIVE"));
        assertThat(other.body().path("problems").get(0).path("code").asString()).isEqualTo("unknown-profile");
    }

    @Test
    void picturesAreUnderstoodAsSomebodySays() {
        String job = jobWithPicture("by hand");
        JsonNode facts = picture(job).path("facts");
        assertThat(facts.path("profileOrigin").asString()).isEqualTo("ASSUMED");
        assertThat(facts.path("profile").asString()).isEqualTo("sRGB");

        Map<String, Object> wide = new HashMap<>();
        wide.put("model", "RGB");
        wide.put("digest", ShippedProfile.OP_RGB.digest());
        assertThat(api.put("/jobs/" + job + "/assumed-profiles", wide)
                        .body()
                        .path("rgb")
                        .asString())
                .isEqualTo(ShippedProfile.OP_RGB.digest());
        assertThat(picture(job).path("facts").path("profile").asString()).isEqualTo("opRGB");

        String id = picture(job).path("id").asString();
        Map<String, Object> said = new HashMap<>();
        said.put("originalIds", List.of(id));
        said.put("digest", ShippedProfile.P3_D65.digest());
        JsonNode by = api.put("/jobs/" + job + "/originals/profile", said)
                .body()
                .get(0)
                .path("facts");
        assertThat(by.path("profileOrigin").asString()).isEqualTo("BY_HAND");
        assertThat(by.path("profile").asString()).isEqualTo("P3-D65");
        JsonNode planned = api.post("/originals/" + id + "/plan", Map.of("ticket", document(job)))
                .body();
        assertThat(planned.path("notices").toString()).contains("P3-D65, set by hand");

        said.put("digest", ShippedProfile.LUSTRE_CMYK.digest());
        assertThat(api.put("/jobs/" + job + "/originals/profile", said).code()).isEqualTo("profile-for-others");
        said.put("digest", null);
        assertThat(api.put("/jobs/" + job + "/originals/profile", said)
                        .body()
                        .get(0)
                        .path("facts")
                        .path("profileOrigin")
                        .asString())
                .isEqualTo("ASSUMED");
    }

    private JsonNode document(String job) {
        return api.firstTicket(job).path("document");
    }

    /** Another profile, another look: the small picture is made anew. */
    @Test
    void smallPicturesFollowTheProfile() throws IOException {
        String job = jobWithPicture("looks");
        String id = picture(job).path("id").asString();
        int before = middle(api.download("/originals/" + id + "/small?edge=384"));
        Map<String, Object> said = new HashMap<>();
        said.put("originalIds", List.of(id));
        said.put("digest", ShippedProfile.ROMM_RGB.digest());
        api.put("/jobs/" + job + "/originals/profile", said);
        int after = middle(api.download("/originals/" + id + "/small?edge=384"));
        assertThat(after).isNotEqualTo(before);
    }

    private static int middle(byte[] jpeg) throws IOException {
        var picture = ImageIO.read(new ByteArrayInputStream(jpeg));
        return picture.getRGB(picture.getWidth() / 2, picture.getHeight() / 2);
    }

    private ObjectNode proof(JsonNode ticket, String look) {
        ObjectNode request = tools.jackson.databind.json.JsonMapper.shared().createObjectNode();
        request.set("ticket", ticket);
        request.put("show", "FILE").put("look", look).put("reduction", 8);
        request.putObject("region").put("x", 0).put("y", 0).put("width", 375).put("height", 300);
        return request;
    }

    /** White, grey, and a green that no paper has: a third each. */
    private static byte[] thirds() throws IOException {
        BufferedImage picture = new BufferedImage(600, 480, BufferedImage.TYPE_INT_RGB);
        Color[] colours = {Color.WHITE, Color.GRAY, Color.GREEN};
        for (int x = 0; x < 600; x++) {
            for (int y = 0; y < 480; y++) {
                picture.setRGB(x, y, colours[x / 200].getRGB());
            }
        }
        ByteArrayOutputStream png = new ByteArrayOutputStream();
        ImageIO.write(picture, "png", png);
        return png.toByteArray();
    }

    @Test
    void thePaperIsProofed() throws IOException {
        String job = api.newJob("softProof");
        api.upload(job, "thirds.png", thirds());
        String id = picture(job).path("id").asString();
        ObjectNode ticket =
                converted((ObjectNode) document(job), ShippedProfile.COTTON_RAG_CMYK.digest(), "CMYK", "RELATIVE");
        JsonNode loss = api.post("/originals/" + id + "/gamut-loss", Map.of("ticket", ticket))
                .body();
        // The columns between the thirds are mixtures of the two, three or four of 600.
        assertThat(loss.path("unprintableShare").asDouble()).isCloseTo(1 / 3.0, within(0.007));
        assertThat(loss.path("meanDifference").asDouble()).isGreaterThan(2);

        byte[] marks = api.picture("/originals/" + id + "/gamut-check", proof(ticket, "PAPER"), "Content-Type")
                .bytes();
        var striped = ImageIO.read(new ByteArrayInputStream(marks));
        int stripes = 0;
        for (int y = 0; y < striped.getHeight(); y++) {
            for (int x = 0; x < striped.getWidth(); x++) {
                stripes += striped.getRGB(x, y) >>> 24 == 0 ? 0 : 1;
            }
        }
        // Half of what is marked is striped.
        assertThat(2.0 * stripes / (striped.getWidth() * striped.getHeight())).isCloseTo(1 / 3.0, within(0.01));
        assertThat(striped.getRGB(60, 100) >>> 24).isZero();

        int paper = corner(api.picture("/originals/" + id + "/proof", proof(ticket, "PAPER"), "Content-Type")
                .bytes());
        int white = corner(api.picture("/originals/" + id + "/proof", proof(ticket, "WHITE"), "Content-Type")
                .bytes());
        // Rag's white, L* 95.9 and a little yellow, is darker on screen than the screen's own, blue most.
        assertThat(white & 0xff).isGreaterThan(250);
        assertThat(paper & 0xff).isBetween(225, 242);
        Answer own = api.post("/originals/" + id + "/proof", proof(ticket, "OWN"));
        assertThat(own.code()).isEqualTo("inks-on-screen");
    }

    private static int corner(byte[] png) throws IOException {
        var picture = ImageIO.read(new ByteArrayInputStream(png));
        return picture.getRGB(5, 5);
    }
}
