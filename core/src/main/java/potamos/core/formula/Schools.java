package potamos.core.formula;

import java.time.Duration;
import java.util.ArrayList;
import java.util.List;
import java.util.Optional;
import potamos.core.formula.Part.When;
import potamos.core.heat.Cover;
import potamos.core.quantity.Length;
import potamos.core.quantity.Refusal;
import potamos.core.quantity.Temperature;

/**
 * Choices on which practitioners differ. Each changes the formula, so that its effect can be computed; what is left empty stays as the formula has it.
 *
 * @param water      what decides the water
 * @param blanch     whether bones are blanched
 * @param tomato     where the tomato is cooked
 * @param vegetables when vegetables go in
 * @param roast      how the bed is roasted
 * @param simmer     how long
 * @param cover      what lies on the pot
 * @param transfer   how the stock leaves the pot
 * @param press      whether the solids are pressed
 * @param density    how many vegetables a litre gets, for vegetable stocks
 * @param herbs      fresh herbs, or dried for fresh by one of two rules
 * @param topUp      whether the level is held
 */
public record Schools(
        Optional<WaterRule> water,
        Optional<Boolean> blanch,
        Optional<Tomato> tomato,
        Optional<Vegetables> vegetables,
        Optional<Roast> roast,
        Optional<Duration> simmer,
        Optional<Cover> cover,
        Optional<Phase.Transfer> transfer,
        Optional<Boolean> press,
        Optional<Density> density,
        Optional<Herbs> herbs,
        Optional<TopUp> topUp) {

    private static final int LATE_MIN = 105;
    private static final Temperature HOT = Temperature.ofCelsius(210);
    private static final Temperature OVERNIGHT = Temperature.ofCelsius(120);

    /** Litres for each kilogram of vegetables, in the two schools. */
    private static final double DENSE_L_PER_KG = 1.55;

    private static final double LIGHT_L_PER_KG = 3.1;
    private static final double LIGHT_REDUCES_TO = 0.5;

    /** Where the tomato is cooked. */
    public enum Tomato {
        ON_THE_BONES,
        ON_THE_VEGETABLES,
        NONE
    }

    /** When vegetables go in. */
    public enum Vegetables {
        AT_THE_START,
        LATE
    }

    /** How a bed is roasted. */
    public enum Roast {
        HOT_AND_FAST,
        OVERNIGHT
    }

    /** How many vegetables a litre of vegetable stock gets. */
    public enum Density {
        /** 0.6–0.7 kg/L, used as it is. */
        DENSE,
        /** 0.25–0.4 kg/L, then reduced by half. */
        LIGHT_REDUCED
    }

    /** What stands for fresh herbs. */
    public enum Herbs {
        FRESH,
        /** Half the weight dried. */
        DRIED_HALF_WEIGHT,
        /** A third of the volume dried. */
        DRIED_THIRD_VOLUME
    }

    /** Whether the level is held. */
    public enum TopUp {
        HOLD,
        LET_REDUCE
    }

    /** Everything as the formula has it. */
    public static Schools asWritten() {
        return new Schools(
                Optional.empty(),
                Optional.empty(),
                Optional.empty(),
                Optional.empty(),
                Optional.empty(),
                Optional.empty(),
                Optional.empty(),
                Optional.empty(),
                Optional.empty(),
                Optional.empty(),
                Optional.empty(),
                Optional.empty());
    }

    /**
     * The formula with these choices made.
     *
     * @throws Refusal on the field of a choice that means nothing for this formula or contradicts another
     */
    public Formula applyTo(Formula formula) {
        check(formula);
        Formula chosen = formula;
        if (density.isPresent()) {
            chosen = dense(chosen, density.get());
        }
        if (water.isPresent()) {
            chosen = chosen.withWater(water.get());
        }
        if (blanch.isPresent()) {
            chosen = chosen.blanched(blanch.get());
        }
        if (simmer.isPresent()) {
            chosen = chosen.simmeredFor(simmer.get());
        }
        if (tomato.isPresent()) {
            chosen = cookTomato(chosen, tomato.get());
        }
        if (roast.isPresent()) {
            chosen = roasted(chosen, roast.get());
        }
        if (herbs.isPresent() && herbs.get() != Herbs.FRESH) {
            chosen = dried(chosen, herbs.get());
        }
        if (vegetables.isPresent()) {
            chosen = vegetablesIn(chosen, vegetables.get());
        }
        return strained(kept(chosen));
    }

    private void check(Formula formula) {
        boolean roasts = formula.phase(Phase.Roast.class).isPresent();
        boolean bones = formula.family() == Family.WHITE || formula.family() == Family.SECOND_WETTING;
        if (blanch.orElse(false) && (roasts || !bones)) {
            throw Refusal.of("blanch", "only bones that are not roasted are blanched");
        }
        if (roast.isPresent() && !roasts) {
            throw Refusal.of("roast", "nothing is roasted in this formula");
        }
        boolean hasTomato = formula.parts().stream().anyMatch(p -> p.kind() == Part.Kind.TOMATO);
        if (tomato.isPresent() && tomato.get() != Tomato.NONE && !hasTomato) {
            throw Refusal.of("tomato", "this formula has no tomato; add it under its parts");
        }
        if (tomato.orElse(Tomato.NONE) == Tomato.ON_THE_BONES && !roasts) {
            throw Refusal.of("tomato", "tomato goes on bones that are roasted");
        }
        if (density.isPresent() && formula.family() != Family.VEGETABLE) {
            throw Refusal.of("density", "only a vegetable stock is made dense or light");
        }
        if (density.isPresent() && water.isPresent()) {
            throw Refusal.of("density", "dense and light are ratios of water; give one of the two");
        }
        if (press.orElse(false) && formula.family() == Family.INFUSED) {
            throw Refusal.of("press", "flakes are never squeezed: it clouds and turns bitter");
        }
        boolean held = topUp.orElse(TopUp.LET_REDUCE) == TopUp.HOLD;
        if (held && formula.family() == Family.REDUCTION) {
            throw Refusal.of("topUp", "a reduction is not topped up");
        }
        if (held && density.orElse(Density.DENSE) == Density.LIGHT_REDUCED) {
            throw Refusal.of("topUp", "the light school reduces by half; holding the level contradicts it");
        }
        simmer.ifPresent(length -> Refusal.unlessWithin("simmerMin", length.toSeconds() / 60.0, 1, 48 * 60, "min"));
    }

    private static Formula dense(Formula formula, Density density) {
        List<Phase> phases = new ArrayList<>();
        for (Phase phase : formula.procedure()) {
            if (!(phase instanceof Phase.Reduce)) {
                phases.add(phase);
            }
            if (phase instanceof Phase.Strain && density == Density.LIGHT_REDUCED) {
                phases.add(new Phase.Reduce(LIGHT_REDUCES_TO));
            }
        }
        double ratio = density == Density.DENSE ? DENSE_L_PER_KG : LIGHT_L_PER_KG;
        return formula.withProcedure(phases).withWater(new WaterRule.PerKgBed(ratio));
    }

    private static Formula cookTomato(Formula formula, Tomato tomato) {
        List<Phase> phases = new ArrayList<>(formula.procedure());
        phases.removeIf(Phase.CookTomato.class::isInstance);
        if (tomato == Tomato.NONE) {
            return formula.withProcedure(phases)
                    .withParts(formula.parts().stream()
                            .filter(p -> p.kind() != Part.Kind.TOMATO)
                            .toList());
        }
        if (tomato == Tomato.ON_THE_VEGETABLES) {
            int fill = phases.indexOf(formula.fill());
            phases.add(fill, new Phase.CookTomato(Duration.ofMinutes(8)));
        }
        return formula.withProcedure(phases);
    }

    private static Formula roasted(Formula formula, Roast roast) {
        return formula.withProcedure(formula.procedure().stream()
                .map(phase -> phase instanceof Phase.Roast r
                        ? new Phase.Roast(
                                roast == Roast.OVERNIGHT ? OVERNIGHT : HOT,
                                r.shade(),
                                roast == Roast.OVERNIGHT ? Duration.ofMinutes(120) : Duration.ofMinutes(15),
                                r.keepsMass())
                        : phase)
                .toList());
    }

    /** Only items that have a dried form change; spices are dried already. */
    private static Formula dried(Formula formula, Herbs rule) {
        return formula.withParts(formula.parts().stream()
                .map(part -> {
                    double dried = part.item().driedKgPerL();
                    if (dried <= 0) {
                        return part;
                    }
                    double factor = rule == Herbs.DRIED_HALF_WEIGHT
                            ? 0.5
                            : dried / part.item().kgPerL() / 3;
                    return part.withAmount(part.amount().times(factor));
                })
                .toList());
    }

    private static Formula vegetablesIn(Formula formula, Vegetables vegetables) {
        When when = vegetables == Vegetables.AT_THE_START
                ? new When.WithTheBed()
                : new When.BeforeTheEnd(Duration.ofMinutes(LATE_MIN));
        return formula.withParts(formula.parts().stream()
                .map(part -> part.kind() == Part.Kind.VEGETABLE ? part.goingIn(when) : part)
                .toList());
    }

    /** Cover and top-up. */
    private Formula kept(Formula formula) {
        return formula.withProcedure(formula.procedure().stream()
                .map(phase -> phase instanceof Phase.Simmer s
                        ? new Phase.Simmer(
                                s.band(),
                                s.usual(),
                                s.least(),
                                s.most(),
                                cover.orElse(s.cover()),
                                topUp.map(t -> topUp(t, s.topUp())).orElse(s.topUp()),
                                s.skim())
                        : phase)
                .toList());
    }

    private static Phase.TopUp topUp(TopUp choice, Phase.TopUp written) {
        if (choice == TopUp.LET_REDUCE) {
            return Phase.TopUp.none();
        }
        Length drop = written.drop().cm() > 0 ? written.drop() : Length.ofCm(2.5);
        return new Phase.TopUp(true, drop, written.water());
    }

    private Formula strained(Formula formula) {
        return formula.withProcedure(formula.procedure().stream()
                .map(phase -> phase instanceof Phase.Strain s
                        ? new Phase.Strain(s.passes(), press.orElse(s.pressed()), transfer.orElse(s.transfer()))
                        : phase)
                .toList());
    }
}
