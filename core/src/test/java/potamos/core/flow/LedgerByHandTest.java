package potamos.core.flow;

import static org.assertj.core.api.Assertions.assertThat;
import static org.assertj.core.api.Assertions.within;

import java.util.List;
import org.junit.jupiter.params.ParameterizedTest;
import org.junit.jupiter.params.provider.CsvSource;
import potamos.core.Samples;
import potamos.core.charge.Charge;
import potamos.core.charge.ChargeSolver;
import potamos.core.formula.Book;
import potamos.core.formula.Formula;
import potamos.core.formula.PotPhase;
import potamos.core.formula.Schools;
import potamos.core.heat.Cover;
import potamos.core.heat.Evaporation;
import potamos.core.vessel.Bed;

/**
 * The litres of a pot once more, by hand: every cause from the figures of its bed and of the handbook, and what is left over added up here. A ledger that
 * closes says nothing when the same sum made both of its sides.
 */
class LedgerByHandTest {

    private static final double WIDTH_M = 0.36;

    /** Of liquor just under the boil. */
    private static final double HOT_KG_PER_L = 0.96;

    @ParameterizedTest
    @CsvSource({
        "white-chicken, 9, OPEN, false",
        "white-chicken, 9, OPEN, true",
        "white-chicken, 9, PAPER_LID, false",
        "white-veal, 8, OPEN, false",
        "fish-fumet, 10, OPEN, false",
        "second-wetting, 8, OPEN, false"
    })
    void whatComesOutIsWhatWentInLessEveryCauseReckonedAlone(String slug, double kg, Cover cover, boolean pressed) {
        Formula formula = Schools.AS_WRITTEN
                .with(Schools.TOP_UP, Schools.LevelIs.LET_REDUCE)
                .with(Schools.COVER, cover)
                .with(Schools.PRESS, pressed)
                .applyTo(Book.of(slug))
                .withParts(List.of());
        Charge charge = ChargeSolver.solve(formula, Samples.pot(Samples.cylinder(36, 40)), Samples.bones(kg));
        Ledger ledger = charge.forecast().ledger();
        Bed bed = charge.run().bed();

        double scumKg = bed.kind().scum().after(formula.preparation()) / 1000 * kg;
        double skimmed = charge.run().simmer().skim().early().isZero() ? 0 : 4 * scumKg;
        double held = kg * (pressed ? bed.kind().uptakePressed() : bed.kind().uptakeDrained());
        double strainers = 0.15 * formula.strain().passes() * 36 / 40;
        assertThat(ledger.of(Ledger.Cause.SKIMMED).litres()).isCloseTo(skimmed, within(1e-9));
        assertThat(ledger.of(Ledger.Cause.UPTAKE).litres()).isCloseTo(Math.max(0, held), within(1e-9));
        assertThat(ledger.of(Ledger.Cause.STRAINERS).litres()).isCloseTo(strainers, within(1e-9));

        // Steam of the simmer in full; on the way up, and off the heat, no more than the same rate would take.
        double litresPerH = Evaporation.kgPerM2H(charge.run().simmerAt(), Samples.VALLEY, cover, 0.8)
                / HOT_KG_PER_L
                * Math.PI
                / 4
                * WIDTH_M
                * WIDTH_M;
        double simmer = litresPerH * formula.simmer().usual().toMinutes() / 60;
        double restMin = formula.phase(PotPhase.Rest.class)
                .map(rest -> rest.takes().toMinutes())
                .orElse(0L);
        double around = litresPerH * (charge.forecast().bringUpMin() + restMin) / 60;
        double steam = ledger.of(Ledger.Cause.EVAPORATED).litres();
        assertThat(steam).isBetween(simmer * 0.97, simmer * 1.03 + around);

        double out = charge.water().litres() - steam - skimmed - held - strainers;
        assertThat(ledger.yield().litres()).isCloseTo(out, within(0.02 * out));
    }
}
