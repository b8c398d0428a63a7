package embrick.core.ticket;

/** What a paper's surface does to fine edges: the more ink spreads and the coarser the surface, the more sharpening they need. */
public enum PaperKind {
    /** Coated, with some gloss. */
    LUSTRE,
    /** Uncoated or matt, cotton rag among them. */
    MATT,
    CANVAS
}
