/** Trial strips: crops of a picture at their final size in several settings, on one small sheet. */
package embrick.server.trials;
