/** What all stand-ins share: plain files for their state, answers for refusals, connections that break. */
package embrick.standins.common;
