package embrick.server.runs;

import embrick.core.problem.Problem;
import jakarta.persistence.Column;
import jakarta.persistence.Entity;
import jakarta.persistence.EnumType;
import jakarta.persistence.Enumerated;
import jakarta.persistence.Id;
import jakarta.persistence.Table;
import jakarta.persistence.Version;
import java.time.Instant;
import java.util.Optional;
import java.util.UUID;
import org.hibernate.annotations.JdbcTypeCode;
import org.hibernate.type.SqlTypes;

/** One output of a run, with the plan it is made from. */
@Entity
@Table(name = "piece")
public class Piece {
    /** How far it is. */
    public enum State {
        WAITING,
        MAKING,
        /** Made, opened again, as planned, and in its place. */
        CHECKED,
        FAILED,
        STOPPED
    }

    @Id
    private UUID id;

    private UUID runId;
    private UUID orderId;
    private UUID originalId;

    @Column(columnDefinition = "text")
    private String originalPath;

    private int position;
    private int copies;

    @Column(columnDefinition = "text")
    private String name;

    @Enumerated(EnumType.STRING)
    @Column(columnDefinition = "text")
    private State state;

    @JdbcTypeCode(SqlTypes.JSON)
    @Column(columnDefinition = "jsonb")
    private String plan;

    @Column(columnDefinition = "text")
    private String originalDigest;

    private int width;
    private int height;
    private long expectedBytes;
    private Double markedPpi;
    private int attempts;
    private UUID madeBy;
    private int deaths;

    @Column(columnDefinition = "text")
    private String digest;

    private Long fileBytes;
    private Double haloPercent;

    private Integer jpegQuality;

    @Column(columnDefinition = "text")
    private String problemCode;

    @Column(columnDefinition = "text")
    private String problemText;

    @Column(columnDefinition = "text")
    private String problemRemedy;

    private Instant changedAt;

    /** The transaction that changed it last; the database sets it. */
    @Column(insertable = false, updatable = false)
    private long changedIn;

    @Version
    private Long version;

    protected Piece() {}

    Piece(UUID id, UUID runId, UUID orderId, Place place, Instant now) {
        this.id = id;
        this.runId = runId;
        this.orderId = orderId;
        this.originalId = place.originalId();
        this.originalPath = place.originalPath();
        this.position = place.position();
        this.name = place.name();
        this.copies = place.copies();
        this.state = State.WAITING;
        this.changedAt = now;
    }

    /**
     * Which picture it is of, and how many prints are made of it.
     *
     * @param position when it is made; pieces of one picture follow one another, so that it is decoded once
     */
    record Place(UUID originalId, String originalPath, int position, String name, int copies) {}

    /** The plan and what is read off it. @param originalDigest of the content that it is for */
    record Planned(
            String planJson, String originalDigest, int width, int height, double markedPpi, long expectedBytes) {}

    /** Of which content it was planned; empty for one that was not, or before that was noted. */
    Optional<String> originalDigest() {
        return Optional.ofNullable(originalDigest);
    }

    void plan(Planned planned, Instant now) {
        this.plan = planned.planJson();
        this.originalDigest = planned.originalDigest();
        this.width = planned.width();
        this.height = planned.height();
        this.markedPpi = planned.markedPpi();
        this.expectedBytes = planned.expectedBytes();
        change(State.WAITING, Optional.empty(), now);
    }

    /**
     * Begins an attempt; the number names its temporary file.
     *
     * @param process that makes it
     * @param blame for the end of the process that {@link #interruptedBy} tells, if there is one
     */
    int begin(UUID process, int blame, Instant now) {
        this.deaths += blame;
        this.madeBy = process;
        change(State.MAKING, Optional.empty(), now);
        return ++attempts;
    }

    /** The process that was at it and has ended, or was taken for dead. */
    Optional<UUID> interruptedBy(UUID process) {
        return Optional.ofNullable(madeBy).filter(before -> state == State.MAKING && !before.equals(process));
    }

    /** How much it is blamed for the ends of processes that made it, since somebody last asked for it. */
    int blame() {
        return deaths;
    }

    boolean isAttempt(int number) {
        return state == State.MAKING && attempts == number;
    }

    /** Puts it in line again, with the plan it has; what was noted of an earlier file is forgotten. */
    void await(Instant now) {
        this.deaths = 0;
        forgetFile();
        change(State.WAITING, Optional.empty(), now);
    }

    /** Gives an attempt up for now, for a reason that is not the picture's. */
    void giveBack(Instant now) {
        this.madeBy = null;
        change(State.WAITING, Optional.empty(), now);
    }

    /** Notes what is about to be published, before it is. */
    void intend(Made made) {
        this.digest = made.digest();
        this.fileBytes = made.bytes();
        this.haloPercent = made.haloPercent().orElse(null);
        this.jpegQuality = made.jpegQuality().orElse(null);
    }

    /**
     * A finished file.
     *
     * @param haloPercent the overshoot at its contours, where it was sharpened
     * @param jpegQuality that it was coded at, where it is a JPEG whose tables tell it
     */
    record Made(String digest, long bytes, Optional<Double> haloPercent, Optional<Integer> jpegQuality) {}

    void finish(Instant now) {
        change(State.CHECKED, Optional.empty(), now);
    }

    void stop(Instant now) {
        change(State.STOPPED, Optional.empty(), now);
    }

    void fail(Problem problem, Instant now) {
        forgetFile();
        change(State.FAILED, Optional.of(problem), now);
    }

    private void forgetFile() {
        this.digest = null;
        this.fileBytes = null;
        this.haloPercent = null;
        this.jpegQuality = null;
    }

    private void change(State newState, Optional<Problem> problem, Instant now) {
        this.state = newState;
        this.problemCode = problem.map(Problem::code).orElse(null);
        this.problemText = problem.map(Problem::text).orElse(null);
        this.problemRemedy = problem.map(Problem::remedy).orElse(null);
        this.changedAt = now;
    }

    public UUID id() {
        return id;
    }

    public UUID runId() {
        return runId;
    }

    UUID orderId() {
        return orderId;
    }

    public UUID originalId() {
        return originalId;
    }

    public String originalPath() {
        return originalPath;
    }

    public int position() {
        return position;
    }

    public String name() {
        return name;
    }

    public State state() {
        return state;
    }

    int copies() {
        return copies;
    }

    public Optional<String> plan() {
        return Optional.ofNullable(plan);
    }

    public int width() {
        return width;
    }

    public int height() {
        return height;
    }

    /** The ppi its file is marked with; empty without a plan. */
    public Optional<Double> markedPpi() {
        return Optional.ofNullable(markedPpi);
    }

    public long expectedBytes() {
        return expectedBytes;
    }

    int attempts() {
        return attempts;
    }

    /** SHA-256 of the file. */
    public Optional<String> digest() {
        return Optional.ofNullable(digest);
    }

    public Optional<Long> fileBytes() {
        return Optional.ofNullable(fileBytes);
    }

    /** How far sharpened contours overshoot, in per cent of their contrast; empty where nothing is sharpened. */
    public Optional<Double> haloPercent() {
        return Optional.ofNullable(haloPercent);
    }

    public Optional<Problem> problem() {
        return Optional.ofNullable(problemCode).map(code -> new Problem(code, "picture", problemText, problemRemedy));
    }

    public Instant changedAt() {
        return changedAt;
    }
}
