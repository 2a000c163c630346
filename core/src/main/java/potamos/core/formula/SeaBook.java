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
        return new Formula(
                "fish-fumet",
                "Fish fumet",
                Family.FISH,
                1,
                List.of(new Formula.BedShare(Beds.FISH_FRAMES, 1)),
                new WaterRule.PerKgBed(1.1),
                List.of(
                        percent("onion", 8, start(), 3),
                        percent("leek", 5, start(), 3),
                        percent("celery", 4, start(), 3),
                        percent("mushroom-trim", 3, start(), 0),
                        percent("butter", 2, start(), 0),
                        percent("wine-white", 15, start(), 0),
                        sachet("parsley-stems", 3),
                        sachet("thyme", 0.5),
                        sachet("peppercorn-white", 0.4)),
                List.of(
                        new Phase.Rinse(minutes(5)),
                        new Phase.Soak(minutes(60), minutes(20)),
                        new Phase.Sweat(minutes(10)),
                        new Phase.WineDown(0.5),
                        fill(),
                        new Phase.BringUp(),
                        new Phase.Simmer(
                                SimmerBand.LAZY,
                                minutes(25),
                                minutes(20),
                                minutes(35),
                                Cover.PAPER_LID,
                                Phase.TopUp.none(),
                                SHORT_CADENCE),
                        new Phase.Rest(minutes(10)),
                        new Phase.Strain(2, false, Phase.Transfer.LADLE),
                        new Phase.Cool(),
                        new Phase.Portion(minutes(10))),
                2,
                3,
                List.of(Caution.BLADES, Caution.HOT_STRAINING));
    }

    private static Formula kelpAndFlake() {
        return new Formula(
                "kelp-flake",
                "Kelp and flake stock",
                Family.INFUSED,
                1,
                List.of(new Formula.BedShare(Beds.KELP, 0.3), new Formula.BedShare(Beds.FLAKES, 0.7)),
                new WaterRule.PerKgBed(30),
                List.of(),
                List.of(
                        new Phase.Wipe(minutes(3)),
                        fill(),
                        new Phase.Steep(COLD, minutes(40)),
                        new Phase.Steep(Temperature.ofCelsius(65), minutes(15)),
                        new Phase.BringUp(),
                        boilOnce(),
                        new Phase.Rest(minutes(4)),
                        new Phase.Strain(1, false, Phase.Transfer.POUR),
                        new Phase.Cool(),
                        new Phase.Portion(minutes(5))),
                2,
                1,
                List.of(Caution.KELP_IODINE, Caution.HOT_STRAINING));
    }

    private static Formula kelpAndFlakeSecond() {
        return new Formula(
                "kelp-flake-second",
                "Kelp and flake stock, second steep",
                Family.INFUSED,
                1,
                List.of(new Formula.BedShare(Beds.SPENT_KELP_FLAKES, 1)),
                new WaterRule.PerKgBed(5),
                List.of(),
                List.of(
                        fill(),
                        new Phase.Steep(Temperature.ofCelsius(75), minutes(15)),
                        new Phase.BringUp(),
                        boilOnce(),
                        new Phase.Rest(minutes(4)),
                        new Phase.Strain(1, false, Phase.Transfer.POUR),
                        new Phase.Cool(),
                        new Phase.Portion(minutes(5))),
                2,
                1,
                List.of(Caution.KELP_IODINE, Caution.HOT_STRAINING));
    }

    private static Formula shellfish() {
        return new Formula(
                "shellfish",
                "Shellfish stock",
                Family.SHELLFISH,
                1,
                List.of(new Formula.BedShare(Beds.SHELLS, 1)),
                new WaterRule.PerKgBed(2.2),
                List.of(
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
                        sachet("fennel-seed", 0.5)),
                List.of(
                        new Phase.Brown(minutes(13)),
                        new Phase.CookTomato(minutes(6)),
                        new Phase.Flame(),
                        new Phase.WineDown(0.33),
                        fill(),
                        new Phase.BringUp(),
                        simmer(60, 40, 90, Phase.TopUp.none(), SHORT_CADENCE),
                        new Phase.Rest(minutes(10)),
                        new Phase.Strain(2, true, Phase.Transfer.LADLE),
                        new Phase.Cool(),
                        new Phase.Portion(minutes(10))),
                2,
                3,
                List.of(Caution.FLAMING, Caution.BLADES, Caution.HOT_STRAINING));
    }

    /** To the boil and off again, as before flakes go in. */
    private static Phase.Simmer boilOnce() {
        return new Phase.Simmer(
                SimmerBand.LIVELY,
                minutes(1),
                Duration.ZERO,
                minutes(2),
                Cover.OPEN,
                Phase.TopUp.none(),
                Phase.Skim.none());
    }
}
