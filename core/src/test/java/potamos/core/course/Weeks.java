package potamos.core.course;

import java.time.DayOfWeek;
import java.time.Duration;
import java.time.Instant;
import java.time.LocalTime;
import java.time.ZoneOffset;
import java.util.ArrayList;
import java.util.EnumSet;
import java.util.List;
import java.util.Random;
import java.util.Set;
import potamos.core.Samples;
import potamos.core.charge.Needs;
import potamos.core.charge.Pot;
import potamos.core.cooling.Chiller;
import potamos.core.cooling.ContainerSplit;
import potamos.core.formula.Book;
import potamos.core.formula.Contents;
import potamos.core.formula.Formula;
import potamos.core.heat.Burner;
import potamos.core.heat.Oven;
import potamos.core.quantity.Power;
import potamos.core.quantity.Temperature;
import potamos.core.quantity.Volume;
import potamos.core.vessel.Vessel;

/** Kitchens and weeks of calls, made up from a seed. */
public final class Weeks {

    public static final Instant MONDAY = Instant.parse("2026-03-02T05:00:00Z");

    private Weeks() {}

    /** A kitchen and what is asked of it. */
    public record Week(Equipment equipment, List<Call> calls, List<Lot> lots) {
        public Constructive.Laid laid() {
            return Constructive.lay(Course.open(equipment, MONDAY, MONDAY.plus(Duration.ofDays(8)), calls, lots));
        }
    }

    public static Equipment equipment(int vessels, Unattended unattended, Rota rota) {
        List<Vessel> pots = new ArrayList<>();
        for (int i = 0; i < vessels; i++) {
            Vessel size = Samples.cylinder(28 + 5 * i, 30 + 3 * i);
            pots.add(new Vessel("pot " + i, size.shape(), size.kappa(), size.metal(), size.handling()));
        }
        List<Burner> burners = new ArrayList<>();
        for (int i = 0; i < Math.max(2, vessels - 1); i++) {
            burners.add(new Burner("burner " + i, Power.ofKilowatts(i < 2 ? 9 : 6), 0.5));
        }
        return new Equipment(
                pots,
                burners,
                List.of(
                        new Oven("east", 6, true, Oven.bookFactor(true)),
                        new Oven("west", 4, false, Oven.bookFactor(false))),
                List.of(new ContainerSplit.Owned(Samples.bain(), 4 * vessels)),
                0,
                List.of(new Chiller("bath", Chiller.Kind.ICE_BATH, 200, Temperature.ofCelsius(1), 40.0 * vessels, 20)),
                Samples.VALLEY,
                Pot.BOOK_TAP,
                Samples.US,
                rota,
                unattended);
    }

    public static Rota longDays(int cooks) {
        return new Rota(
                ZoneOffset.UTC,
                List.of(new Rota.Hours(
                        EnumSet.allOf(DayOfWeek.class), LocalTime.of(6, 0), LocalTime.of(23, 0), cooks)));
    }

    /** The same with nothing laid, and so much of its kitchen taken by what is under way. */
    static Course taken(Course course, Use... taken) {
        return new Course(
                course.equipment(),
                course.now(),
                course.until(),
                course.calls(),
                course.lots(),
                Busy.of(List.of(taken)),
                List.of(),
                List.of());
    }

    /** When another may be started that has a batch's vessel next, so that it is clean when it is wanted. */
    static Instant vesselFree(Draft draft) {
        Use vessel = draft.uses().stream()
                .filter(use -> use.kind() == Use.Kind.VESSEL)
                .findFirst()
                .orElseThrow();
        return vessel.to().minus(Duration.between(draft.start(), vessel.from()));
    }

    /** As much as a call wants, made the day before. */
    public static Lot lotFor(Call call) {
        return lot("for " + call.id(), call.formula(), call.litres(), 2);
    }

    private static Lot lot(String id, Formula formula, Volume litres, int days) {
        return new Lot(
                id,
                formula.slug(),
                litres,
                MONDAY.minus(Duration.ofDays(1)),
                MONDAY.plus(Duration.ofDays(days)),
                new Contents(formula.allergens(), Set.of(), 0, false));
    }

    /** So many calls of the book's stocks over a week, and a little on the shelf. */
    public static Week of(long seed, int calls, int vessels) {
        Random random = new Random(seed);
        List<Formula> book = Book.formulas().stream()
                .filter(formula -> !formula.allergensUnknown())
                .toList();
        List<Call> wanted = new ArrayList<>();
        for (int i = 0; i < calls; i++) {
            Formula formula = book.get(random.nextInt(book.size()));
            Instant by = MONDAY.plus(Duration.ofDays(random.nextInt(7)))
                    .plus(Duration.ofMinutes(10L * (6 * 5 + random.nextInt(6 * 12))));
            wanted.add(new Call(
                    "call " + i,
                    "station " + random.nextInt(5),
                    formula,
                    Volume.ofLitres(2 + random.nextInt(16) / 2.0),
                    by,
                    1 + random.nextInt(3),
                    Needs.NONE));
        }
        List<Lot> lots = new ArrayList<>();
        for (int i = 0; i < 3; i++) {
            Formula formula = book.get(random.nextInt(book.size()));
            lots.add(lot("lot " + i, formula, Volume.ofLitres(1 + random.nextInt(6)), 1 + random.nextInt(4)));
        }
        Unattended policy = Unattended.values()[random.nextInt(3)];
        return new Week(equipment(vessels, policy, longDays(1 + random.nextInt(2))), wanted, lots);
    }
}
