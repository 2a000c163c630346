package potamos.core.formula;

import static potamos.core.formula.Book.SHORT_CADENCE;
import static potamos.core.formula.Book.fill;
import static potamos.core.formula.Book.heldHot;
import static potamos.core.formula.Book.minutes;
import static potamos.core.formula.Book.perLitre;
import static potamos.core.formula.Book.percent;
import static potamos.core.formula.Book.simmer;
import static potamos.core.formula.Book.start;

import java.util.List;
import potamos.core.quantity.Temperature;
import potamos.core.safety.Caution;

/** What the book makes of what is there already: spent bones, and finished stocks boiled down. */
final class SecondBook {

    private SecondBook() {}

    static List<Formula> formulas() {
        return List.of(secondWetting(), halfReduction(), glaze());
    }

    private static Formula secondWetting() {
        return FormulaBuilder.builder()
                .slug("second-wetting")
                .name("Second wetting")
                .family(Family.SECOND_WETTING)
                .version(1)
                .bed(List.of(new Formula.BedShare(Beds.SPENT_BONES, 1)))
                .water(new WaterRule.PerKgBed(1.2))
                .parts(List.of(percent("onion", 3, start(), 16), percent("celery", 1.5, start(), 16)))
                .procedure(List.of(
                        fill(),
                        new PotPhase.BringUp(),
                        simmer(180, 120, 240, heldHot(), new PotPhase.Skim(minutes(30), minutes(60), minutes(60))),
                        new PotPhase.Rest(minutes(15)),
                        new FinishPhase.Strain(2, false, FinishPhase.Transfer.LADLE),
                        new FinishPhase.Cool(),
                        new FinishPhase.Portion(minutes(10))))
                .coldDays(3)
                .frozenMonths(3)
                .cautions(List.of(Caution.LIFTING, Caution.HOT_STRAINING))
                .build();
    }

    private static Formula halfReduction() {
        return FormulaBuilder.builder()
                .slug("half-reduction")
                .name("Half reduction")
                .family(Family.REDUCTION)
                .version(1)
                .bed(List.of())
                .water(new WaterRule.PerKgBed(1))
                .parts(List.of(perLitre("shallot", 25), perLitre("wine-red", 90)))
                .procedure(List.of(
                        new PrepPhase.WineDown(0.33),
                        new PotPhase.Fill(Temperature.ofCelsius(4), new Liquid(Liquid.Kind.STOCK, 18, 0)),
                        new PotPhase.BringUp(),
                        simmer(15, 5, 30, PotPhase.TopUp.none(), SHORT_CADENCE),
                        new FinishPhase.Reduce(0.5),
                        new FinishPhase.Strain(1, false, FinishPhase.Transfer.POUR),
                        new FinishPhase.Cool(),
                        new FinishPhase.Portion(minutes(10))))
                .coldDays(3)
                .frozenMonths(3)
                .cautions(List.of(Caution.HOT_STRAINING))
                .build();
    }

    private static Formula glaze() {
        return FormulaBuilder.builder()
                .slug("glaze")
                .name("Glaze")
                .family(Family.REDUCTION)
                .version(1)
                .bed(List.of())
                .water(new WaterRule.PerKgBed(1))
                .parts(List.of())
                .procedure(List.of(
                        new PotPhase.Fill(Temperature.ofCelsius(4), new Liquid(Liquid.Kind.STOCK, 18, 0)),
                        new PotPhase.BringUp(),
                        simmer(15, 5, 30, PotPhase.TopUp.none(), SHORT_CADENCE),
                        new FinishPhase.Reduce(0.11),
                        new FinishPhase.Strain(1, false, FinishPhase.Transfer.POUR),
                        new FinishPhase.Cool(),
                        new FinishPhase.Portion(minutes(15))))
                .coldDays(5)
                .frozenMonths(6)
                .cautions(List.of(Caution.HOT_STRAINING))
                .build();
    }
}
