package potamos.core.formula;

import java.time.Duration;
import java.util.ArrayList;
import java.util.List;
import potamos.core.formula.Part.Amount;
import potamos.core.formula.Part.When;
import potamos.core.heat.Cover;
import potamos.core.heat.SimmerBand;
import potamos.core.quantity.Length;
import potamos.core.quantity.Temperature;
import potamos.core.safety.Caution;
import potamos.core.vessel.BedKind;

/**
 * The formulas that a kitchen starts from, one or more of each family, with the project's own figures inside the trade's ranges. A new kitchen gets a
 * copy of them as its own data; after that this book changes nothing there.
 */
public final class Book {

    private static final Temperature COLD = Temperature.ofCelsius(12);

    private static final Phase.Skim BONE_CADENCE = new Phase.Skim(minutes(15), minutes(75), minutes(45));

    private static final Phase.Skim SHORT_CADENCE = new Phase.Skim(minutes(8), minutes(24), minutes(15));

    private Book() {}

    /** Every formula that ships. */
    public static List<Formula> formulas() {
        List<Formula> all = new ArrayList<>();
        all.addAll(BrownBook.formulas());
        all.addAll(List.of(whiteChicken(), whiteVeal(), whitePorkAndChicken()));
        all.addAll(List.of(fishFumet(), kelpAndFlake(), kelpAndFlakeSecond(), shellfish()));
        all.addAll(List.of(vegetableLight(), vegetableDark(), vegetableWithSeaweedAndBarley()));
        all.addAll(List.of(secondWetting(), halfReduction(), glaze(), courtBouillon()));
        return List.copyOf(all);
    }

    /** White chicken stock, unblanched by default: blanching buys clarity with flavour, and the cook chooses. */
    public static Formula whiteChicken() {
        return new Formula(
                "white-chicken",
                "White chicken stock",
                Family.WHITE,
                1,
                List.of(new Formula.BedShare(Beds.CHICKEN_CARCASS, 1)),
                new WaterRule.PerKgBed(1.7),
                whiteParts(105),
                List.of(
                        new Phase.Rinse(minutes(10)),
                        fill(),
                        new Phase.BringUp(),
                        simmer(180, 120, 240, heldHot()),
                        new Phase.Rest(minutes(20)),
                        new Phase.Strain(2, false, Phase.Transfer.LADLE),
                        new Phase.Cool(),
                        new Phase.Degrease(true),
                        new Phase.Portion(minutes(15))),
                3,
                3,
                List.of(Caution.RAW_BONES, Caution.LIFTING, Caution.TWINE, Caution.HOT_STRAINING));
    }

    static Formula whiteVeal() {
        return new Formula(
                "white-veal",
                "White veal stock",
                Family.WHITE,
                1,
                List.of(new Formula.BedShare(Beds.VEAL, 1)),
                new WaterRule.PerKgBed(1.8),
                whiteParts(120),
                List.of(
                        new Phase.Rinse(minutes(10)),
                        new Phase.Blanch(minutes(2), minutes(15)),
                        fill(),
                        new Phase.BringUp(),
                        simmer(300, 240, 360, heldHot()),
                        new Phase.Rest(minutes(20)),
                        new Phase.Strain(3, false, Phase.Transfer.LADLE),
                        new Phase.Cool(),
                        new Phase.Degrease(true),
                        new Phase.Portion(minutes(15))),
                3,
                3,
                List.of(
                        Caution.RAW_BONES,
                        Caution.DRAINING_BLANCH,
                        Caution.LIFTING,
                        Caution.TWINE,
                        Caution.HOT_STRAINING));
    }

    static Formula whitePorkAndChicken() {
        return new Formula(
                "white-pork-chicken",
                "White pork and chicken stock",
                Family.WHITE,
                1,
                List.of(new Formula.BedShare(Beds.PORK, 0.6), new Formula.BedShare(Beds.CHICKEN_WINGS, 0.4)),
                new WaterRule.PerKgBed(1.8),
                List.of(
                        percent("onion", 6, late(120), 13),
                        percent("leek", 3, late(120), 13),
                        percent("ginger", 1, late(120), 5),
                        sachet("peppercorn-white", 0.6)),
                List.of(
                        new Phase.Rinse(minutes(10)),
                        new Phase.Blanch(minutes(3), minutes(15)),
                        fill(),
                        new Phase.BringUp(),
                        simmer(300, 240, 360, heldHot()),
                        new Phase.Rest(minutes(20)),
                        new Phase.Strain(2, false, Phase.Transfer.LADLE),
                        new Phase.Cool(),
                        new Phase.Degrease(true),
                        new Phase.Portion(minutes(15))),
                3,
                3,
                List.of(Caution.RAW_BONES, Caution.DRAINING_BLANCH, Caution.LIFTING, Caution.HOT_STRAINING));
    }

    static Formula fishFumet() {
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

    static Formula kelpAndFlake() {
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

    static Formula kelpAndFlakeSecond() {
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

    static Formula shellfish() {
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

    static Formula vegetableLight() {
        return new Formula(
                "vegetable-light",
                "Light vegetable stock",
                Family.VEGETABLE,
                1,
                List.of(new Formula.BedShare(Beds.MIXED_VEGETABLES, 1, 4)),
                new WaterRule.PerKgBed(1.55),
                List.of(
                        percent("mushroom-trim", 6, start(), 0),
                        sachet("parsley-stems", 6),
                        sachet("thyme", 0.8),
                        sachet("bay", 0.2),
                        sachet("peppercorn-white", 0.8)),
                List.of(
                        new Phase.Rinse(minutes(10)),
                        fill(),
                        new Phase.BringUp(),
                        simmer(40, 30, 45, Phase.TopUp.none(), new Phase.Skim(minutes(15), minutes(15), minutes(30))),
                        new Phase.Rest(minutes(15)),
                        new Phase.Strain(2, false, Phase.Transfer.LADLE),
                        new Phase.Cool(),
                        new Phase.Portion(minutes(10))),
                3,
                3,
                List.of(Caution.BLADES, Caution.HOT_STRAINING));
    }

    static Formula vegetableDark() {
        return new Formula(
                "vegetable-dark",
                "Dark vegetable stock",
                Family.VEGETABLE,
                1,
                List.of(new Formula.BedShare(Beds.ROASTED_VEGETABLES, 1, 5)),
                new WaterRule.PerKgBed(1.5),
                List.of(
                        percent("tomato-paste", 4, start(), 0),
                        percent("miso", 1.2, start(), 0),
                        percent("shiitake-dried", 0.6, start(), 0),
                        percent("oil", 2, start(), 0),
                        sachet("thyme", 0.6),
                        sachet("bay", 0.2)),
                List.of(
                        new Phase.Rinse(minutes(10)),
                        new Phase.Roast(Temperature.ofCelsius(150), 5.5, minutes(30), 0.45),
                        new Phase.Deglaze(0.06, 0.5, 1),
                        fill(),
                        new Phase.BringUp(),
                        simmer(60, 45, 75, Phase.TopUp.none(), new Phase.Skim(minutes(20), minutes(20), minutes(40))),
                        new Phase.Rest(minutes(15)),
                        new Phase.Strain(2, true, Phase.Transfer.LADLE),
                        new Phase.Cool(),
                        new Phase.Portion(minutes(10))),
                3,
                3,
                List.of(Caution.BLADES, Caution.RUNNING_FAT, Caution.HOT_STRAINING));
    }

    static Formula vegetableWithSeaweedAndBarley() {
        return new Formula(
                "vegetable-seaweed-barley",
                "Vegetable stock with seaweed and barley",
                Family.VEGETABLE,
                1,
                List.of(new Formula.BedShare(Beds.MIXED_VEGETABLES, 1, 4)),
                new WaterRule.PerKgBed(1.6),
                List.of(
                        perLitre("kelp-dried", 5),
                        perLitre("shiitake-dried", 4),
                        perLitre("barley-pearl", 12),
                        sachet("parsley-stems", 5),
                        sachet("bay", 0.2)),
                List.of(
                        new Phase.Rinse(minutes(10)),
                        fill(),
                        new Phase.Steep(Temperature.ofCelsius(65), minutes(30)),
                        new Phase.BringUp(),
                        simmer(45, 35, 60, Phase.TopUp.none(), new Phase.Skim(minutes(15), minutes(15), minutes(30))),
                        new Phase.Rest(minutes(15)),
                        new Phase.Strain(2, false, Phase.Transfer.LADLE),
                        new Phase.Cool(),
                        new Phase.Portion(minutes(10))),
                3,
                2,
                List.of(Caution.KELP_IODINE, Caution.BLADES, Caution.HOT_STRAINING));
    }

    static Formula secondWetting() {
        return new Formula(
                "second-wetting",
                "Second wetting",
                Family.SECOND_WETTING,
                1,
                List.of(new Formula.BedShare(Beds.SPENT_BONES, 1)),
                new WaterRule.PerKgBed(1.2),
                List.of(percent("onion", 3, start(), 16), percent("celery", 1.5, start(), 16)),
                List.of(
                        fill(),
                        new Phase.BringUp(),
                        simmer(180, 120, 240, heldHot(), new Phase.Skim(minutes(30), minutes(60), minutes(60))),
                        new Phase.Rest(minutes(15)),
                        new Phase.Strain(2, false, Phase.Transfer.LADLE),
                        new Phase.Cool(),
                        new Phase.Portion(minutes(10))),
                3,
                3,
                List.of(Caution.LIFTING, Caution.HOT_STRAINING));
    }

    static Formula halfReduction() {
        return new Formula(
                "half-reduction",
                "Half reduction",
                Family.REDUCTION,
                1,
                List.of(),
                new WaterRule.PerKgBed(1),
                List.of(perLitre("shallot", 25), perLitre("wine-red", 90)),
                List.of(
                        new Phase.WineDown(0.33),
                        new Phase.Fill(Temperature.ofCelsius(4), new Liquid(Liquid.Kind.STOCK, 18, 0)),
                        new Phase.BringUp(),
                        simmer(15, 5, 30, Phase.TopUp.none(), SHORT_CADENCE),
                        new Phase.Reduce(0.5),
                        new Phase.Strain(1, false, Phase.Transfer.POUR),
                        new Phase.Cool(),
                        new Phase.Portion(minutes(10))),
                3,
                3,
                List.of(Caution.HOT_STRAINING));
    }

    static Formula glaze() {
        return new Formula(
                "glaze",
                "Glaze",
                Family.REDUCTION,
                1,
                List.of(),
                new WaterRule.PerKgBed(1),
                List.of(),
                List.of(
                        new Phase.Fill(Temperature.ofCelsius(4), new Liquid(Liquid.Kind.STOCK, 18, 0)),
                        new Phase.BringUp(),
                        simmer(15, 5, 30, Phase.TopUp.none(), SHORT_CADENCE),
                        new Phase.Reduce(0.11),
                        new Phase.Strain(1, false, Phase.Transfer.POUR),
                        new Phase.Cool(),
                        new Phase.Portion(minutes(15))),
                5,
                6,
                List.of(Caution.HOT_STRAINING));
    }

    static Formula courtBouillon() {
        return new Formula(
                "court-bouillon",
                "Court-bouillon",
                Family.COURT_BOUILLON,
                1,
                List.of(new Formula.BedShare(Beds.MIXED_VEGETABLES, 1, 3)),
                new WaterRule.PerKgBed(5),
                List.of(
                        perLitre("vinegar-white-wine", 60),
                        perLitre("salt", 8),
                        sachet("parsley-stems", 10),
                        sachet("thyme", 1),
                        sachet("peppercorn-black", 2)),
                List.of(
                        fill(),
                        new Phase.BringUp(),
                        simmer(30, 20, 40, Phase.TopUp.none(), Phase.Skim.none()),
                        new Phase.Rest(minutes(10)),
                        new Phase.Strain(1, false, Phase.Transfer.POUR),
                        new Phase.Cool(),
                        new Phase.Portion(minutes(5))),
                3,
                1,
                List.of(Caution.BLADES, Caution.HOT_STRAINING));
    }

    private static List<Part> whiteParts(int vegetablesBeforeTheEnd) {
        return List.of(
                percent("onion", 6, late(vegetablesBeforeTheEnd), 13),
                percent("carrot", 3, late(vegetablesBeforeTheEnd), 13),
                percent("celery", 3, late(vegetablesBeforeTheEnd), 13),
                sachet("parsley-stems", 2.5),
                sachet("thyme", 0.8),
                sachet("bay", 0.15),
                sachet("peppercorn-white", 0.6));
    }

    static Phase.Fill fill() {
        return new Phase.Fill(COLD, Liquid.WATER);
    }

    static Phase.Simmer simmer(int usual, int least, int most, Phase.TopUp topUp) {
        return simmer(usual, least, most, topUp, BONE_CADENCE);
    }

    private static Phase.Simmer simmer(int usual, int least, int most, Phase.TopUp topUp, Phase.Skim skim) {
        return new Phase.Simmer(
                SimmerBand.LAZY, minutes(usual), minutes(least), minutes(most), Cover.OPEN, topUp, skim);
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

    static Phase.TopUp heldHot() {
        return new Phase.TopUp(true, Length.ofCm(2.5), Temperature.ofCelsius(85));
    }

    static Part percent(String item, double percent, When when, double cutMm) {
        return new Part(Pantry.of(item), new Amount.PercentOfBed(percent), when, cutMm);
    }

    static Part sachet(String item, double gramsPerKg) {
        return new Part(Pantry.of(item), new Amount.GramsPerKgBed(gramsPerKg), late(60), 0);
    }

    private static Part perLitre(String item, double grams) {
        return new Part(Pantry.of(item), new Amount.GramsPerLitre(grams), start(), 0);
    }

    static When start() {
        return new When.WithTheBed();
    }

    static When late(int beforeTheEnd) {
        return new When.BeforeTheEnd(minutes(beforeTheEnd));
    }

    static Duration minutes(int minutes) {
        return Duration.ofMinutes(minutes);
    }

    static Formula.BedShare share(BedKind kind, double share) {
        return new Formula.BedShare(kind, share);
    }
}
