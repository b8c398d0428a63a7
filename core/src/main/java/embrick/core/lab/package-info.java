/** What a lab takes: its products, their rules, and which pieces keep to them. */
package embrick.core.lab;
