package potamos.bench;

import java.util.Arrays;
import java.util.Locale;
import java.util.concurrent.TimeUnit;
import java.util.concurrent.locks.LockSupport;

/** How long Range takes with hundreds of open batches, asked anew each time. Bounded; stops by itself. */
public final class ManyOpen {
    private static final int TIMES = 12;
    /** An answer is kept for a second. */
    private static final long KEPT_MS = 1100;

    private ManyOpen() {}

    /** @param args the address of a running demo, and what is open in it, in words */
    public static void main(String[] args) {
        Screen cook = new Screen(args[0], "ilse");
        long[] took = new long[TIMES];
        for (int i = -2; i < TIMES; i++) {
            long start = System.nanoTime();
            cook.get("/api/range");
            if (i >= 0) {
                took[i] = System.nanoTime() - start;
            }
            LockSupport.parkNanos(TimeUnit.MILLISECONDS.toNanos(KEPT_MS));
        }
        Arrays.sort(took);
        System.out.printf(
                Locale.ROOT,
                "%-36s n %5d   p50 %6.1f ms   max %6.1f ms%n",
                args[1],
                TIMES,
                took[TIMES / 2] / 1e6,
                took[TIMES - 1] / 1e6);
        System.exit(0);
    }
}
