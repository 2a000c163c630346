package potamos.core.batch;

import static org.assertj.core.api.Assertions.assertThat;
import static org.assertj.core.api.Assertions.assertThatThrownBy;
import static org.assertj.core.api.Assertions.within;

import java.time.Duration;
import java.util.ArrayList;
import java.util.List;
import java.util.Set;
import org.junit.jupiter.api.Nested;
import org.junit.jupiter.api.Test;
import potamos.core.Samples;
import potamos.core.batch.DueAct.Kind;
import potamos.core.charge.Charge;
import potamos.core.charge.Goal;
import potamos.core.formula.Book;
import potamos.core.formula.Contents;
import potamos.core.formula.Draw;
import potamos.core.quantity.Mass;
import potamos.core.quantity.Refusal;
import potamos.core.quantity.Temperature;
import potamos.core.quantity.Volume;
import potamos.core.safety.Allergen;
import potamos.core.safety.Kept;

/** A pot that is drawn with stock, and the batch that the stock leaves. */
class DrawingTest {

    private static final Contents PLAIN = new Contents(Set.of(), Set.of(), 20, false);
    private static final Contents CELERY = new Contents(Set.of(Allergen.CELERY), Set.of(), 40, false);

    private static Draw draw(String source, double litres, Contents contents) {
        return new Draw(source, source, Volume.ofLitres(litres), contents, 0);
    }

    /** The pot: nine litres of one lot and five of another are to be reduced. */
    @Nested
    class Into {

        private final Plan plan = Samples.plan(
                Book.of("glaze").drawing(List.of(draw("A", 9, PLAIN), draw("B", 5, PLAIN))),
                new Goal.WaterDrawn(Volume.ofLitres(14)));

        private final List<BatchEvent> events = new ArrayList<>();

        private BatchState log(BatchEvent event) {
            BatchState state =
                    Batch.accept(plan, events, event, event.stamp().at()).state();
            events.add(event);
            return state;
        }

        private void drew(String source, double litres, Contents contents) {
            log(new ChoreEvent.Drew(Samples.at(events.size()), draw(source, litres, contents)));
        }

        private Charge stands() {
            return Batch.standing(plan, events).charge();
        }

        private List<String> due() {
            BatchState state = Batch.replay(plan, events, Samples.at(40).at());
            return DueActs.of(Batch.standing(plan, events), state).stream()
                    .filter(act -> act.kind() == Kind.DRAW || act.kind() == Kind.FILL)
                    .map(act -> act.kind()
                            + (act.kind() == Kind.DRAW
                                    ? " "
                                            + act.becomes()
                                                    .get(0)
                                                    .figures()
                                                    .byName()
                                                    .get("sourceId")
                                    : "")
                            + " " + Math.round(act.amount() * 10) / 10.0)
                    .toList();
        }

        @Test
        void eachLotIsAskedForAndThenTheFilling() {
            assertThat(due()).containsExactly("DRAW A 9.0", "DRAW B 5.0", "FILL 14.0");
            drew("A", 9, PLAIN);
            assertThat(due()).containsExactly("DRAW B 5.0", "FILL 14.0");
            drew("B", 5, PLAIN);
            assertThat(due()).containsExactly("FILL 14.0");
            assertThat(stands()).isEqualTo(plan.charge());
        }

        @Test
        void whoDrawsFromAnotherLotDrawsSoMuchLessOfThePlanAndHasWhatIsInThatOne() {
            drew("C", 6, CELERY);
            assertThat(due()).containsExactly("DRAW A 8.0", "FILL 14.0");
            drew("A", 8, PLAIN);
            assertThat(due()).containsExactly("FILL 14.0");
            Charge stands = stands();
            assertThat(stands.contents().allergens()).containsExactly(Allergen.CELERY);
            assertThat(stands.contents().unknown()).isFalse();
            assertThat(stands.run().liquid().gelatinGPerL()).isCloseTo((6 * 40 + 8 * 20) / 14.0, within(1e-9));
        }

        @Test
        void moreOrLessThanPlannedIsWhatIsReduced() {
            drew("A", 9, PLAIN);
            drew("B", 2, PLAIN);
            log(new PotEvent.Filled(Samples.at(5), Volume.ofLitres(11), Temperature.ofCelsius(4)));
            Charge stands = stands();
            assertThat(stands.water().litres()).isCloseTo(11, within(1e-9));
            assertThat(stands.forecast().yield().mid())
                    .isCloseTo(plan.charge().forecast().yield().mid() * 11 / 14, within(0.15));
            assertThat(stands.contents().unknown()).isFalse();
        }

        /** Nobody said where it came from: so nobody knows what is in it. */
        @Test
        void whatIsFilledAndWasNeverDrawnIsNotKnown() {
            log(new PotEvent.Filled(Samples.at(5), Volume.ofLitres(14), Temperature.ofCelsius(4)));
            assertThat(stands().contents().unknown()).isTrue();
            assertThatThrownBy(() -> log(new ChoreEvent.Drew(Samples.at(6), draw("A", 9, PLAIN))))
                    .hasMessageContaining("already filled");
            // Told late, it is as true as it was then.
            log(new ChoreEvent.Drew(Samples.at(4), draw("A", 14, PLAIN)));
            assertThat(stands().contents().unknown()).isFalse();
        }

        @Test
        void takenBackItIsAsItWas() {
            drew("C", 6, CELERY);
            log(new Amendment.Withdrawn(Samples.at(3), events.get(0).stamp().id(), "the other one"));
            assertThat(stands()).isEqualTo(plan.charge());
            assertThat(due()).containsExactly("DRAW A 9.0", "DRAW B 5.0", "FILL 14.0");
        }
    }

    /** The batch that it leaves. */
    @Nested
    class OutOf extends LoggedBatch {

        private ShelfEvent.DrawnOff off(int minute, double litres, String lot) {
            return new ShelfEvent.DrawnOff(Samples.at(minute), Volume.ofLitres(litres), lot, "other", "Glaze");
        }

        /** Half of it goes into a reduction while it is hot: what is left is what is cooled and put away. */
        @Test
        void whatIsDrawnHotIsNotPutAway() {
            strain();
            double out = at(272).out().orElseThrow().litres();
            BatchState half = log(off(274, out / 2, ShelfEvent.REST));
            assertThat(Expectation.notPutAway(half).litres()).isCloseTo(out / 2, within(1e-9));
            assertThatThrownBy(() -> log(off(275, out / 2 + 0.1, ShelfEvent.REST)))
                    .isInstanceOfSatisfying(
                            Refusal.class, refusal -> assertThat(refusal.high()).isCloseTo(out / 2, within(1e-9)));
            coolTo(290, 57);
            coolTo(330, 21);
            coolTo(500, 4.5);
            DueAct store = due(505).stream()
                    .filter(act -> act.kind() == Kind.STORE)
                    .findFirst()
                    .orElseThrow();
            assertThat(store.amount()).isCloseTo(out / 2, within(1e-9));
        }

        @Test
        void allOfItDrawnIsNothingLeftToDo() {
            strain();
            double out = at(272).out().orElseThrow().litres();
            assertThat(log(off(274, out, ShelfEvent.REST)).stage()).isEqualTo(Stage.DONE);
        }

        @Test
        void aLotGivesWhatItHasAndNoMore() {
            coolInTime();
            ShelfEvent.Stored stored =
                    new ShelfEvent.Stored(Samples.at(510), Volume.ofLitres(14), "", Kept.COLD, "tub", 2);
            log(stored);
            String lot = stored.stamp().id();
            BatchState left = log(off(520, 10, lot));
            assertThat(left.shelf().left().litres()).isCloseTo(4, within(1e-9));
            assertThat(left.shelf().lot(lot).orElseThrow().left().litres()).isCloseTo(4, within(1e-9));
            assertThatThrownBy(() -> log(off(521, 4.1, lot))).hasMessageContaining("left of this lot");
            // Neither the lot nor what it was drawn from is taken back under the pot.
            assertThatThrownBy(() -> log(new Amendment.Withdrawn(Samples.at(522), lot, "")))
                    .isInstanceOf(Refusal.class);
            assertThat(log(off(523, 4, lot)).stage()).isEqualTo(Stage.DONE);
        }

        /** Of a stock that somebody salted, the pot that is drawn with it has the salt as well. */
        @Test
        void saltThatWentInByMistakeGoesOn() {
            simmer();
            double before = Expectation.drawn("A", "A", Volume.ofLitres(4), plan, at(100))
                    .saltGPerL();
            log(new MishapEvent.Salted(Samples.at(101), Mass.ofKg(0.1)));
            log(new PotEvent.Judged(Samples.at(240), true, Duration.ZERO));
            log(new FinishEvent.Strained(Samples.at(270), Volume.ofLitres(14), 2, false));
            Draw drawn = Expectation.drawn("A", "A", Volume.ofLitres(4), plan, at(271));
            assertThat(drawn.saltGPerL() - before).isBetween(5.0, 8.0);
            assertThat(drawn.contents()).isEqualTo(plan.charge().contents());
        }
    }
}
