/**
 * The sample pictures and the demo job: the Windrose Kite Days on Saltmere Sands, all invented.
 *
 * <p>Start at {@link embrick.demo.Cast}, the list of pictures; {@link embrick.demo.Scene} draws one from a seed.
 * {@link embrick.demo.FillDemoJob} speaks to the running application by its API, as a lab's own scripts would.
 */
package embrick.demo;
