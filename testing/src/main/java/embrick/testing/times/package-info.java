/**
 * How long each test class takes, in wall and processor time. Start at {@link embrick.testing.times.ClassTimes}, which the
 * JUnit platform finds as a service.
 */
package embrick.testing.times;
