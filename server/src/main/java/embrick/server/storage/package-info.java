/** The storage folder and the memory for decoded pictures. Start at {@link embrick.server.storage.Storage}. Knows no entity. */
package embrick.server.storage;
