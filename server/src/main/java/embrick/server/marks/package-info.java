/** Pictures that marks may be. Start at {@link embrick.server.marks.MarkController}. Knows the storage alone. */
package embrick.server.marks;
