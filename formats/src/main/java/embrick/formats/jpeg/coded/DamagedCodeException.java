package embrick.formats.jpeg.coded;

/** The coded data are not what they say. Its text follows a picture's name. */
final class DamagedCodeException extends Exception {
    private static final long serialVersionUID = 1L;

    DamagedCodeException(String what) {
        // Many are thrown and caught within one file's check: where they came from does not matter.
        super(what, null, false, false);
    }
}
