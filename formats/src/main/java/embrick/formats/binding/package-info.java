/** Calling native libraries by java.lang.foreign. Start at {@link embrick.formats.binding.NativeLibrary}. Sizes are checked by the callers' one place each, before any call. */
package embrick.formats.binding;
