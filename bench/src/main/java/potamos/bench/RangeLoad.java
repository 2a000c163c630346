package potamos.bench;

import java.time.Instant;
import java.time.temporal.ChronoUnit;
import java.util.ArrayList;
import java.util.Arrays;
import java.util.List;
import java.util.Locale;
import java.util.UUID;
import java.util.concurrent.CompletableFuture;
import java.util.concurrent.TimeUnit;
import java.util.concurrent.locks.LockSupport;
import tools.jackson.databind.JsonNode;

/**
 * Range with eight working vessels and fifty screens open on a demo kitchen at an address on loopback. Bounded in requests; stops by itself.
 *
 * <p>One screen asks at a steady pace; then two hundred probes report beside normal use, and beside all screens asking at once because an act was
 * logged; then a finger drags.
 */
public final class RangeLoad {

    private static final int VESSELS = 8;
    private static final int SCREENS = 50;
    private static final int PACED = 1000;
    private static final int PROBES = 200;
    private static final int ACTS = 60;
    private static final int NORMAL = 120;
    private static final long NORMAL_PACE_NS = TimeUnit.MILLISECONDS.toNanos(200);
    private static final int WARM = 100;
    private static final int DRAGS = 300;
    private static final int OVERVIEWS = 40;
    private static final long PACE_NS = TimeUnit.MILLISECONDS.toNanos(20);

    private RangeLoad() {}

    /** @param args the address of a running demo */
    public static void main(String[] args) {
        String url = args[0];
        if (!url.startsWith("http://127.0.0.1:") && !url.startsWith("http://localhost:")) {
            throw new IllegalArgumentException("only an address on loopback is measured");
        }
        Screen cook = new Screen(url, "ilse");
        List<String> batches = eightAtWork(cook);
        List<Screen> screens = new ArrayList<>();
        for (int i = 0; i < SCREENS; i++) {
            Screen screen = new Screen(url, i % 2 == 0 ? "tomaz" : "wen");
            screen.listen();
            screens.add(screen);
        }
        for (int i = 0; i < PACED; i++) {
            screens.get(i % SCREENS).timed("/api/range").join();
        }
        report("range, asked at a pace", paced(screens));
        Probes probes = Probes.start(url, cook, PROBES);
        normalUse(cook, batches, screens);
        // A server runs for weeks: what it took while it was still being compiled says nothing.
        probes.soFar();
        normalUse(cook, batches, screens);
        report("200 probes, beside normal use", probes.soFar());
        acts(cook, batches, screens);
        report("200 probes, beside bursts", probes.stop());
        report("a charge, as a finger drags", dragged(cook));
        report("every formula with one goal", overviews(cook));
        System.exit(0);
    }

    private static long[] paced(List<Screen> screens) {
        long[] took = new long[PACED];
        long next = System.nanoTime();
        for (int i = 0; i < PACED; i++) {
            LockSupport.parkNanos(next - System.nanoTime());
            next += PACE_NS;
            took[i] = screens.get(i % SCREENS).timed("/api/range").join();
        }
        return took;
    }

    /** A kitchen at work: screens look every few seconds, somebody logs something every four, and one screen then asks anew. */
    private static void normalUse(Screen cook, List<String> batches, List<Screen> screens) {
        long next = System.nanoTime();
        for (int i = 0; i < NORMAL; i++) {
            LockSupport.parkNanos(next - System.nanoTime());
            next += NORMAL_PACE_NS;
            if (i % 20 == 0) {
                act(cook, batches.get(i / 20 % batches.size()), "skimmed", "\"litres\": 0.01");
            }
            screens.get(i % SCREENS).timed("/api/range").join();
        }
    }

    /** One figure after another, each a litre line that moved: what a drag waits for, beside the drawing. */
    private static long[] dragged(Screen cook) {
        long[] took = new long[DRAGS];
        Instant by = now(cook).plus(30, ChronoUnit.HOURS);
        for (int i = -WARM; i < DRAGS; i++) {
            long start = System.nanoTime();
            cook.post("/api/charges", """
                    {"formula": "%s", "goal": "WATER", "value": %s, "readyBy": "%s"}
                    """.formatted(
                            i % 2 == 0 ? "brown-beef" : "white-chicken", 12 + (i + WARM) * 0.02, by));
            if (i >= 0) {
                took[i] = System.nanoTime() - start;
            }
        }
        return took;
    }

    private static long[] overviews(Screen cook) {
        long[] took = new long[OVERVIEWS];
        for (int i = 0; i < OVERVIEWS; i++) {
            long start = System.nanoTime();
            cook.post("/api/charges/overview", "{\"goal\": \"BED\", \"value\": %s}".formatted(8 + i * 0.1));
            took[i] = System.nanoTime() - start;
        }
        return took;
    }

    private static void acts(Screen cook, List<String> batches, List<Screen> screens) {
        long[] acknowledged = new long[ACTS];
        List<Long> asked = new ArrayList<>();
        for (int i = 0; i < ACTS; i++) {
            long start = System.nanoTime();
            act(cook, batches.get(i % batches.size()), "skimmed", "\"litres\": 0.01");
            acknowledged[i] = System.nanoTime() - start;
            List<CompletableFuture<Long>> all =
                    screens.stream().map(s -> s.timed("/api/range")).toList();
            all.forEach(answer -> asked.add(answer.join()));
            LockSupport.parkNanos(TimeUnit.MILLISECONDS.toNanos(500));
        }
        report("an act acknowledged, beside probes", acknowledged);
        report(
                "range, asked by all fifty at once",
                asked.stream().mapToLong(Long::longValue).toArray());
    }

    private static List<String> eightAtWork(Screen cook) {
        List<String> atWork = new ArrayList<>();
        for (JsonNode card : cook.get("/api/range").path("batches")) {
            String stage = card.path("stage").asString();
            if (!List.of("WEIGH_IN", "PREPARE", "FILL", "COOL", "STORE", "STRAIN", "REST")
                    .contains(stage)) {
                atWork.add(card.path("id").asString());
            }
        }
        for (int i = atWork.size(); i < VESSELS; i++) {
            String name = "Load " + i;
            cook.post("/api/kitchen/vessels", """
                    {"name": "%s", "diameterCm": 36, "heightCm": 40, "metalKg": 6}
                    """.formatted(name));
            String vessel = "";
            for (JsonNode v : cook.get("/api/kitchen").path("vessels")) {
                vessel = v.path("name").asString().equals(name) ? v.path("id").asString() : vessel;
            }
            String id = UUID.randomUUID().toString();
            cook.post("/api/batches", """
                    {"id": "%s", "charge": {"formula": "white-chicken", "goal": "LITRES", "value": 12, "vesselId": "%s",
                     "readyBy": "%s"}}
                    """.formatted(id, vessel, now(cook).plus(20, ChronoUnit.HOURS)));
            act(cook, id, "weighed-in", "\"part\": \"bed\", \"kg\": 9");
            act(cook, id, "filled", "\"litres\": 15, \"celsius\": 12");
            act(cook, id, "heat-on", "");
            act(cook, id, "first-foam", "");
            act(cook, id, "simmer-reached", "");
            atWork.add(id);
        }
        return atWork;
    }

    private static Instant now(Screen cook) {
        return Instant.parse(cook.get("/api/range").path("now").asString());
    }

    private static void act(Screen cook, String batch, String kind, String fields) {
        cook.post("/api/batches/" + batch + "/acts", """
                {"id": "%s", "kind": "%s", "at": "%s"%s}
                """.formatted(
                        UUID.randomUUID(), kind, now(cook), fields.isEmpty() ? "" : ", " + fields));
    }

    static void report(String what, long[] took) {
        Arrays.sort(took);
        System.out.printf(
                Locale.ROOT,
                "%-36s n %5d   p50 %6.1f ms   p95 %6.1f ms   max %6.1f ms%n",
                what,
                took.length,
                ms(took[took.length / 2]),
                ms(took[(int) (took.length * 0.95)]),
                ms(took[took.length - 1]));
    }

    private static double ms(long nanos) {
        return nanos / 1e6;
    }
}
