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
        return FormulaBuilder.builder()
                .slug("vegetable-light")
                .name("Light vegetable stock")
                .family(Family.VEGETABLE)
                .version(1)
                .bed(List.of(new Formula.BedShare(Beds.MIXED_VEGETABLES, 1, 4)))
                .water(new WaterRule.PerKgBed(1.55))
                .parts(List.of(
                        percent("mushroom-trim", 6, start(), 0),
                        sachet("parsley-stems", 6),
                        sachet("thyme", 0.8),
                        sachet("bay", 0.2),
                        sachet("peppercorn-white", 0.8)))
                .procedure(List.of(
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
                        new FinishPhase.Portion(minutes(10))))
                .coldDays(3)
                .frozenMonths(3)
                .cautions(List.of(Caution.BLADES, Caution.HOT_STRAINING))
                .build();
    }

    private static Formula vegetableDark() {
        return FormulaBuilder.builder()
                .slug("vegetable-dark")
                .name("Dark vegetable stock")
                .family(Family.VEGETABLE)
                .version(1)
                .bed(List.of(new Formula.BedShare(Beds.ROASTED_VEGETABLES, 1, 5)))
                .water(new WaterRule.PerKgBed(1.5))
                .parts(List.of(
                        percent("tomato-paste", 4, start(), 0),
                        percent("miso", 1.2, start(), 0),
                        percent("shiitake-dried", 0.6, start(), 0),
                        percent("oil", 2, start(), 0),
                        sachet("thyme", 0.6),
                        sachet("bay", 0.2)))
                .procedure(List.of(
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
                        new FinishPhase.Portion(minutes(10))))
                .coldDays(3)
                .frozenMonths(3)
                .cautions(List.of(Caution.BLADES, Caution.RUNNING_FAT, Caution.HOT_STRAINING))
                .build();
    }

    private static Formula vegetableWithSeaweedAndBarley() {
        return FormulaBuilder.builder()
                .slug("vegetable-seaweed-barley")
                .name("Vegetable stock with seaweed and barley")
                .family(Family.VEGETABLE)
                .version(1)
                .bed(List.of(new Formula.BedShare(Beds.MIXED_VEGETABLES, 1, 4)))
                .water(new WaterRule.PerKgBed(1.6))
                .parts(List.of(
                        perLitre("kelp-dried", 5),
                        perLitre("shiitake-dried", 4),
                        perLitre("barley-pearl", 12),
                        sachet("parsley-stems", 5),
                        sachet("bay", 0.2)))
                .procedure(List.of(
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
                        new FinishPhase.Portion(minutes(10))))
                .coldDays(3)
                .frozenMonths(2)
                .cautions(List.of(Caution.KELP_IODINE, Caution.BLADES, Caution.HOT_STRAINING))
                .build();
    }

    private static Formula courtBouillon() {
        return FormulaBuilder.builder()
                .slug("court-bouillon")
                .name("Court-bouillon")
                .family(Family.COURT_BOUILLON)
                .version(1)
                .bed(List.of(new Formula.BedShare(Beds.MIXED_VEGETABLES, 1, 3)))
                .water(new WaterRule.PerKgBed(5))
                .parts(List.of(
                        perLitre("vinegar-white-wine", 60),
                        perLitre("salt", 8),
                        sachet("parsley-stems", 10),
                        sachet("thyme", 1),
                        sachet("peppercorn-black", 2)))
                .procedure(List.of(
                        fill(),
                        new PotPhase.BringUp(),
                        simmer(30, 20, 40, PotPhase.TopUp.none(), PotPhase.Skim.none()),
                        new PotPhase.Rest(minutes(10)),
                        new FinishPhase.Strain(1, false, FinishPhase.Transfer.POUR),
                        new FinishPhase.Cool(),
                        new FinishPhase.Portion(minutes(5))))
                .coldDays(3)
                .frozenMonths(1)
                .cautions(List.of(Caution.BLADES, Caution.HOT_STRAINING))
                .build();
    }
}
