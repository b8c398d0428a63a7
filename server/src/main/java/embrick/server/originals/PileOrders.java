package embrick.server.originals;

import embrick.server.documents.EditDocument.KeyStep;
import embrick.server.documents.EditDocument.PileOrderStep;
import embrick.server.documents.PileOrder;
import embrick.server.problems.ProblemException;
import java.util.ArrayList;
import java.util.LinkedHashSet;
import java.util.List;
import java.util.Locale;
import java.util.Map;
import java.util.Optional;
import java.util.OptionalLong;
import java.util.Set;
import java.util.UUID;
import java.util.function.Function;
import java.util.stream.Collectors;
import org.springframework.stereotype.Service;

/**
 * The one order of a job's pictures. Each has a key that comes before its name: none in a job ordered by name, its date in one
 * ordered by date, else a number. Numbers lie apart, so that a picture that is moved changes its own alone.
 */
@Service
public class PileOrders {
    /** Behind all dates and numbers. */
    private static final String LAST = "~";

    private static final long APART = 1_000_000;

    private final OriginalRepository originals;

    PileOrders(OriginalRepository originals) {
        this.originals = originals;
    }

    /** @throws ProblemException if there is no such job */
    PileOrder of(UUID jobId) {
        return originals.orderOf(jobId).orElseThrow(() -> ProblemException.notFound("job"));
    }

    /** The key of a picture that comes in. */
    static String keyOfNew(PileOrder order, PictureSaid said) {
        return switch (order) {
            case NAME -> "";
            case DATE -> said.taken().orElse(LAST);
            case LOSS, HAND -> LAST;
        };
    }

    /**
     * What another order changes. Nothing is changed yet.
     *
     * @param moved pictures that are put together, in this order; only with {@code LOSS} and {@code HAND}
     * @param before the picture that they come before; empty for the end
     */
    public PileOrderStep step(UUID jobId, PileOrder by, List<UUID> moved, Optional<UUID> before) {
        List<Original> now = originals.inOrder(jobId);
        originals.requireOf(jobId, moved);
        before.ifPresent(id -> originals.requireOf(jobId, List.of(id)));
        List<Original> then = switch (by) {
            case NAME, DATE -> now;
            case LOSS, HAND -> moved(now, moved, before);
        };
        List<String> keys = switch (by) {
            case NAME, DATE ->
                now.stream().map(original -> keyOfNew(by, original.said())).toList();
            case LOSS, HAND -> numbered(then, new LinkedHashSet<>(moved));
        };
        List<KeyStep> steps = new ArrayList<>();
        for (int i = 0; i < then.size(); i++) {
            Original original = then.get(i);
            if (!original.sortKey().equals(keys.get(i))) {
                steps.add(new KeyStep(original.id(), original.sortKey(), keys.get(i)));
            }
        }
        return new PileOrderStep(of(jobId), by, steps);
    }

    private static List<Original> moved(List<Original> now, List<UUID> moved, Optional<UUID> before) {
        Set<UUID> together = new LinkedHashSet<>(moved);
        List<Original> rest = new ArrayList<>(
                now.stream().filter(one -> !together.contains(one.id())).toList());
        int at = rest.size();
        for (int i = 0; before.isPresent() && i < rest.size(); i++) {
            if (rest.get(i).id().equals(before.get())) {
                at = i;
            }
        }
        Map<UUID, Original> byId = now.stream().collect(Collectors.toMap(Original::id, Function.identity()));
        List<Original> put = together.stream().map(byId::get).toList();
        rest.addAll(at, put);
        return rest;
    }

    /** The keys of an order: those of the pictures that were moved lie between their neighbours', if there is room. */
    private static List<String> numbered(List<Original> order, Set<UUID> moved) {
        List<String> keys = new ArrayList<>();
        long last = 0;
        int i = 0;
        while (i < order.size()) {
            int end = i;
            while (end < order.size() && moved.contains(order.get(end).id())) {
                end++;
            }
            if (end > i) {
                OptionalLong next =
                        end == order.size() ? OptionalLong.of(last + (end - i + 1) * APART) : number(order.get(end));
                long step = next.isEmpty() ? 0 : (next.getAsLong() - last) / (end - i + 1);
                if (step < 1) {
                    return numberedAnew(order.size());
                }
                for (; i < end; i++) {
                    last += step;
                    keys.add(key(last));
                }
            } else {
                OptionalLong own = number(order.get(i));
                if (own.isEmpty() || own.getAsLong() <= last) {
                    return numberedAnew(order.size());
                }
                last = own.getAsLong();
                keys.add(key(last));
                i++;
            }
        }
        return keys;
    }

    private static List<String> numberedAnew(int pictures) {
        List<String> keys = new ArrayList<>();
        for (int i = 1; i <= pictures; i++) {
            keys.add(key(i * APART));
        }
        return keys;
    }

    private static OptionalLong number(Original original) {
        String key = original.sortKey();
        return key.length() == key(0).length() && key.chars().allMatch(Character::isDigit)
                ? OptionalLong.of(Long.parseLong(key))
                : OptionalLong.empty();
    }

    private static String key(long number) {
        return String.format(Locale.ROOT, "%016d", number);
    }

    /**
     * Puts a job's pictures in an order.
     *
     * @param keys of those that are known; one that came in since the order was thought of gets the key of a new one
     */
    public void set(UUID jobId, PileOrder by, Map<UUID, String> keys) {
        originals.orderBy(jobId, by);
        originals.sortBy(
                jobId, keys.keySet().toArray(UUID[]::new), keys.values().toArray(String[]::new));
        switch (by) {
            case NAME -> originals.sortAllByName(jobId);
            case DATE -> originals.sortAllByDate(jobId);
            case LOSS, HAND -> originals.sortUnnumberedLast(jobId);
        }
    }
}
