package potamos.core.batch;

import java.time.Instant;
import java.util.List;
import java.util.Map;
import java.util.Optional;
import potamos.core.cooling.CoolingVerdict;
import potamos.core.cooling.Projection;
import potamos.core.cooling.Reading;
import potamos.core.flow.Ledger;
import potamos.core.formula.Draw;
import potamos.core.heat.Cover;
import potamos.core.quantity.Band;
import potamos.core.quantity.Length;
import potamos.core.quantity.Mass;
import potamos.core.quantity.Temperature;
import potamos.core.quantity.Volume;

/**
 * A batch at one moment, as far as its events and the models tell.
 *
 * @param stage     where it stands
 * @param since     when it came there
 * @param now       the moment told
 * @param weighed   masses by part
 * @param drawn     stock that went in in the place of water
 * @param pot       the pot while it is in use
 * @param simmer    times of the simmer
 * @param ledger    litres so far; the yield is what would come out if it were strained now, until it is measured
 * @param expected  what comes out if it goes on as planned
 * @param prep      what is done before the water
 * @param strained  litres measured out of the pot
 * @param finish    what is done to the strained stock before it is cold
 * @param cards     every card that it was held against, oldest first
 * @param cooling   readings and verdict
 * @param left      what was weighed of what it was strained off
 * @param shelf     litres put away, delivered and thrown away
 * @param added     parts in the pot and when they went in
 * @param takenOut  kinds of the bed lifted out again, and when
 * @param salted    salt that went in by mistake
 * @param course    the pot as replayed, for a curve
 * @param path      the stages it went through so far, each with when it came there
 * @param happened  when something of a kind happened last
 */
public record BatchState(
        Stage stage,
        Instant since,
        Instant now,
        Map<String, Mass> weighed,
        List<Draw> drawn,
        Pot pot,
        Simmer simmer,
        Prep prep,
        Ledger ledger,
        Expected expected,
        Optional<Volume> strained,
        Finish finish,
        List<CardReading> cards,
        List<BrixReading> brix,
        Cooling cooling,
        WhatIsLeft left,
        PutAway shelf,
        Map<String, Instant> added,
        Map<String, Instant> takenOut,
        Mass salted,
        List<CoursePoint> course,
        List<Entered> path,
        Map<EventKind<?>, Instant> happened) {

    public BatchState {
        weighed = Map.copyOf(weighed);
        drawn = List.copyOf(drawn);
        added = Map.copyOf(added);
        takenOut = Map.copyOf(takenOut);
        course = List.copyOf(course);
        path = List.copyOf(path);
        cards = List.copyOf(cards);
        brix = List.copyOf(brix);
        happened = Map.copyOf(happened);
    }

    /** When something of a kind happened last. */
    public Optional<Instant> last(EventKind<?> kind) {
        return Optional.ofNullable(happened.get(kind));
    }

    /** Litres to be cooled: as strained, or as reduced where they are reduced afterwards; empty until then. */
    public Optional<Volume> out() {
        return finish.toReduce()
                ? Optional.empty()
                : strained.isEmpty() ? strained : finish.reduced().or(() -> strained);
    }

    /** Fat that is to be lifted and still floats on the stock: no part of its litres. Less of it than a jug shows is none. */
    public Volume fatOnIt() {
        Volume fat = ledger.of(Ledger.Cause.FAT_LIFTED);
        return finish.degreased().isPresent() || fat.litres() < Volume.A_JUG_L ? Volume.ZERO : fat;
    }

    /** The last reading of a card. */
    public Optional<CardReading> card(JudgingCard card) {
        return cards.stream().filter(c -> c.card() == card).reduce((first, second) -> second);
    }

    /** A card that the stock or its bones were held against. */
    public record CardReading(Instant at, JudgingCard card, double value) {}

    /** What the refractometer said, °Bx. */
    public record BrixReading(Instant at, double degrees) {}

    /** A phase before the water. */
    public record Chore(int step, Optional<Instant> began, Optional<Instant> finished) {
        public boolean underWay() {
            return began.isPresent() && finished.isEmpty();
        }
    }

    /**
     * What is done before the water.
     *
     * @param chores in the order of the procedure
     */
    public record Prep(List<Chore> chores) {
        public Prep {
            chores = List.copyOf(chores);
        }

        public boolean done() {
            return chores.stream().allMatch(chore -> chore.finished().isPresent());
        }
    }

    /**
     * From the pot to the cold.
     *
     * @param passes    strainers that it went through before the last
     * @param toReduce  whether a planned reduction is still ahead
     * @param reduced   litres left by it
     * @param degreased fat lifted
     * @param strained  how it left the pot
     */
    public record Finish(
            int passes,
            boolean toReduce,
            Optional<Volume> reduced,
            Optional<Volume> degreased,
            Optional<FinishEvent.Strained> strained) {}

    /**
     * The pot.
     *
     * @param contents     liquor and solids expected now, as a ledger has them
     * @param liquor       liquor alone
     * @param level        expected above the bottom, as a ruler reads it while it is hot
     * @param temperature  expected, or as last read
     * @param mark         the line it was filled to, raised by what went in later
     * @param toMark       litres that bring it back to the mark; below nothing when it stands above
     * @param bedTop       height of the bed now
     * @param steamLPerH   leaving now
     * @param gelatinGPerL in the liquor
     * @param boiledMin    minutes that it boiled where it should simmer; a livelier simmer counts in part
     * @param kappa        evaporation factor of this very run, by its vessel and by what was read
     * @param foams        since when the model has it at its first foam; empty before
     * @param simmers      since when the model has it at its simmer; empty before
     * @param tooHotSince  since when it was read above its band, until it is turned down
     * @param cover        on it
     * @param levelRead    when the level was last read
     * @param temperatureRead when the temperature was last read
     * @param toppedUp     when water was last added
     */
    public record Pot(
            Volume contents,
            Volume liquor,
            Length level,
            Temperature temperature,
            Length mark,
            Volume toMark,
            Length bedTop,
            double steamLPerH,
            double gelatinGPerL,
            double boiledMin,
            Band kappa,
            Optional<Instant> foams,
            Optional<Instant> simmers,
            Optional<Instant> tooHotSince,
            Cover cover,
            Optional<Instant> levelRead,
            Optional<Instant> temperatureRead,
            Optional<Instant> toppedUp) {
        /** By how much the bed stands out of the liquor; below nothing while it is covered. */
        Length bare() {
            return bedTop.minus(level);
        }
    }

    /**
     * Times of heating and simmer.
     *
     * @param lit        burner lit
     * @param foam       first foam seen
     * @param reached    simmer reached
     * @param plannedEnd when the end is to be judged
     * @param ended      judged to be enough
     * @param lastSkim   last skimming
     * @param skims      so far
     * @param held       when a warm steep began
     */
    public record Simmer(
            Optional<Instant> lit,
            Optional<Instant> foam,
            Optional<Instant> reached,
            Optional<Instant> plannedEnd,
            Optional<Instant> ended,
            Optional<Instant> lastSkim,
            int skims,
            Optional<Instant> held) {}

    /**
     * Cooling so far.
     *
     * @param strainedAt when the stock left the pot
     * @param began      when cooling began
     * @param readings   oldest first, since straining or the last reheat
     * @param projection where they lead
     * @param verdict    against the plan's limits; empty before straining
     * @param allowed    what may be done now, the better way first
     * @param reheats    so far, those that started no clock counted in
     * @param released   when somebody vouched for it as it stands
     */
    public record Cooling(
            Optional<Instant> strainedAt,
            Optional<Instant> began,
            List<Reading> readings,
            Optional<Projection> projection,
            Optional<CoolingVerdict> verdict,
            List<CoolingVerdict.Way> allowed,
            int reheats,
            Optional<Instant> released) {
        /** Before anything is strained. */
        static final Cooling AHEAD = new Cooling(
                Optional.empty(),
                Optional.empty(),
                List.of(),
                Optional.empty(),
                Optional.empty(),
                List.of(),
                0,
                Optional.empty());

        public Cooling {
            allowed = List.copyOf(allowed);
            readings = List.copyOf(readings);
        }

        /** How it stands; nothing is shown of what nobody has read. */
        public CoolingVerdict.Outcome outcome() {
            return verdict.map(CoolingVerdict::overall).orElse(CoolingVerdict.Outcome.WAITING);
        }

        /** Whether it is cold by what was read in time, or somebody has vouched for it. */
        public boolean mayBePutAway() {
            return outcome() == CoolingVerdict.Outcome.PASSED || outcome().wantsRelease() && released.isPresent();
        }
    }

    /** When a batch came to a stage. */
    public record Entered(Stage stage, Instant at) {}

    /** The pot at a moment, for drawing. */
    public record CoursePoint(
            Instant at, double contentsL, double liquorL, double levelCm, double celsius, double gelatinGPerL) {}
}
