/**
 * What a picture's pixels are worth: up to which share of them it holds detail, and what JPEG left in it. Start at
 * {@link embrick.core.found.detail.DetailMeasure}.
 */
package embrick.core.found.detail;
