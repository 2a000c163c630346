package potamos.core.formula;

import static potamos.core.formula.Book.COLD;
import static potamos.core.formula.Book.SHORT_CADENCE;
import static potamos.core.formula.Book.fill;
import static potamos.core.formula.Book.minutes;
import static potamos.core.formula.Book.percent;
import static potamos.core.formula.Book.sachet;
import static potamos.core.formula.Book.simmer;
import static potamos.core.formula.Book.start;

import java.time.Duration;
import java.util.List;
import potamos.core.heat.Cover;
import potamos.core.heat.SimmerBand;
import potamos.core.quantity.Temperature;
import potamos.core.safety.Caution;

/** Stocks of the book from the sea: fumet, shellfish, kelp and flakes. */
final class SeaBook {

    private SeaBook() {}

    static List<Formula> formulas() {
        return List.of(fishFumet(), kelpAndFlake(), kelpAndFlakeSecond(), shellfish());
    }

    private static Formula fishFumet() {
        return FormulaBuilder.builder()
                .slug("fish-fumet")
                .name("Fish fumet")
                .family(Family.FISH)
                .version(1)
                .bed(List.of(new Formula.BedShare(Beds.FISH_FRAMES, 1)))
                .water(new WaterRule.PerKgBed(1.1))
                .parts(List.of(
                        percent("onion", 8, start(), 3),
                        percent("leek", 5, start(), 3),
                        percent("celery", 4, start(), 3),
                        percent("mushroom-trim", 3, start(), 0),
                        percent("butter", 2, start(), 0),
                        percent("wine-white", 15, start(), 0),
                        sachet("parsley-stems", 3),
                        sachet("thyme", 0.5),
                        sachet("peppercorn-white", 0.4)))
                .procedure(List.of(
                        new PrepPhase.Rinse(minutes(5)),
                        new PrepPhase.Soak(minutes(60), minutes(20)),
                        new PrepPhase.Sweat(minutes(10)),
                        new PrepPhase.WineDown(0.5),
                        fill(),
                        new PotPhase.BringUp(),
                        new PotPhase.Simmer(
                                SimmerBand.LAZY,
                                minutes(25),
                                minutes(20),
                                minutes(35),
                                Cover.PAPER_LID,
                                PotPhase.TopUp.none(),
                                SHORT_CADENCE),
                        new PotPhase.Rest(minutes(10)),
                        new FinishPhase.Strain(2, false, FinishPhase.Transfer.LADLE),
                        new FinishPhase.Cool(),
                        new FinishPhase.Portion(minutes(10))))
                .coldDays(2)
                .frozenMonths(3)
                .cautions(List.of(Caution.BLADES, Caution.HOT_STRAINING))
                .build();
    }

    private static Formula kelpAndFlake() {
        return FormulaBuilder.builder()
                .slug("kelp-flake")
                .name("Kelp and flake stock")
                .family(Family.INFUSED)
                .version(1)
                .bed(List.of(new Formula.BedShare(Beds.KELP, 0.3), new Formula.BedShare(Beds.FLAKES, 0.7)))
                .water(new WaterRule.PerKgBed(30))
                .parts(List.of())
                .procedure(List.of(
                        new PrepPhase.Wipe(minutes(3)),
                        fill(),
                        new PotPhase.Steep(COLD, minutes(40)),
                        new PotPhase.Steep(Temperature.ofCelsius(65), minutes(15)),
                        new PotPhase.BringUp(),
                        boilOnce(),
                        new PotPhase.Rest(minutes(4)),
                        new FinishPhase.Strain(1, false, FinishPhase.Transfer.POUR),
                        new FinishPhase.Cool(),
                        new FinishPhase.Portion(minutes(5))))
                .coldDays(2)
                .frozenMonths(1)
                .cautions(List.of(Caution.KELP_IODINE, Caution.HOT_STRAINING))
                .build();
    }

    private static Formula kelpAndFlakeSecond() {
        return FormulaBuilder.builder()
                .slug("kelp-flake-second")
                .name("Kelp and flake stock, second steep")
                .family(Family.INFUSED)
                .version(1)
                .bed(List.of(new Formula.BedShare(Beds.SPENT_KELP_FLAKES, 1)))
                .water(new WaterRule.PerKgBed(5))
                .parts(List.of())
                .procedure(List.of(
                        fill(),
                        new PotPhase.Steep(Temperature.ofCelsius(75), minutes(15)),
                        new PotPhase.BringUp(),
                        boilOnce(),
                        new PotPhase.Rest(minutes(4)),
                        new FinishPhase.Strain(1, false, FinishPhase.Transfer.POUR),
                        new FinishPhase.Cool(),
                        new FinishPhase.Portion(minutes(5))))
                .coldDays(2)
                .frozenMonths(1)
                .cautions(List.of(Caution.KELP_IODINE, Caution.HOT_STRAINING))
                .build();
    }

    private static Formula shellfish() {
        return FormulaBuilder.builder()
                .slug("shellfish")
                .name("Shellfish stock")
                .family(Family.SHELLFISH)
                .version(1)
                .bed(List.of(new Formula.BedShare(Beds.SHELLS, 1)))
                .water(new WaterRule.PerKgBed(2.2))
                .parts(List.of(
                        percent("onion", 8, start(), 8),
                        percent("carrot", 4, start(), 8),
                        percent("celery", 4, start(), 8),
                        percent("fennel", 5, start(), 8),
                        percent("garlic", 1, start(), 0),
                        percent("tomato-paste", 3, start(), 0),
                        percent("oil", 2, start(), 0),
                        percent("brandy", 4, start(), 0),
                        percent("wine-white", 20, start(), 0),
                        sachet("tarragon", 1.0),
                        sachet("bay", 0.15),
                        sachet("fennel-seed", 0.5)))
                .procedure(List.of(
                        new PrepPhase.Brown(minutes(13)),
                        new PrepPhase.CookTomato(minutes(6)),
                        new PrepPhase.Flame(),
                        new PrepPhase.WineDown(0.33),
                        fill(),
                        new PotPhase.BringUp(),
                        simmer(60, 40, 90, PotPhase.TopUp.none(), SHORT_CADENCE),
                        new PotPhase.Rest(minutes(10)),
                        new FinishPhase.Strain(2, true, FinishPhase.Transfer.LADLE),
                        new FinishPhase.Cool(),
                        new FinishPhase.Portion(minutes(10))))
                .coldDays(2)
                .frozenMonths(3)
                .cautions(List.of(Caution.FLAMING, Caution.BLADES, Caution.HOT_STRAINING))
                .build();
    }

    /** To the boil and off again, as before flakes go in. */
    private static PotPhase.Simmer boilOnce() {
        return new PotPhase.Simmer(
                SimmerBand.LIVELY,
                minutes(1),
                Duration.ZERO,
                minutes(2),
                Cover.OPEN,
                PotPhase.TopUp.none(),
                PotPhase.Skim.none());
    }
}
