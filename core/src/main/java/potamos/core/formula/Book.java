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

    static final Temperature COLD = Temperature.ofCelsius(12);

    private static final PotPhase.Skim BONE_CADENCE = new PotPhase.Skim(minutes(15), minutes(75), minutes(45));

    static final PotPhase.Skim SHORT_CADENCE = new PotPhase.Skim(minutes(8), minutes(24), minutes(15));

    private Book() {}

    /** Every formula that ships. */
    public static List<Formula> formulas() {
        List<Formula> all = new ArrayList<>();
        all.addAll(BrownBook.formulas());
        all.addAll(List.of(whiteChicken(), whiteVeal(), whitePorkAndChicken()));
        all.addAll(SeaBook.formulas());
        all.addAll(VegetableBook.formulas());
        all.addAll(SecondBook.formulas());
        return List.copyOf(all);
    }

    /**
     * The formula of a slug.
     *
     * @throws java.util.NoSuchElementException when the book has none
     */
    public static Formula of(String slug) {
        return formulas().stream()
                .filter(formula -> formula.slug().equals(slug))
                .findFirst()
                .orElseThrow();
    }

    /** White chicken stock, unblanched by default: blanching buys clarity with flavour, and the cook chooses. */
    public static Formula whiteChicken() {
        return FormulaBuilder.builder()
                .slug("white-chicken")
                .name("White chicken stock")
                .family(Family.WHITE)
                .version(1)
                .bed(List.of(new Formula.BedShare(Beds.CHICKEN_CARCASS, 1)))
                .water(new WaterRule.PerKgBed(1.7))
                .parts(whiteParts(105))
                .procedure(List.of(
                        new PrepPhase.Rinse(minutes(10)),
                        fill(),
                        new PotPhase.BringUp(),
                        simmer(180, 120, 240, heldHot()),
                        new PotPhase.Rest(minutes(20)),
                        new FinishPhase.Strain(2, false, FinishPhase.Transfer.LADLE),
                        new FinishPhase.Cool(),
                        new FinishPhase.Degrease(true),
                        new FinishPhase.Portion(minutes(15))))
                .coldDays(3)
                .frozenMonths(3)
                .cautions(List.of(Caution.RAW_BONES, Caution.LIFTING, Caution.TWINE, Caution.HOT_STRAINING))
                .build();
    }

    static Formula whiteVeal() {
        return FormulaBuilder.builder()
                .slug("white-veal")
                .name("White veal stock")
                .family(Family.WHITE)
                .version(1)
                .bed(List.of(new Formula.BedShare(Beds.VEAL, 1)))
                .water(new WaterRule.PerKgBed(1.8))
                .parts(whiteParts(120))
                .procedure(List.of(
                        new PrepPhase.Rinse(minutes(10)),
                        new PrepPhase.Blanch(minutes(2), minutes(15)),
                        fill(),
                        new PotPhase.BringUp(),
                        simmer(300, 240, 360, heldHot()),
                        new PotPhase.Rest(minutes(20)),
                        new FinishPhase.Strain(3, false, FinishPhase.Transfer.LADLE),
                        new FinishPhase.Cool(),
                        new FinishPhase.Degrease(true),
                        new FinishPhase.Portion(minutes(15))))
                .coldDays(3)
                .frozenMonths(3)
                .cautions(List.of(
                        Caution.RAW_BONES,
                        Caution.DRAINING_BLANCH,
                        Caution.LIFTING,
                        Caution.TWINE,
                        Caution.HOT_STRAINING))
                .build();
    }

    static Formula whitePorkAndChicken() {
        return FormulaBuilder.builder()
                .slug("white-pork-chicken")
                .name("White pork and chicken stock")
                .family(Family.WHITE)
                .version(1)
                .bed(List.of(new Formula.BedShare(Beds.PORK, 0.6), new Formula.BedShare(Beds.CHICKEN_WINGS, 0.4)))
                .water(new WaterRule.PerKgBed(1.8))
                .parts(List.of(
                        percent("onion", 6, late(120), 13),
                        percent("leek", 3, late(120), 13),
                        percent("ginger", 1, late(120), 6),
                        sachet("peppercorn-white", 0.6)))
                .procedure(List.of(
                        new PrepPhase.Rinse(minutes(10)),
                        new PrepPhase.Blanch(minutes(3), minutes(15)),
                        fill(),
                        new PotPhase.BringUp(),
                        simmer(300, 240, 360, heldHot()),
                        new PotPhase.Rest(minutes(20)),
                        new FinishPhase.Strain(2, false, FinishPhase.Transfer.LADLE),
                        new FinishPhase.Cool(),
                        new FinishPhase.Degrease(true),
                        new FinishPhase.Portion(minutes(15))))
                .coldDays(3)
                .frozenMonths(3)
                .cautions(List.of(Caution.RAW_BONES, Caution.DRAINING_BLANCH, Caution.LIFTING, Caution.HOT_STRAINING))
                .build();
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

    static PotPhase.Fill fill() {
        return new PotPhase.Fill(COLD, Liquid.WATER);
    }

    static PotPhase.Simmer simmer(int usual, int least, int most, PotPhase.TopUp topUp) {
        return simmer(usual, least, most, topUp, BONE_CADENCE);
    }

    static PotPhase.Simmer simmer(int usual, int least, int most, PotPhase.TopUp topUp, PotPhase.Skim skim) {
        return new PotPhase.Simmer(
                SimmerBand.LAZY, minutes(usual), minutes(least), minutes(most), Cover.OPEN, topUp, skim);
    }

    static PotPhase.TopUp heldHot() {
        return new PotPhase.TopUp(PotPhase.TopUp.Keeps.HELD, Length.ofCm(2.5), Temperature.ofCelsius(85));
    }

    static Part percent(String item, double percent, When when, double cutMm) {
        return new Part(Pantry.of(item), new Amount.PercentOfBed(percent), when, cutMm);
    }

    static Part sachet(String item, double gramsPerKg) {
        return new Part(Pantry.of(item), new Amount.GramsPerKgBed(gramsPerKg), late(60), 0);
    }

    static Part perLitre(String item, double grams) {
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
