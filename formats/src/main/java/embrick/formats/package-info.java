/**
 * Picture files in and out.
 *
 * <p><b>What it is.</b> {@link embrick.formats.Formats} is the only door: inspect, open, write. A package per format holds
 * its reader, its writer and the format's constants as its specification names them.
 *
 * <p><b>Start reading</b> at {@code Formats.inspect}.
 *
 * <p><b>It must not know</b> jobs, databases or HTTP.
 */
package embrick.formats;
