/**
 * What the tests of all modules share: outside tools that confirm files, waiting for a condition, and patterns of architecture
 * rules. Start at {@link embrick.testing.Outside}. It knows no class of the application.
 */
package embrick.testing;
