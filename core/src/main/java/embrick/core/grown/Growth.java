package embrick.core.grown;

import embrick.core.pixels.PixelRect;
import java.util.ArrayList;
import java.util.List;
import java.util.Optional;
import java.util.function.Predicate;
import java.util.stream.IntStream;

/** Grows what is bare of one window, from the smallest scale to its own. */
final class Growth {
    /** Narrowest that what is bare becomes at the smallest scale, in pixels. */
    private static final int NARROWEST = 6;
    /** Least that a window's short side becomes. */
    private static final int SMALLEST_WINDOW = 3 * Level.PATCH;
    /** Pixels of the largest scale at which what stands out is looked for and likeness is measured. */
    private static final int WATCHED = 160_000;
    /** Spread of votes while patches are still looked for, and of the last ones, which are to leave grain as it is. */
    private static final double WIDE = 2;

    private static final double NARROW = 0.5;

    private final long seed;
    private final Step step;
    private final List<Level> levels = new ArrayList<>();
    private final int depth;
    private final int watched;
    private List<StandOuts.Detail> details = List.of();

    /** @param depth of what is bare, in pixels */
    Growth(Level whole, int depth, long seed, Step step) {
        this.seed = seed;
        this.step = step;
        this.depth = depth;
        levels.add(whole);
        int bare = depth;
        while (bare / 2 >= NARROWEST
                && Math.min(levels.getLast().width, levels.getLast().height) / 2 >= SMALLEST_WINDOW) {
            levels.add(levels.getLast().halved());
            bare /= 2;
        }
        int at = 0;
        while (levels.get(at).state.length > WATCHED && at < levels.size() - 1) {
            at++;
        }
        this.watched = at;
    }

    /** Told of each scale when it is done. */
    interface Step {
        void done(int scale, int scales);
    }

    /**
     * What can be said of it before the finest scales are grown.
     *
     * @param scale at which it was measured: one pixel there is {@code 1 << scale} of the window
     * @param place of what was measured, in pixels of that scale
     * @param likeness row-major over the place, 0 to 1; 0 where nothing was grown
     * @param cut places at the rim, in pixels of that scale, where detail that stands out is cut and does not go on
     */
    record Outcome(int scale, PixelRect place, float[] likeness, float mean, List<PixelRect> cut) {}

    /**
     * Grows the level that was given.
     *
     * @param isGood whether to go on to the finest scales
     * @return empty where there is nothing to grow from
     */
    Optional<Outcome> grow(Predicate<Outcome> isGood) {
        levels.forEach(Level::findSources);
        keepStandOuts();
        Optional<Outcome> outcome = Optional.empty();
        Matches small = null;
        for (int scale = levels.size() - 1; scale >= 0; scale--) {
            Level level = levels.get(scale);
            level.findSources();
            int[] sources = sources(level);
            if (sources.length == 0) {
                return Optional.empty();
            }
            small = small == null ? first(level, sources, scale) : finer(level, sources, scale, small);
            if (scale == watched) {
                outcome = Optional.of(look(level, sources, small));
                if (!isGood.test(outcome.get())) {
                    return outcome;
                }
            }
            step.done(levels.size() - scale, levels.size());
        }
        return outcome;
    }

    private static int[] sources(Level level) {
        return IntStream.range(0, level.isSource.length)
                .filter(at -> level.isSource[at])
                .toArray();
    }

    private Matches first(Level level, int[] sources, int scale) {
        FirstGuess guess = new FirstGuess(level, sources);
        guess.make();
        level.findAllMeans();
        Matches matches = Matches.ofBare(level);
        Chance chance = new Chance(seed, scale);
        matches.beginFrom(guess, chance, sources);
        refine(level, matches, chance, new Rounds(12, 6, Math.max(level.width, level.height)), scale);
        return matches;
    }

    private Matches finer(Level level, int[] sources, int scale, Matches small) {
        Matches matches = Matches.ofBare(level);
        Chance chance = new Chance(seed, scale);
        matches.beginFrom(small, chance, sources);
        level.takeTonesOf(levels.get(scale + 1));
        level.findAllMeans();
        // Nothing is known here yet of what is bare: all weigh alike.
        new Votes(level, matches, WIDE).cast();
        refine(level, matches, chance, Rounds.at(scale), scale);
        return matches;
    }

    /**
     * @param rounds of looking and voting
     * @param passes of looking in each
     * @param radius within which chance looks
     */
    private record Rounds(int rounds, int passes, int radius) {
        /** The finer, the less is left to find. */
        static Rounds at(int scale) {
            return switch (scale) {
                case 0 -> new Rounds(1, 2, 2);
                case 1 -> new Rounds(2, 2, 2);
                default -> new Rounds(4, 2, 16);
            };
        }
    }

    private static void refine(Level level, Matches matches, Chance chance, Rounds how, int scale) {
        for (int round = 0; round < how.rounds; round++) {
            matches.count();
            for (int pass = 0; pass < how.passes; pass++) {
                matches.improve(chance, round * how.passes + pass + 1, how.radius);
            }
            boolean isLast = scale == 0 && round == how.rounds - 1;
            Votes votes = new Votes(level, matches, isLast ? NARROW : WIDE);
            votes.cast();
            if (isLast) {
                new RimFit(level, votes).apply();
                level.findAllMeans();
            }
        }
    }

    private Outcome look(Level level, int[] sources, Matches matches) {
        matches.count();
        float[] likeness = new Likeness(level, sources, new Chance(seed, watched)).of(matches);
        double sum = 0;
        int count = 0;
        for (int at = 0; at < likeness.length; at++) {
            if (matches.isTarget(at)) {
                sum += likeness[at];
                count++;
            }
        }
        List<PixelRect> cut = details.stream()
                .filter(StandOuts.Detail::isAtRim)
                .map(StandOuts.Detail::box)
                .filter(box -> CutDetail.isCut(box, matches, likeness))
                .toList();
        return new Outcome(
                watched,
                new PixelRect(matches.left, matches.top, matches.width, matches.height),
                likeness,
                (float) (sum / count),
                cut);
    }

    /** Looks for what stands out at one scale, and keeps it from being copied at all. */
    private void keepStandOuts() {
        Level level = levels.get(watched);
        level.findAllMeans();
        details = new StandOuts(level).find();
        boolean[] found = new boolean[level.state.length];
        for (StandOuts.Detail detail : details) {
            if (detail.isCompact(depth >> watched)) {
                for (int at : detail.pixels()) {
                    found[at] = true;
                }
            }
        }
        level.fix(found);
        boolean[] finer = found;
        for (int scale = watched - 1; scale >= 0; scale--) {
            finer = levels.get(scale + 1).doubled(finer, levels.get(scale));
            levels.get(scale).fix(finer);
        }
        boolean[] coarser = found;
        for (int scale = watched + 1; scale < levels.size(); scale++) {
            coarser = levels.get(scale - 1).halved(coarser, levels.get(scale));
            levels.get(scale).fix(coarser);
        }
    }
}
