package potamos.core.charge;

import static org.assertj.core.api.Assertions.assertThat;
import static org.assertj.core.api.Assertions.assertThatThrownBy;
import static org.assertj.core.api.Assertions.within;

import java.util.List;
import org.junit.jupiter.api.Test;
import potamos.core.Samples;
import potamos.core.formula.Book;
import potamos.core.formula.Formula;
import potamos.core.heat.SimmerBand;
import potamos.core.liquor.Taint;
import potamos.core.quantity.Refusal;
import potamos.core.quantity.Volume;

class VesselSplitTest {

    private static final List<Pot> POTS = List.of(
            Samples.pot(Samples.cylinder(36, 40)),
            Samples.pot(Samples.cylinder(32, 30)),
            Samples.pot(Samples.cylinder(28, 20)),
            Samples.pot(Samples.kettle()));

    @Test
    void litresThatOneVesselDoesNotGiveAreSharedOut() {
        VesselSplit split = VesselSplit.of(Book.whiteChicken(), POTS, Volume.ofLitres(45));
        assertThat(split.litres().litres()).isCloseTo(45, within(1e-5));
        assertThat(split.charges()).hasSize(2).allMatch(Charge::fits);
    }

    @Test
    void oneVesselIsEnoughWhereItIsAndTheSmallestThatDoes() {
        VesselSplit split = VesselSplit.of(Book.whiteChicken(), POTS, Volume.ofLitres(9));
        assertThat(split.charges()).hasSize(1);
        assertThat(split.charges().get(0).run().vessel()).isEqualTo(POTS.get(1).vessel());
    }

    @Test
    void moreThanEverythingIsRefusedWithTheMost() {
        assertThatThrownBy(() -> VesselSplit.of(Book.whiteChicken(), POTS, Volume.ofLitres(400)))
                .isInstanceOfSatisfying(Refusal.class, r -> assertThat(r.high()).isBetween(50.0, 150.0));
    }

    @Test
    void fishTooLongAndKelpTooHotAreForeseen() {
        Formula longFish = Book.of("fish-fumet").simmeredFor(java.time.Duration.ofMinutes(50));
        assertThat(solve(longFish).character().taints()).extracting(Taint::kind).containsExactly(Taint.Kind.FISH_LONG);
        Formula kelp = Book.of("kelp-flake");
        assertThat(solve(kelp).character().taints()).isEmpty();
        Formula boiled = kelp.withProcedure(kelp.procedure().stream()
                .filter(p -> !(p instanceof potamos.core.formula.PotPhase.Steep))
                .toList());
        assertThat(solve(boiled).character().taints()).extracting(Taint::kind).containsExactly(Taint.Kind.KELP_HOT);
        assertThat(solve(boiled).run().simmerAt()).isEqualTo(SimmerBand.LIVELY.middle(Samples.VALLEY.boilingPoint()));
    }

    @Test
    void sulphitesOfTheWineAreDeclared() {
        Formula fumet = Book.of("fish-fumet");
        Character character = solve(fumet).character();
        // 15 % of the frames as wine at 90 mg/L, in about 0.9 L of fumet for each kg.
        assertThat(character.sulphitesMgPerL()).isBetween(11.0, 20.0);
        assertThat(character.declaresSulphites()).isTrue();
    }

    private static Charge solve(Formula formula) {
        return ChargeSolver.solve(formula, Samples.pot(Samples.kettle()), Samples.litres(12));
    }

    @Test
    void exactlyWhatTheVesselsGiveIsNotRefusedAndTakesNoOneMore() {
        Pot large = Samples.pot(Samples.cylinder(45, 45));
        Pot small = Samples.pot(Samples.cylinder(28, 30));
        double most = full(large);
        assertThat(VesselSplit.of(Book.whiteChicken(), List.of(large, small), Volume.ofLitres(most))
                        .charges())
                .hasSize(1);
        double both = most + full(small);
        assertThat(VesselSplit.of(Book.whiteChicken(), List.of(large, small), Volume.ofLitres(both))
                        .charges())
                .hasSize(2);
    }

    private static double full(Pot pot) {
        return ChargeSolver.solve(Book.whiteChicken(), pot, new Goal.FullVessel())
                .forecast()
                .ledger()
                .yield()
                .litres();
    }
}
