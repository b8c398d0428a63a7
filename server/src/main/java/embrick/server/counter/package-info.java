/**
 * Orders at a lab's counter: pieces are held against its rules, sent in parts that are resumed, followed, and mended where the
 * counter refuses them. An order is given once, whatever happens to the line or to this process.
 */
package embrick.server.counter;
