package embrick.server.edits;

import jakarta.validation.constraints.NotNull;
import java.util.UUID;

/** @param leftOut whether the picture is excluded from runs */
record ExclusionWish(@NotNull UUID originalId, boolean leftOut) {}
