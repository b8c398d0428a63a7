/** Figures of the whole shop floor for whoever watches it, on a page in Prometheus' text format. */
package embrick.server.measures;
