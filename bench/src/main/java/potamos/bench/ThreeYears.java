package potamos.bench;

import java.net.URLEncoder;
import java.nio.charset.StandardCharsets;
import java.util.Random;
import java.util.function.IntFunction;

/** How long a trace takes both ways in three years of lots and deliveries, and what a full cold side and its labels take. Bounded; stops by itself. */
public final class ThreeYears {

    private static final int TIMES = 200;
    private static final int WARM = 40;
    private static final int BOXES = 4000;
    private static final int BATCHES = 6500;

    private ThreeYears() {}

    /** @param args the address of a running demo, and the batch that was put away in forty containers */
    public static void main(String[] args) {
        Screen cook = new Screen(args[0], "ilse");
        Random random = new Random(7);
        timed(cook, "trace from a supplier's lot", TIMES, i -> trace("B" + (1 + random.nextInt(BOXES))));
        timed(cook, "trace back from a lot of stock", TIMES, i -> trace("L" + (1 + random.nextInt(BATCHES)) + "-1"));
        timed(cook, "the shelf, its first hundred of 400", TIMES, i -> "/api/lots");
        timed(cook, "the shelf, its last hundred of 400", TIMES, i -> "/api/lots?from=300");
        timed(cook, "what was delivered lately", TIMES, i -> "/api/deliveries");
        timed(cook, "labels of forty containers", WARM, i -> "/api/batches/" + args[1] + "/labels.pdf");
        System.exit(0);
    }

    private static String trace(String what) {
        return "/api/trace?what=" + URLEncoder.encode(what, StandardCharsets.UTF_8);
    }

    private static void timed(Screen cook, String words, int times, IntFunction<String> path) {
        long[] took = new long[times];
        for (int i = -WARM; i < times; i++) {
            long one = cook.timed(path.apply(i)).join();
            if (i >= 0) {
                took[i] = one;
            }
        }
        RangeLoad.report(words, took);
    }
}
