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
            new Stand("failed", 600, "cooling-read", Map.of("celsius", 40.0)),
            new Stand("reheated", 610, "reheated", Map.of("celsius", 76.0)),
            new Stand("warm", 615, "cooling-read", Map.of("celsius", 56.0)),
            new Stand("cool", 660, "cooling-read", Map.of("celsius", 20.0)),
            new Stand("cold", 780, "cooling-read", Map.of("celsius", 4.0)),
            new Stand("stored", 785, "stored", Map.of("litres", 5.5)),
            new Stand("gone", 790, "delivered", Map.of("stationId", "soup", "litres", 5.5)));

    private static final Map<String, Map<String, Object>> USUAL = Map.ofEntries(
            Map.entry("weighed-in", Map.of("part", "onion", "kg", 0.5)),
            Map.entry("took", Map.of("part", "onion", "kg", 0.5, "boxId", "box")),
            Map.entry("drew", Map.of("sourceId", "lot", "litres", 2.0)),
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
            Map.entry("boiled-over", Map.of("litres", 0.5)),
            Map.entry("picked-out", Map.of("kg", 0.5)),
            Map.entry("salted", Map.of("kg", 0.1)),
            Map.entry("dropped", Map.of("litres", 0.5)),
            Map.entry("wrong-pan", Map.of("litres", 0.5, "words", "the fumet")),
            Map.entry("cooling-read", Map.of("celsius", 30.0)),
            Map.entry("reheated", Map.of("celsius", 76.0)),
            Map.entry("released", Map.of("words", "the probe's own log shows it")),
            Map.entry("stored", Map.of("litres", 1.0)),
            Map.entry("taken-over", Map.of("slipId", "delivered790")),
            Map.entry("returned", Map.of("slipId", "delivered790", "litres", 0.5)),
            Map.entry("drawn-off", Map.of("lotId", "rest", "litres", 0.5, "batchId", "other")),
            Map.entry("left-over", Map.of("leftOver", "picked-meat", "kg", 0.5)),
            Map.entry("moved", Map.of("lotId", "stored785", "kept", "frozen")),
            Map.entry("blended", Map.of("lotId", "stored785", "litres", 0.5, "sourceId", "other", "otherLitres", 0.5)),
            Map.entry("counted", Map.of("lotId", "stored785", "litres", 0.5)),
            Map.entry("delivered", Map.of("stationId", "soup", "litres", 0.5)),
            Map.entry("discarded", Map.of("litres", 0.5, "words", "spilt")),
            Map.entry("abandoned", Map.of("words", "power cut")));

    /** An x where the entry of a row makes sense at the stand of a column, else the letter of the reason why not. */
    private static final String TABLE = """
            weighed-in xxxxxxxxxxxxxxaaaaaaaaaa
              a the pot is already strained
            took xxxxxxxxxxxxxxaaaaaaaaaa
              a the pot is already strained
            drew xxxxxxxxaaaaaaaaaaaaaaaa
              a the pot is already filled for the stock
            began xxxxaaaaaaaaaabbbbbbbbbb
              a it is already under way
              b the pot is already strained
            finished xxxxxaaaaaaaaabbbbbbbbbb
              a it is already done
              b the pot is already strained
            turned aaaaxaaaaaaaaaaaaaaaaaaa
              a there is nothing in the oven
            water-changed aaxaaaaaaaaaaaaaaaaaaaaa
              a nothing is soaking
            burner-off xxxxxxaaaaaaaaaaaaaaaaaa
              a the burner is already off
            cleaned-down xxxxxxxxxxxxxxaaaaaaaaaa
              a it is already strained
            blanched xxxxxxxxaaaaaaaaaaaaaaaa
              a the pot is already filled for the stock
            filled axxxxxxxbbbbbbbbbbbbbbbb
              a weigh the bed in first
              b the pot is already filled; log a top-up, or correct the filling
            heat-on aaaaaaaaxbbbbbbbbbbbbbbb
              a fill the pot first
              b the burner is already lit
            held aaaaaaaaabbbbbaaaaaaaaaa
              a light the burner first
              b this procedure has no warm steep
            taken-out aaaaaaaabbbbbbaaaaaaaaaa
              a the pot is not filled, or already strained
              b this bed has no such kind to be taken out
            first-foam aaaaaaaaaxbbbbbbbbbbbbbb
              a light the burner first
              b first foam is already logged
            simmer-reached aaaaaaaaaxxbbbbbbbbbbbbb
              a light the burner first
              b the simmer is already logged
            turned-down aaaaaaaaaaaxbbbbbbbbbbbb
              a log first that it has come to its simmer
              b it is off the heat already
            skimmed aaaaaaaaaxxxxxaaaaaaaaaa
              a there is nothing to skim: the pot is not on the heat
            level-read aaaaaaaaxxxxxxaaaaaaaaaa
              a there is no level to read: the pot is not filled
            temperature-read aaaaaaaaxxxxxxaaaaaaaaaa
              a the pot is not filled
            topped-up aaaaaaaaxxxxxxaaaaaaaaaa
              a there is no pot to top up
            added aaaaaaaaxxxxxxaaaaaaaaaa
              a the pot is not filled, or already strained
            judged-enough aaaaaaaaaaaxbbbbbbbbbbbb
              a the simmer has not been reached
              b the end is already judged
            judged-not-yet aaaaaaaaaaaxbbbbbbbbbbbb
              a the simmer has not been reached
              b the end is already judged
            card-read aaaaaaaaxxxxxxxxxxxxxxxx
              a there is no stock yet to hold against a card
            brix-read aaaaaaaaxxxxxxxxxxxxxxxx
              a there is no stock yet to put on a refractometer
            tasted aaaaaaaaxxxxxxxxxxxxxxxx
              a there is no stock yet to taste
            noted xxxxxxxxxxxxxxxxxxxxxxxx
            passed aaaaaaaaaaaaxxbbbbbbbbbb
              a judge the end of the simmer first
              b it is already strained
            degreased aaaaaaaaaaaaxxxxxxxxxxxx
              a judge the end of the simmer first
            strained aaaaaaaaaaaaxxbbbbbbbbbb
              a judge the end of the simmer first
              b it is already strained; correct that entry instead
            reduced aaaaaaaaaaaabbxccccccccc
              a judge the end of the simmer first
              b strain it first
              c it is already reduced, or past it; correct that entry instead
            left-over aaaaaaaaaaaaaaxxxbbbbbbb
              a strain it first
              b it has stood warm for too long to be kept; weigh it as compost
            cooling-began aaaaaaaaaaaaaabxcccccccc
              a strain it first
              b reduce it to its mark first, or log what it was reduced to
              c cooling is already logged
            cooling-read aaaaaaaaaaaaaaxxxxxxxxxx
              a strain it first; readings of the pot are logged as temperature
            reheated aaaaaaaaaaaaaabbbxbbbbbb
              a strain it first
              b only a failed stage is reheated
            released aaaaaaaaaaaaaabbbbbbbbbb
              a strain it first
              b only a cooling that is not proven, or passed on late entries or after a correction, is vouched for
            boiled-over aaaaaaaaaxxxaaaaaaaaaaaa
              a the pot is not on the heat
            lid-on aaaaaaaaxxxxxxaaaaaaaaaa
              a the pot is not filled, or already strained
            lid-off aaaaaaaabbbbbbaaaaaaaaaa
              a the pot is not filled, or already strained
              b it is covered as planned
            picked-out axxxxxxxbbbbbbbbbbbbbbbb
              a weigh the bed in first
              b it is in the pot already
            salted aaaaaaaaxxxxxxxxxxxxxxbb
              a there is nothing in the pot to be salted
              b it is put away already; throw litres of the lot away instead
            dropped aaaaaaaaaaaaaaxxxxxxxxbb
              a strain it first
              b it is put away already; throw litres of the lot away instead
            wrong-pan aaaaaaaaaaaaaaxxxxxxxxbb
              a strain it first
              b it is put away already; throw litres of the lot away instead
            stored aaaaaaaaaaaaaabccdcccxee
              a strain it first
              b reduce it to its mark first, or log what it was reduced to
              c the last reading is not down to the cold limit yet
              d cooling failed: reheat it once and start again, or discard it
              e more than is left of this batch
            delivered aaaaaaaaaaaaaaaaaaaaaaxb
              a put it away as a lot first
              b more than is left of this lot
            drawn-off aaaaaaaaaaaaaabxxcxxxxdd
              a strain it first
              b reduce it to its mark first, or log what it was reduced to
              c cooling failed: reheat it once and start again, or discard it
              d more than is left of this batch
            discarded aaaaaaaaaaaaaaxxxxxxxxxb
              a give the batch up instead
              b more than is left of this lot
            abandoned xxxxxxxxxxxxxxaaaaaaaaaa
              a it is already strained; discard the litres instead
            moved aaaaaaaaaaaaaaaaaaaaaaxb
              a this batch has no such lot
              b nothing is left of this lot
            blended aaaaaaaaaaaaaaaaaaaaaaxb
              a this batch has no such lot
              b more than is left of this lot
            counted aaaaaaaaaaaaaaaaaaaaaaxx
              a this batch has no such lot
            taken-over aaaaaaaaaaaaaaaaaaaaaaax
              a nothing was handed out by that slip
            returned aaaaaaaaaaaaaaaaaaaaaaax
              a nothing was handed out by that slip
            """;

    static final Plan PLAN = Samples.plan(formula());

    private static final List<BatchEvent> DAY = day();

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
        return new ArrayList<>(DAY.subList(0, stand + 1));
    }

    /** What is logged from one stand to the next, each accepted after the others. */
    private static List<BatchEvent> day() {
        List<BatchEvent> events = new ArrayList<>();
        for (Stand each : STANDS) {
            BatchEvent event = event(each.kind(), each.minute(), each.figures());
            Batch.accept(PLAN, events, event, event.stamp().at());
            events.add(event);
        }
        return List.copyOf(events);
    }

    /** Why an entry makes no sense after others; nothing where it does. */
    private static String refusal(List<BatchEvent> events, String kind, int minute) {
        BatchEvent event = event(kind, minute, USUAL.getOrDefault(kind, Map.of()));
        try {
            Batch.accept(PLAN, events, event, event.stamp().at());
            return "";
        } catch (Refusal refusal) {
            return refusal.getMessage();
        }
    }

    /** Marks by kind, each with the reasons that its letters stand for. */
    private static Map<String, String> table() {
        Map<String, String> rows = new LinkedHashMap<>();
        String kind = "";
        for (String line : TABLE.lines().toList()) {
            if (line.startsWith(" ")) {
                rows.merge(kind, "\n" + line, String::concat);
            } else {
                kind = line.substring(0, line.indexOf(' '));
                rows.put(kind, line.substring(line.lastIndexOf(' ') + 1));
            }
        }
        return rows;
    }

    static Stream<String> kinds() {
        return EventKind.all().stream().map(EventKind::name);
    }

    @ParameterizedTest
    @MethodSource("kinds")
    void anEntryMakesSenseWhereTheTableSaysSo(String kind) {
        StringBuilder found = new StringBuilder();
        List<String> reasons = new ArrayList<>();
        for (int i = 0; i < STANDS.size(); i++) {
            String reason = refusal(upTo(i), kind, STANDS.get(i).minute() + 1);
            if (!reason.isEmpty() && !reasons.contains(reason)) {
                reasons.add(reason);
            }
            found.append(reason.isEmpty() ? 'x' : (char) ('a' + reasons.indexOf(reason)));
        }
        for (int i = 0; i < reasons.size(); i++) {
            found.append("\n  ").append((char) ('a' + i)).append(' ').append(reasons.get(i));
        }
        assertThat(found.toString()).as(kind).isEqualTo(table().get(kind));
    }

    @Test
    void theTableHasEveryKindOnce() {
        assertThat(table().keySet()).containsExactlyElementsOf(kinds().toList());
    }
}
