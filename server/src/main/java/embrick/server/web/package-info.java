/** What holds for all requests: who may ask, and the page itself. Knows no feature. */
package embrick.server.web;
