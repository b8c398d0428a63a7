/** Jobs: pictures and all that is made from them for one purpose. Start at {@link embrick.server.jobs.JobService}. Uses originals and tickets; must not know runs. */
package embrick.server.jobs;
