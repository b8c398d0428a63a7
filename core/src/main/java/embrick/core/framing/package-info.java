/**
 * Where one picture sits in one shape. Start at {@link embrick.core.framing.Framing}, then
 * {@link embrick.core.framing.FrameGeometry}, which holds a frame inside a picture. Knows shapes of pixels only; must not
 * know tickets or papers.
 */
package embrick.core.framing;
