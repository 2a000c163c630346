package potamos.server.paper;

import java.io.Closeable;

/** A list on A4: a title, headings, and rows that go on overleaf. What stands in a row is written with its ink, at the height that it is given. */
public final class Roll implements Closeable {

    public static final float MARGIN = 14 * Ink.MM;
    public static final float RIGHT = Ink.A4_WIDTH - MARGIN;

    private static final float ROW = 20;
    /** From the top of a row to where its words stand. */
    private static final float WORDS = 14;

    private static final float TITLE = 28;
    private static final float HEAD = 15;
    private static final float UNDER = 13;
    private static final float ASIDE = 10.5f;

    /** A heading at the foot of a page would have what it is over on the next. */
    private static final int WITH_A_HEAD = 3;

    private final Ink ink;
    private float y = Ink.A4_HEIGHT - MARGIN;

    /**
     * @param under what it is, under its title
     * @param aside when it was printed, at the right
     */
    public Roll(String title, String under, String aside) {
        ink = new Ink(title, Ink.A4_WIDTH, Ink.A4_HEIGHT);
        ink.text(true, TITLE, MARGIN, y - 24, title);
        ink.text(false, UNDER, MARGIN, y - 42, under);
        ink.textTo(false, ASIDE, RIGHT, y - 42, aside);
        y -= 52;
        ink.line(MARGIN, y, RIGHT, y, 2);
    }

    public Ink ink() {
        return ink;
    }

    /**
     * A heading.
     *
     * @return where its words stand, for what stands beside them
     */
    public float head(String words) {
        y -= 12;
        room(WITH_A_HEAD);
        float at = y - WORDS;
        ink.text(true, HEAD, MARGIN, at, words);
        y -= ROW;
        ink.line(MARGIN, y, RIGHT, y, 1);
        return at;
    }

    /**
     * Begins a row.
     *
     * @return where its words stand
     */
    public float row() {
        room(1);
        return y - WORDS;
    }

    /** Ends a row with the rule under it. */
    public void rule() {
        y -= ROW;
        ink.line(MARGIN, y, RIGHT, y, 0.3f);
    }

    /** What is left of the page. */
    public float left() {
        return y - MARGIN;
    }

    /**
     * A strip across the page for what is no row; it has to fit.
     *
     * @return its upper edge
     */
    public float strip(float high) {
        float top = y;
        y -= high;
        return top;
    }

    /** Goes on overleaf. */
    public void turn() {
        ink.turn();
        y = Ink.A4_HEIGHT - MARGIN;
    }

    private void room(int rows) {
        if (left() < rows * ROW) {
            turn();
        }
    }

    public byte[] pdf() {
        return ink.pdf();
    }

    @Override
    public void close() {
        ink.close();
    }
}
