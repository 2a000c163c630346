package potamos.core.batch;

import static org.assertj.core.api.Assertions.assertThat;

import java.time.Duration;
import java.time.Instant;
import java.util.ArrayList;
import java.util.LinkedHashMap;
import java.util.List;
import java.util.Map;
import java.util.stream.Stream;
import org.junit.jupiter.api.Test;
import org.junit.jupiter.params.ParameterizedTest;
import org.junit.jupiter.params.provider.MethodSource;
import potamos.core.Samples;
import potamos.core.figure.Figures;
import potamos.core.formula.Book;
import potamos.core.formula.FinishPhase;
import potamos.core.formula.Formula;
import potamos.core.formula.Phase;
import potamos.core.formula.PrepPhase;
import potamos.core.quantity.Refusal;
import potamos.core.quantity.Temperature;

/** What may be logged when: every kind of entry at every stand of a batch that soaks, roasts, flames, reduces, and cools too slowly once. */
class GuardTableTest {

    /** A stand, and what is logged to come to it from the one before: minute, kind and figures. */
    private record Stand(String name, int minute, String kind, Map<String, Object> figures) {}

    private static final List<Stand> STANDS = List.of(
            new Stand("new", 0, "noted", Map.of("words", "begun")),
            new Stand("weighed", 5, "weighed-in", Map.of("part", "bed", "kg", 9.0)),
            new Stand("soaking", 6, "began", Map.of("step", 0)),
            new Stand("soaked", 36, "finished", Map.of("step", 0)),
            new Stand("roasting", 40, "began", Map.of("step", 1)),
            new Stand("roasted", 90, "finished", Map.of("step", 1)),
            new Stand("burner off", 91, "burner-off", Map.of()),
            new Stand("flamed", 93, "finished", Map.of("step", 2)),
            new Stand("filled", 95, "filled", Map.of("litres", 15.0, "celsius", 12.0)),
            new Stand("lit", 96, "heat-on", Map.of()),
            new Stand("foaming", 140, "first-foam", Map.of()),
            new Stand("simmering", 150, "simmer-reached", Map.of()),
            new Stand("enough", 330, "judged-enough", Map.of()),
            new Stand("passed", 350, "passed", Map.of()),
            new Stand("strained", 355, "strained", Map.of("litres", 11.0)),
            new Stand("reduced", 400, "reduced", Map.of("litres", 5.5)),
            new Stand("cooling", 401, "cooling-began", Map.of()),
            new Stand("failed", 700, "cooling-read", Map.of("celsius", 40.0)),
            new Stand("reheated", 710, "reheated", Map.of("celsius", 76.0)),
            new Stand("warm", 715, "cooling-read", Map.of("celsius", 56.0)),
            new Stand("cool", 760, "cooling-read", Map.of("celsius", 20.0)),
            new Stand("cold", 880, "cooling-read", Map.of("celsius", 4.0)),
            new Stand("stored", 885, "stored", Map.of("litres", 5.0)),
            new Stand("gone", 890, "delivered", Map.of("stationId", "soup", "litres", 5.0)));

    private static final Map<String, Map<String, Object>> USUAL = Map.ofEntries(
            Map.entry("weighed-in", Map.of("part", "onion", "kg", 0.5)),
            Map.entry("began", Map.of("step", 1)),
            Map.entry("finished", Map.of("step", 1)),
            Map.entry("filled", Map.of("litres", 1.0, "celsius", 12.0)),
            Map.entry("taken-out", Map.of("part", "onion")),
            Map.entry("skimmed", Map.of("litres", 0.05)),
            Map.entry("level-read", Map.of("belowRimCm", 20.0)),
            Map.entry("temperature-read", Map.of("celsius", 60.0)),
            Map.entry("topped-up", Map.of("litres", 0.2, "celsius", 85.0)),
            Map.entry("added", Map.of("part", "carrot", "kg", 0.2)),
            Map.entry("judged-not-yet", Map.of("longerMin", 15)),
            Map.entry("card-read", Map.of("card", "LADLE", "value", 4.0)),
            Map.entry("brix-read", Map.of("value", 2.0)),
            Map.entry("tasted", Map.of("words", "round")),
            Map.entry("noted", Map.of("words", "quiet")),
            Map.entry("degreased", Map.of("litres", 0.05)),
            Map.entry("strained", Map.of("litres", 5.0)),
            Map.entry("reduced", Map.of("litres", 5.0)),
            Map.entry("cooling-read", Map.of("celsius", 30.0)),
            Map.entry("reheated", Map.of("celsius", 76.0)),
            Map.entry("stored", Map.of("litres", 1.0)),
            Map.entry("delivered", Map.of("stationId", "soup", "litres", 0.5)),
            Map.entry("discarded", Map.of("litres", 0.5, "words", "spilt")),
            Map.entry("abandoned", Map.of("words", "power cut")));

    /** An x where the entry of a row makes sense at the stand of a column. */
    private static final String TABLE = """
            weighed-in        xxxxxxxxxxxxxx..........
            began             xxxx....................
            finished          xxxxx...................
            turned            ....x...................
            water-changed     ..x.....................
            burner-off        xxxxxx..................
            blanched          xxxxxxxx................
            filled            .xxxxxxx................
            heat-on           ........x...............
            held              ........................
            taken-out         ........................
            first-foam        .........x..............
            simmer-reached    .........xx.............
            skimmed           .........xxxxx..........
            level-read        ........xxxxxx..........
            temperature-read  ........xxxxxx..........
            topped-up         ........xxxxxx..........
            added             ........xxxxxx..........
            judged-enough     ...........x............
            judged-not-yet    ...........x............
            card-read         ........xxxxxxxxxxxxxxxx
            brix-read         ........xxxxxxxxxxxxxxxx
            tasted            ........xxxxxxxxxxxxxxxx
            noted             xxxxxxxxxxxxxxxxxxxxxxxx
            passed            ............xx..........
            degreased         ............xxxxxxxxxxxx
            strained          ............xx..........
            reduced           ..............x.........
            cooling-began     ...............x........
            cooling-read      ..............xxxxxxxxxx
            reheated          .................x......
            stored            .....................x..
            delivered         ......................x.
            discarded         ..............xxxxxxxxx.
            abandoned         xxxxxxxxxxxxxx..........
            """;

    static final Plan PLAN = Samples.plan(formula());

    private static Formula formula() {
        List<Phase> phases = new ArrayList<>(List.of(
                new PrepPhase.Soak(Duration.ofMinutes(30), Duration.ofMinutes(10)),
                new PrepPhase.Roast(Temperature.ofCelsius(210), 5, Duration.ofMinutes(15), 1),
                new PrepPhase.Flame()));
        for (Phase phase : Book.whiteChicken().procedure()) {
            if (!(phase instanceof PrepPhase)) {
                phases.add(phase);
            }
            if (phase instanceof FinishPhase.Strain) {
                phases.add(new FinishPhase.Reduce(0.5));
            }
        }
        return Book.whiteChicken().withProcedure(phases);
    }

    static BatchEvent event(String kind, int minute, Map<String, Object> figures) {
        Instant at = Samples.EIGHT.plus(Duration.ofMinutes(minute));
        return EventKind.of(kind)
                .orElseThrow()
                .make(new BatchEvent.Stamp(kind + minute, at, "IV"), new Figures(figures));
    }

    /** Everything up to a stand. */
    static List<BatchEvent> upTo(String stand) {
        return upTo(STANDS.stream().map(Stand::name).toList().indexOf(stand));
    }

    private static List<BatchEvent> upTo(int stand) {
        List<BatchEvent> events = new ArrayList<>();
        for (Stand each : STANDS.subList(0, stand + 1)) {
            BatchEvent event = event(each.kind(), each.minute(), each.figures());
            Batch.accept(PLAN, events, event, event.stamp().at());
            events.add(event);
        }
        return events;
    }

    private static boolean makesSense(List<BatchEvent> events, String kind, int minute) {
        BatchEvent event = event(kind, minute, USUAL.getOrDefault(kind, Map.of()));
        try {
            Batch.accept(PLAN, events, event, event.stamp().at());
            return true;
        } catch (Refusal refusal) {
            return false;
        }
    }

    private static Map<String, String> table() {
        Map<String, String> rows = new LinkedHashMap<>();
        TABLE.lines().forEach(line -> {
            int gap = line.lastIndexOf(' ');
            rows.put(line.substring(0, gap).trim(), line.substring(gap + 1));
        });
        return rows;
    }

    static Stream<String> kinds() {
        return EventKind.all().stream().map(EventKind::name);
    }

    @ParameterizedTest
    @MethodSource("kinds")
    void anEntryMakesSenseWhereTheTableSaysSo(String kind) {
        StringBuilder found = new StringBuilder();
        for (int i = 0; i < STANDS.size(); i++) {
            found.append(makesSense(upTo(i), kind, STANDS.get(i).minute() + 1) ? 'x' : '.');
        }
        assertThat(found.toString()).as(kind).isEqualTo(table().get(kind));
    }

    @Test
    void theTableHasEveryKindOnce() {
        assertThat(table().keySet()).containsExactlyElementsOf(kinds().toList());
    }
}
