/** The web application and its workers: a package a feature. Start at {@link embrick.server.jobs.JobController}, then {@code runs}. */
package embrick.server;
