/**
 * A simulated roll printer: takes pages as PDF with a job ticket in JSON, uses up paper and ink as it prints, runs out of paper
 * half-way, jams, and goes on with those pieces that are not whole on paper yet. What was really printed is kept, stretch by
 * stretch, as PDF and as a picture.
 */
package embrick.standins.roll;
