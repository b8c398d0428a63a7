/**
 * PDF pages of finished pieces (ISO 32000-1), through Apache PDFBox. Start at {@link embrick.formats.pdf.PdfPages}, which
 * lays pages; {@link embrick.formats.pdf.PdfPiece} reads one again. Pixels pass through as they are packed: no page is
 * decoded to be laid.
 */
package embrick.formats.pdf;
