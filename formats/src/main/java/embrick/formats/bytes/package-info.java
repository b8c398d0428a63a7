/** What all readers of bytes share: how they tell that the bytes themselves are wrong. */
package embrick.formats.bytes;
