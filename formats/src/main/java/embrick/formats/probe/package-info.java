/** What a file is, told by its content and never by its suffix. Start at {@link embrick.formats.probe.Probe}. */
package embrick.formats.probe;
