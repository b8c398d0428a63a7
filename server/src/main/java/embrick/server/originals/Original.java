package embrick.server.originals;

import embrick.core.problem.Problem;
import embrick.core.source.SourceFacts;
import embrick.core.units.Resolution;
import embrick.server.storage.Arrival;
import embrick.server.storage.OriginalPlace;
import embrick.server.storage.OriginalPlace.InPlace;
import embrick.server.storage.OriginalPlace.Kept;
import jakarta.persistence.Column;
import jakarta.persistence.Embedded;
import jakarta.persistence.Entity;
import jakarta.persistence.EnumType;
import jakarta.persistence.Enumerated;
import jakarta.persistence.Id;
import jakarta.persistence.Table;
import jakarta.persistence.Version;
import java.math.BigDecimal;
import java.time.Instant;
import java.util.Optional;
import java.util.OptionalDouble;
import java.util.UUID;
import org.hibernate.annotations.JdbcTypeCode;
import org.hibernate.type.SqlTypes;

/** A picture of a job as it came, or a file that is none, with its reason. */
@Entity
@Table(name = "original")
public class Original {
    /** How far it can be used. */
    public enum State {
        SOUND,
        BROKEN,
        NOT_FOR_EMBRICK,
        TOO_LARGE
    }

    @Id
    private UUID id;

    private UUID jobId;

    @Column(columnDefinition = "text")
    private String path;

    @Column(columnDefinition = "text")
    private String digest;

    private long fileBytes;

    /** The folder that it lies in place below; null for one that is kept in the storage. */
    @Column(columnDefinition = "text")
    private String root;

    @Column(columnDefinition = "text")
    private String rootPath;

    private Instant fileModified;

    @Enumerated(EnumType.STRING)
    @Column(columnDefinition = "text")
    private State state;

    @JdbcTypeCode(SqlTypes.JSON)
    @Column(columnDefinition = "jsonb")
    private String facts;

    @Column(columnDefinition = "text")
    private String problemCode;

    @Column(columnDefinition = "text")
    private String problemText;

    @Column(columnDefinition = "text")
    private String problemRemedy;

    private Double damageBegins;

    @Embedded
    private PictureSaid said;

    private boolean printedDamaged;

    private boolean leftOut;

    /** What it is sorted by before its name; changed by {@link PileOrders} alone. */
    @Column(columnDefinition = "text", updatable = false)
    private String sortKey;

    @Column(columnDefinition = "text")
    private String profileDigest;

    private BigDecimal statedPpi;

    private UUID derivedFrom;

    private Instant addedAt;

    @Version
    private Long version;

    protected Original() {}

    Original(UUID id, UUID jobId, String path, String sortKey, Instant addedAt) {
        this.id = id;
        this.jobId = jobId;
        this.path = path;
        this.sortKey = sortKey;
        this.addedAt = addedAt;
    }

    String sortKey() {
        return sortKey;
    }

    void replaceContent(Arrival arrival, Judgement judgement) {
        this.digest = arrival.digest();
        this.fileBytes = arrival.fingerprint().bytes();
        moveTo(arrival.place());
        this.state = judgement.state();
        this.facts = judgement.factsJson().orElse(null);
        this.problemCode = judgement.problem().map(Problem::code).orElse(null);
        this.problemText = judgement.problem().map(Problem::text).orElse(null);
        this.problemRemedy = judgement.problem().map(Problem::remedy).orElse(null);
        this.damageBegins =
                judgement.damageBegins().isPresent() ? judgement.damageBegins().getAsDouble() : null;
        this.said = judgement.said();
        this.printedDamaged = false;
    }

    /** Says where its bytes lie now. */
    void moveTo(OriginalPlace place) {
        switch (place) {
            case Kept _ -> {
                this.root = null;
                this.rootPath = null;
                this.fileModified = null;
            }
            case InPlace inPlace -> {
                this.root = inPlace.root();
                this.rootPath = inPlace.path();
                this.fileModified = inPlace.modified();
            }
        }
    }

    /**
     * What intake found.
     *
     * @param damageBegins of a damaged picture that can be seen: the share of its stored height that is sound
     */
    record Judgement(
            State state,
            Optional<String> factsJson,
            Optional<Problem> problem,
            OptionalDouble damageBegins,
            PictureSaid said) {
        static Judgement sound(String factsJson, PictureSaid said) {
            return new Judgement(State.SOUND, Optional.of(factsJson), Optional.empty(), OptionalDouble.empty(), said);
        }

        static Judgement unusable(State state, Problem problem) {
            return new Judgement(
                    state, Optional.empty(), Optional.of(problem), OptionalDouble.empty(), PictureSaid.nothing());
        }
    }

    void deriveFrom(UUID sourceId) {
        this.derivedFrom = sourceId;
    }

    /** The scan that this picture was cut out of. */
    public Optional<UUID> derivedFrom() {
        return Optional.ofNullable(derivedFrom);
    }

    /** Says whether a damaged picture is printed as it is. */
    void printDamaged(boolean printed) {
        this.printedDamaged = printed;
    }

    /** Whether a person said that this damaged picture is printed as it is. */
    public boolean isPrintedDamaged() {
        return printedDamaged;
    }

    /** Where damage begins in a picture that can be seen all the same: the share of its stored height above it. */
    public OptionalDouble damageBegins() {
        return damageBegins == null ? OptionalDouble.empty() : OptionalDouble.of(damageBegins);
    }

    /** Whether pieces are made of it: it is sound, or is printed in spite of its damage. */
    public boolean isForPieces() {
        return state == State.SOUND || (state == State.BROKEN && facts != null && printedDamaged);
    }

    public void leaveOut(boolean left) {
        this.leftOut = left;
    }

    /** Says which profile the picture has, whatever its file says; empty for what the file says. */
    void assignProfile(Optional<String> digest) {
        this.profileDigest = digest.orElse(null);
    }

    /** The profile that somebody said. */
    public Optional<String> profileDigest() {
        return Optional.ofNullable(profileDigest);
    }

    /** States the ppi that gives the picture its true size; empty for what its file says. */
    void statePpi(Optional<BigDecimal> ppi) {
        this.statedPpi = ppi.orElse(null);
    }

    public Optional<BigDecimal> statedPpi() {
        return Optional.ofNullable(statedPpi).map(BigDecimal::stripTrailingZeros);
    }

    /** What was read off its file, with the ppi that somebody stated. */
    public SourceFacts withStatedPpi(SourceFacts read) {
        return statedPpi().map(Resolution::perInch).map(read::withPpi).orElse(read);
    }

    public UUID id() {
        return id;
    }

    public UUID jobId() {
        return jobId;
    }

    /** With its subfolders, parted by {@code /}. */
    public String path() {
        return path;
    }

    public String digest() {
        return digest;
    }

    /** Where its bytes lie. */
    public OriginalPlace place() {
        return root == null ? new Kept(digest) : new InPlace(digest, root, rootPath, fileModified);
    }

    public long fileBytes() {
        return fileBytes;
    }

    public State state() {
        return state;
    }

    public Optional<String> facts() {
        return Optional.ofNullable(facts);
    }

    public Optional<Problem> problem() {
        return Optional.ofNullable(problemCode).map(code -> new Problem(code, "picture", problemText, problemRemedy));
    }

    /** What its file says of it. */
    public PictureSaid said() {
        return said;
    }

    public Instant addedAt() {
        return addedAt;
    }

    public boolean isLeftOut() {
        return leftOut;
    }

    public Long version() {
        return version;
    }
}
