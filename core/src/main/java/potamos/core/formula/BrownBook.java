package potamos.core.formula;

import static potamos.core.formula.Book.fill;
import static potamos.core.formula.Book.late;
import static potamos.core.formula.Book.minutes;
import static potamos.core.formula.Book.percent;
import static potamos.core.formula.Book.sachet;
import static potamos.core.formula.Book.share;
import static potamos.core.formula.Book.simmer;
import static potamos.core.formula.Book.start;

import java.util.ArrayList;
import java.util.List;
import potamos.core.formula.Formula.BedShare;
import potamos.core.quantity.Length;
import potamos.core.quantity.Temperature;
import potamos.core.safety.Caution;

/** The brown stocks of the book: roasted bones, browned vegetables, tomato cooked on them, drippings deglazed. */
final class BrownBook {

    /** Roasted bones are topped up cold: what fat and scum there is sets and rises. */
    private static final PotPhase.TopUp HELD_COLD =
            new PotPhase.TopUp(PotPhase.TopUp.Keeps.HELD, Length.ofCm(2.5), Temperature.ofCelsius(12));

    private BrownBook() {}

    static List<Formula> formulas() {
        return List.of(
                brown(
                        "brown-beef",
                        "Brown beef stock",
                        List.of(share(Beds.BEEF_SHANK, 0.6), share(Beds.BEEF_KNUCKLE, 0.4)),
                        1.7,
                        simmer(540, 360, 720, HELD_COLD),
                        List.of()),
                brown(
                        "brown-veal",
                        "Brown veal stock",
                        List.of(share(Beds.VEAL, 1)),
                        1.7,
                        simmer(390, 300, 480, HELD_COLD),
                        List.of()),
                brown(
                        "brown-poultry",
                        "Brown poultry stock",
                        List.of(share(Beds.CHICKEN_CARCASS, 0.7), share(Beds.CHICKEN_WINGS, 0.3)),
                        1.6,
                        simmer(180, 90, 240, HELD_COLD),
                        List.of()),
                brown(
                        "brown-game",
                        "Brown game stock",
                        List.of(share(Beds.GAME, 0.8), share(Beds.VEAL, 0.2)),
                        1.6,
                        simmer(240, 150, 360, HELD_COLD),
                        List.of(percent("wine-red", 12, start(), 0), sachet("juniper", 0.8))));
    }

    private static Formula brown(
            String slug, String name, List<BedShare> bed, double litresPerKg, PotPhase.Simmer simmer, List<Part> more) {
        List<Part> parts = new ArrayList<>(List.of(
                percent("onion", 6, late(120), 14),
                percent("carrot", 3, late(120), 14),
                percent("celery", 3, late(120), 14),
                percent("tomato-paste", 4, start(), 0),
                percent("oil", 1, start(), 0),
                sachet("parsley-stems", 2),
                sachet("thyme", 0.8),
                sachet("bay", 0.2),
                sachet("peppercorn-black", 0.8)));
        parts.addAll(more);
        List<Phase> procedure = new ArrayList<>(List.of(
                new PrepPhase.Roast(Temperature.ofCelsius(210), 5.5, minutes(15), PrepPhase.Roast.BONES_KEEP),
                new PrepPhase.Brown(minutes(14)),
                new PrepPhase.CookTomato(minutes(8)),
                new PrepPhase.Deglaze(0.12, 0.25, 1)));
        if (!more.isEmpty()) {
            procedure.add(new PrepPhase.WineDown(0.33));
        }
        procedure.addAll(List.of(
                fill(),
                new PotPhase.BringUp(),
                simmer,
                new PotPhase.Rest(minutes(30)),
                new FinishPhase.Strain(3, false, FinishPhase.Transfer.LADLE),
                new FinishPhase.Cool(),
                new FinishPhase.Degrease(true),
                new FinishPhase.Portion(minutes(15))));
        return FormulaBuilder.builder()
                .slug(slug)
                .name(name)
                .family(Family.BROWN)
                .version(1)
                .bed(bed)
                .water(new WaterRule.PerKgBed(litresPerKg))
                .parts(parts)
                .procedure(procedure)
                .coldDays(3)
                .frozenMonths(3)
                .cautions(List.of(
                        Caution.RUNNING_FAT,
                        Caution.RAW_BONES,
                        Caution.LIFTING,
                        Caution.TWINE,
                        Caution.UNATTENDED,
                        Caution.HOT_STRAINING))
                .build();
    }
}
