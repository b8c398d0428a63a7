/** How services outside are spoken with over HTTP, and how they refuse. */
package embrick.server.outside;
