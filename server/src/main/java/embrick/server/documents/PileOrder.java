package embrick.server.documents;

/** What decides the order of a job's pictures, in which they are shown, numbered, listed and laid on paper. */
public enum PileOrder {
    /** As people sort names: numbers as numbers, letters whatever their case. */
    NAME,
    /** When each was taken; those that do not say come last, by name. */
    DATE,
    /** By the colour that their prints lose, as it was when somebody asked; what comes in later is last, by name. */
    LOSS,
    /** As somebody put them; what comes in later is last, by name. */
    HAND
}
