package embrick.server.deliveries;

import java.util.Arrays;
import java.util.stream.Collectors;

/** Lines of CSV, RFC 4180. */
final class Csv {
    private Csv() {}

    static String line(Object... values) {
        return Arrays.stream(values).map(Object::toString).map(Csv::field).collect(Collectors.joining(",")) + "\r\n";
    }

    /**
     * What a spreadsheet takes for the beginning of a formula (OWASP, "CSV Injection"); the wide signs of East Asian
     * keyboards too.
     */
    private static final String FORMULA_SIGNS = "=+-@\t\r\n\uff1d\uff0b\uff0d\uff20";

    /** Quoted where it must be; a spreadsheet must not take a name for a formula. */
    static String field(String value) {
        String safe = !value.isEmpty() && FORMULA_SIGNS.indexOf(value.charAt(0)) >= 0 ? "'" + value : value;
        return safe.matches("(?s).*[\",\r\n].*") ? "\"" + safe.replace("\"", "\"\"") + "\"" : safe;
    }
}
