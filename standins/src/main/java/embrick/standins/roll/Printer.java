package embrick.standins.roll;

import java.util.List;

/**
 * The printer by itself, whatever it prints. Lengths are millimetres.
 *
 * @param speed millimetres of paper a second
 * @param inks with what is left of them
 */
record Printer(Roll roll, List<Ink> inks, double speed, boolean isJammed) {
    private static final double INCH = 25.4;
    private static final double METRE = 1000;
    private static final double SQUARE_METRE = METRE * METRE;
    private static final double FULL = 100;
    private static final double PERCENT_PER_SQUARE_METRE = 0.9;

    static final Printer NEW = new Printer(
            new Roll(1, 24 * INCH, "lustre", 30 * METRE),
            List.of(new Ink("cyan", 80), new Ink("magenta", 71), new Ink("yellow", 88), new Ink("black", 64)),
            45,
            false);

    /**
     * @param number counted from 1 with each roll that is loaded
     * @param paper what it is called
     * @param left how much of it is there
     */
    record Roll(int number, double width, String paper, double left) {}

    /** @param percent 0 to 100 */
    record Ink(String name, double percent) {}

    boolean hasInk() {
        return inks.stream().allMatch(ink -> ink.percent() > 0);
    }

    /** After so much paper, of which so much was printed on. */
    Printer after(double length, double printedSquareMillimetres) {
        double used = printedSquareMillimetres / SQUARE_METRE * PERCENT_PER_SQUARE_METRE;
        return new Printer(
                new Roll(roll.number(), roll.width(), roll.paper(), Math.max(0, roll.left() - length)),
                inks.stream()
                        .map(ink -> new Ink(ink.name(), Math.max(0, ink.percent() - used)))
                        .toList(),
                speed,
                isJammed);
    }

    Printer loaded(double width, String paper, double length) {
        return new Printer(new Roll(roll.number() + 1, width, paper, length), inks, speed, isJammed);
    }

    Printer filled() {
        return new Printer(
                roll, inks.stream().map(ink -> new Ink(ink.name(), FULL)).toList(), speed, isJammed);
    }

    Printer jammed(boolean now) {
        return new Printer(roll, inks, speed, now);
    }

    Printer at(double millimetresPerSecond) {
        return new Printer(roll, inks, millimetresPerSecond, isJammed);
    }
}
