/**
 * Which products a job's pictures can serve. Start at {@link embrick.server.products.ProductController}. Knows originals and product
 * rules; no tickets, no runs.
 */
package embrick.server.products;
