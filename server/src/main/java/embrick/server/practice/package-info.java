/**
 * Works that are done for practice, on a picture drawn for them, before anybody waits: the Java machine makes fast code only
 * of what has been done often. Start at {@link embrick.server.practice.Practice}. It knows no jobs, no runs, no database.
 */
package embrick.server.practice;
