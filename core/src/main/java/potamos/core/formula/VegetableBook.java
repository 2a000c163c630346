package potamos.core.formula;

import static potamos.core.formula.Book.fill;
import static potamos.core.formula.Book.minutes;
import static potamos.core.formula.Book.perLitre;
import static potamos.core.formula.Book.percent;
import static potamos.core.formula.Book.sachet;
import static potamos.core.formula.Book.simmer;
import static potamos.core.formula.Book.start;

import java.util.List;
import potamos.core.quantity.Temperature;
import potamos.core.safety.Caution;

/** Stocks of the book with no bones in them. */
final class VegetableBook {

    private VegetableBook() {}

    static List<Formula> formulas() {
        return List.of(vegetableLight(), vegetableDark(), vegetableWithSeaweedAndBarley(), courtBouillon());
    }

    private static Formula vegetableLight() {
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
                        new PrepPhase.Rinse(minutes(10)),
                        fill(),
                        new PotPhase.BringUp(),
                        simmer(
                                40,
                                30,
                                45,
                                PotPhase.TopUp.none(),
                                new PotPhase.Skim(minutes(15), minutes(15), minutes(30))),
                        new PotPhase.Rest(minutes(15)),
                        new FinishPhase.Strain(2, false, FinishPhase.Transfer.LADLE),
                        new FinishPhase.Cool(),
                        new FinishPhase.Portion(minutes(10))),
                3,
                3,
                List.of(Caution.BLADES, Caution.HOT_STRAINING));
    }

    private static Formula vegetableDark() {
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
                        new PrepPhase.Rinse(minutes(10)),
                        new PrepPhase.Roast(Temperature.ofCelsius(150), 5.5, minutes(30), 0.45),
                        new PrepPhase.Deglaze(0.06, 0.5, 1),
                        fill(),
                        new PotPhase.BringUp(),
                        simmer(
                                60,
                                45,
                                75,
                                PotPhase.TopUp.none(),
                                new PotPhase.Skim(minutes(20), minutes(20), minutes(40))),
                        new PotPhase.Rest(minutes(15)),
                        new FinishPhase.Strain(2, true, FinishPhase.Transfer.LADLE),
                        new FinishPhase.Cool(),
                        new FinishPhase.Portion(minutes(10))),
                3,
                3,
                List.of(Caution.BLADES, Caution.RUNNING_FAT, Caution.HOT_STRAINING));
    }

    private static Formula vegetableWithSeaweedAndBarley() {
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
                        new PrepPhase.Rinse(minutes(10)),
                        fill(),
                        new PotPhase.Steep(Temperature.ofCelsius(65), minutes(30)),
                        new PotPhase.BringUp(),
                        simmer(
                                45,
                                35,
                                60,
                                PotPhase.TopUp.none(),
                                new PotPhase.Skim(minutes(15), minutes(15), minutes(30))),
                        new PotPhase.Rest(minutes(15)),
                        new FinishPhase.Strain(2, false, FinishPhase.Transfer.LADLE),
                        new FinishPhase.Cool(),
                        new FinishPhase.Portion(minutes(10))),
                3,
                2,
                List.of(Caution.KELP_IODINE, Caution.BLADES, Caution.HOT_STRAINING));
    }

    private static Formula courtBouillon() {
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
                        new PotPhase.BringUp(),
                        simmer(30, 20, 40, PotPhase.TopUp.none(), PotPhase.Skim.none()),
                        new PotPhase.Rest(minutes(10)),
                        new FinishPhase.Strain(1, false, FinishPhase.Transfer.POUR),
                        new FinishPhase.Cool(),
                        new FinishPhase.Portion(minutes(5))),
                3,
                1,
                List.of(Caution.BLADES, Caution.HOT_STRAINING));
    }
}
