package embrick.core.plan;

/** It can be done, but somebody should know. */
public record Notice(String code, String text) {}
