package embrick.server.problems;

import com.fasterxml.jackson.annotation.JsonSubTypes;
import embrick.core.problem.Problem;
import java.math.BigDecimal;
import java.math.BigInteger;
import java.time.temporal.Temporal;
import java.util.Arrays;
import java.util.Collection;
import java.util.Comparator;
import java.util.Map;
import java.util.Optional;
import java.util.UUID;
import java.util.stream.Collectors;
import org.apache.commons.text.similarity.LevenshteinDistance;
import org.springframework.web.method.annotation.MethodArgumentTypeMismatchException;
import tools.jackson.core.JacksonException;
import tools.jackson.core.exc.InputCoercionException;
import tools.jackson.core.exc.StreamReadException;
import tools.jackson.databind.DatabindException;
import tools.jackson.databind.exc.InvalidFormatException;
import tools.jackson.databind.exc.InvalidTypeIdException;
import tools.jackson.databind.exc.MismatchedInputException;
import tools.jackson.databind.exc.UnrecognizedPropertyException;

/** What a request should have said: the field's name, what it expects and what it got, in words that name no class. */
final class Expected {
    /** Of a number that is one, and too long to be worked with. */
    static final String TOO_LONG = "too-many-digits";

    /** Of a field that is not there. */
    static final String UNKNOWN_FIELD = "unknown-field";

    /** Of a document of another version. */
    static final String OTHER_VERSION = "schema-version";

    private static final String CODE = "unreadable";
    private static final String REMEDY = "Correct the value named and send it again.";

    /** Characters of a wrong value that are told back. */
    private static final int MOST_TOLD = 60;

    private Expected() {}

    /** Of a body that cannot be read. */
    static Problem of(JacksonException wrong) {
        return switch (wrong) {
            case InputCoercionException number ->
                new Problem(CODE, path(number), path(number) + ": expected a whole number of ordinary size.", REMEDY);
            case StreamReadException notJson ->
                new Problem(
                        CODE,
                        "body",
                        "The body is not JSON: see line "
                                + notJson.getLocation().getLineNr() + ", column "
                                + notJson.getLocation().getColumnNr() + ".",
                        "Send JSON, or see that it is whole.");
            case DatabindException databind -> ofField(databind);
            default -> new Problem(CODE, "body", "The body cannot be read.", "Send it again.");
        };
    }

    /** Of a part of the address. */
    static Problem of(MethodArgumentTypeMismatchException wrong) {
        Class<?> type = wrong.getRequiredType();
        return told(wrong.getName(), type == null ? "another value" : words(type), wrong.getValue());
    }

    private static Problem ofField(DatabindException wrong) {
        String field = path(wrong);
        Optional<String> ours = ownWords(wrong);
        if (ours.isPresent()) {
            boolean isVersion = ours.get().startsWith("schemaVersion:");
            return new Problem(
                    isVersion ? OTHER_VERSION : CODE,
                    isVersion ? "schemaVersion" : field,
                    prefixed(field, ours.get()),
                    isVersion ? "Read the document from this Embrick, change it and send it back." : REMEDY);
        }
        return switch (wrong) {
            case UnrecognizedPropertyException unknown -> unknown(field, unknown);
            case InvalidTypeIdException kind ->
                told(
                        field.equals("body") ? "kind" : field + ".kind",
                        kinds(kind.getBaseType().getRawClass()),
                        kind.getTypeId());
            case InvalidFormatException number
            when number.getValue() instanceof BigDecimal ->
                new Problem(TOO_LONG, field, field + ": expected a number of at most 40 digits.", REMEDY);
            case InvalidFormatException format -> told(field, words(format.getTargetType()), format.getValue());
            case MismatchedInputException other
            when other.getTargetType() != null ->
                new Problem(CODE, field, field + ": expected " + words(other.getTargetType()) + ".", REMEDY);
            default -> new Problem(CODE, field, field + ": cannot be read.", REMEDY);
        };
    }

    private static Problem unknown(String field, UnrecognizedPropertyException wrong) {
        String name = wrong.getPropertyName();
        String nearest = Optional.ofNullable(wrong.getKnownPropertyIds()).stream()
                .flatMap(Collection::stream)
                .map(String::valueOf)
                .min(Comparator.comparingInt((String known) ->
                                LevenshteinDistance.getDefaultInstance().apply(name, known))
                        .thenComparing(Comparator.naturalOrder()))
                .map(known -> " The nearest one is " + known + ".")
                .orElse("");
        return new Problem(
                UNKNOWN_FIELD,
                shortened(field),
                shortened(field) + ": there is no such field." + nearest,
                "Correct its name, or leave it out.");
    }

    /** Records of ours judge their values themselves and say so: "pixels: expected 1 or more, got 0". */
    private static Optional<String> ownWords(Throwable wrong) {
        for (Throwable cause = wrong; cause != null; cause = cause.getCause()) {
            if (cause instanceof IllegalArgumentException
                    && String.valueOf(cause.getMessage()).contains(": expected ")) {
                return Optional.of(cause.getMessage());
            }
        }
        return Optional.empty();
    }

    private static String prefixed(String field, String text) {
        String name = text.substring(0, text.indexOf(':'));
        if (field.equals("body")) {
            return text + ".";
        }
        return (field.endsWith(name) ? field + text.substring(name.length()) : field + ": " + text) + ".";
    }

    private static Problem told(String field, String expected, Object got) {
        return new Problem(CODE, field, field + ": expected " + expected + ", got " + shortened(got) + ".", REMEDY);
    }

    private static String shortened(Object got) {
        String text = String.valueOf(got).replaceAll("\\p{Cntrl}", "?");
        return text.length() <= MOST_TOLD ? text : text.substring(0, MOST_TOLD) + "…";
    }

    private static String path(JacksonException wrong) {
        StringBuilder path = new StringBuilder();
        for (JacksonException.Reference part : wrong.getPath()) {
            if (part.getPropertyName() == null) {
                path.append('[').append(part.getIndex()).append(']');
            } else {
                path.append(path.isEmpty() ? "" : ".").append(part.getPropertyName());
            }
        }
        return path.isEmpty() ? "body" : path.toString();
    }

    private static String words(Class<?> type) {
        if (type.isEnum()) {
            return "one of "
                    + Arrays.stream(type.getEnumConstants())
                            .map(Object::toString)
                            .collect(Collectors.joining(", "));
        }
        if (type == boolean.class || type == Boolean.class) {
            return "true or false";
        }
        if (type == int.class
                || type == Integer.class
                || type == long.class
                || type == Long.class
                || type == BigInteger.class) {
            return "a whole number";
        }
        if (type == double.class || type == Double.class || type == BigDecimal.class) {
            return "a number";
        }
        if (type == UUID.class) {
            return "an id such as 01234567-89ab-7cde-8f01-23456789abcd";
        }
        if (CharSequence.class.isAssignableFrom(type)) {
            return "text";
        }
        if (Collection.class.isAssignableFrom(type) || type.isArray()) {
            return "a list";
        }
        if (Temporal.class.isAssignableFrom(type)) {
            return "a time";
        }
        return Map.class.isAssignableFrom(type) || type.isRecord() || type.isInterface()
                ? "an object"
                : "another value";
    }

    private static String kinds(Class<?> base) {
        JsonSubTypes types = base.getAnnotation(JsonSubTypes.class);
        return types == null
                ? "a kind"
                : "one of "
                        + Arrays.stream(types.value())
                                .map(JsonSubTypes.Type::name)
                                .collect(Collectors.joining(", "));
    }
}
