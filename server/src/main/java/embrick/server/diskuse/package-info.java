/** What takes room on the storage's disk. Knows tables of others by their names alone. */
package embrick.server.diskuse;
