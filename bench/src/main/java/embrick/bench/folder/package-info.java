/** A whole folder through the running application: what a lab waits for. Begin with {@link embrick.bench.folder.FolderBench}. */
package embrick.bench.folder;
