/** What a run left behind: its list, its ZIP. Start at {@link embrick.server.deliveries.DeliveryController}. */
package embrick.server.deliveries;
