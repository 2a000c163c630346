package potamos.core.formula;

import java.time.Duration;
import java.util.ArrayList;
import java.util.Arrays;
import java.util.List;
import java.util.Optional;
import java.util.function.UnaryOperator;
import potamos.core.figure.Figure;
import potamos.core.figure.Figures;
import potamos.core.formula.FinishPhase.Strain;
import potamos.core.formula.FinishPhase.Transfer;
import potamos.core.formula.Part.When;
import potamos.core.formula.PotPhase.Simmer;
import potamos.core.formula.PotPhase.TopUp.Keeps;
import potamos.core.heat.Cover;
import potamos.core.quantity.Length;
import potamos.core.quantity.Refusal;
import potamos.core.quantity.Temperature;

/**
 * Choices on which practitioners differ. Each changes the formula, so that its effect can be computed; what is not chosen stays as the formula has it.
 *
 * @param water  what decides the water
 * @param chosen of the {@link #ALL}, under their names
 */
public record Schools(Optional<WaterRule> water, Figures chosen) {

    /** Everything as the formula has it. */
    public static final Schools AS_WRITTEN = new Schools(Optional.empty(), Figures.NONE);

    /** Where the tomato is cooked. */
    public enum TomatoCooked {
        ON_THE_BONES,
        ON_THE_VEGETABLES,
        NONE
    }

    /** When vegetables go in. */
    public enum VegetablesIn {
        AT_THE_START,
        LATE
    }

    /** How a bed is roasted. */
    public enum Oven {
        HOT_AND_FAST(Temperature.ofCelsius(210), Duration.ofMinutes(15), Usual.HOT_OVEN_C),
        OVERNIGHT(Temperature.ofCelsius(120), Duration.ofMinutes(120), Usual.SLOW_OVEN_C);

        private final Temperature at;
        private final Duration turnEvery;
        private final Usual.Range usualC;

        Oven(Temperature at, Duration turnEvery, Usual.Range usualC) {
            this.at = at;
            this.turnEvery = turnEvery;
            this.usualC = usualC;
        }
    }

    /** How many vegetables a litre of vegetable stock gets. */
    public enum Vegetables {
        /** 0.6–0.7 kg/L, used as it is. */
        DENSE(1.55, 1),
        /** 0.25–0.4 kg/L, then reduced by half. */
        LIGHT_REDUCED(3.1, 0.5);

        private final double litresPerKg;
        private final double reducesTo;

        Vegetables(double litresPerKg, double reducesTo) {
            this.litresPerKg = litresPerKg;
            this.reducesTo = reducesTo;
        }
    }

    /** What stands for fresh herbs. */
    public enum HerbsAs {
        FRESH,
        /** Half the weight dried. */
        DRIED_HALF_WEIGHT,
        /** A third of the volume dried. */
        DRIED_THIRD_VOLUME
    }

    /** What a pot simmers on. */
    public enum SimmersIn {
        THE_POT_ON_THE_FIRE,
        /** From the water on, with hot water, and skimmed no more than once: nobody opens an oven every quarter of an hour. */
        THE_OVEN
    }

    /** What is done about the level. */
    public enum LevelIs {
        HOLD(Keeps.HELD),
        LET_REDUCE(Keeps.LEFT),
        REFILL_IN_ROUNDS(Keeps.IN_ROUNDS);

        private final Keeps keeps;

        LevelIs(Keeps keeps) {
            this.keeps = keeps;
        }

        private static LevelIs of(Keeps keeps) {
            return Arrays.stream(values())
                    .filter(level -> level.keeps == keeps)
                    .findFirst()
                    .orElseThrow();
        }
    }

    private static final Temperature OVEN_SIMMER = Temperature.ofCelsius(150);
    private static final Temperature FROM_THE_KETTLE = Temperature.ofCelsius(90);
    private static final Duration LEAST_IN_THE_OVEN = Duration.ofMinutes(60);
    private static final Duration LATE = Duration.ofMinutes(105);
    private static final Duration TOMATO_APART = Duration.ofMinutes(8);
    private static final Length USUAL_DROP = Length.ofCm(2.5);
    private static final int LONGEST_SIMMER_MIN = 48 * 60;

    public static final School<Vegetables> DENSITY = School.of(Figure.choice("density", Vegetables.class))
            .where(base -> base.family() == Family.VEGETABLE)
            .unless((formula, dense) ->
                    reason(formula.family() != Family.VEGETABLE, "only a vegetable stock is made dense or light"))
            .does(Schools::dense)
            .stands((base, now) -> Optional.of(now.reducesTo() < 1 ? Vegetables.LIGHT_REDUCED : Vegetables.DENSE));

    public static final School<Boolean> BLANCH = School.of(Figure.yes("blanch"))
            .where(Schools::canBeBlanched)
            .unless((formula, blanch) ->
                    reason(blanch && !canBeBlanched(formula), "only bones that are not roasted are blanched"))
            .does(Formula::blanched)
            .stands((base, now) -> Optional.of(now.phase(PrepPhase.Blanch.class).isPresent()));

    public static final School<Duration> SIMMER = School.of(Figure.duration("simmerMin", 1, LONGEST_SIMMER_MIN))
            .does(Formula::simmeredFor)
            .stands((base, now) -> Optional.of(now.simmer().usual()));

    public static final School<TomatoCooked> TOMATO = School.of(Figure.choice("tomato", TomatoCooked.class))
            .where(base -> has(base, Part.Kind.TOMATO))
            .unless((formula, tomato) -> reason(
                            tomato != TomatoCooked.NONE && !has(formula, Part.Kind.TOMATO),
                            "this formula has no tomato; add it under its parts")
                    .or(() -> reason(
                            tomato == TomatoCooked.ON_THE_BONES && !roasts(formula),
                            "tomato goes on bones that are roasted")))
            .does(Schools::cookTomato)
            .stands((base, now) -> Optional.of(tomato(now)));

    public static final School<Oven> ROAST = School.of(Figure.choice("roast", Oven.class))
            .where(Schools::roasts)
            .unless((formula, roast) -> reason(!roasts(formula), "nothing is roasted in this formula"))
            .does((formula, roast) -> changed(
                    formula,
                    PrepPhase.Roast.class,
                    was -> new PrepPhase.Roast(roast.at, was.shade(), roast.turnEvery, was.keepsMass())))
            .stands((base, now) -> now.phase(PrepPhase.Roast.class).flatMap(Schools::oven));

    /** Only items that have a dried form change; spices are dried already. */
    public static final School<HerbsAs> HERBS = School.of(Figure.choice("herbs", HerbsAs.class))
            .where(base -> base.parts().stream().anyMatch(part -> part.item().driedKgPerL() > 0))
            .does((formula, herbs) ->
                    parts(formula, part -> part.withAmount(part.amount().times(dried(part, herbs)))))
            .stands(Schools::herbs);

    public static final School<VegetablesIn> VEGETABLES = School.of(Figure.choice("vegetables", VegetablesIn.class))
            .where(base -> has(base, Part.Kind.VEGETABLE))
            .does((formula, in) -> parts(
                    formula,
                    part -> part.kind() != Part.Kind.VEGETABLE
                            ? part
                            : part.goingIn(
                                    in == VegetablesIn.AT_THE_START
                                            ? new When.WithTheBed()
                                            : new When.BeforeTheEnd(LATE))))
            .stands((base, now) -> now.parts().stream()
                    .filter(part -> part.kind() == Part.Kind.VEGETABLE)
                    .findFirst()
                    .map(part ->
                            part.when() instanceof When.WithTheBed ? VegetablesIn.AT_THE_START : VegetablesIn.LATE));

    public static final School<Cover> COVER = School.of(Figure.choice("cover", Cover.class))
            .does((formula, cover) -> changed(formula, Simmer.class, simmer -> simmer.withCover(cover)))
            .stands((base, now) -> Optional.of(now.simmer().cover()));

    public static final School<SimmersIn> SIMMERS_IN = School.of(Figure.choice("simmersIn", SimmersIn.class))
            .where(Schools::mayBeInTheOven)
            .unless((formula, in) -> reason(
                    in == SimmersIn.THE_OVEN && !mayBeInTheOven(formula),
                    "what simmers for less than an hour, or is steeped or reduced, is not put in the oven"))
            .does(Schools::simmeredIn)
            .stands((base, now) ->
                    Optional.of(now.simmer().oven().isPresent() ? SimmersIn.THE_OVEN : SimmersIn.THE_POT_ON_THE_FIRE));

    public static final School<LevelIs> TOP_UP = School.of(Figure.choice("topUp", LevelIs.class))
            .where(Schools::steamsAway)
            .unless((formula, level) -> reason(
                            level != LevelIs.LET_REDUCE && formula.family() == Family.REDUCTION,
                            "a reduction is not topped up")
                    .or(() -> reason(
                            level != LevelIs.LET_REDUCE
                                    && formula.family() == Family.VEGETABLE
                                    && formula.reducesTo() < 1,
                            "the light school reduces by half; holding the level contradicts it")))
            .does((formula, level) ->
                    changed(formula, Simmer.class, simmer -> simmer.withTopUp(topUp(level, simmer.topUp()))))
            .stands((base, now) -> Optional.of(LevelIs.of(now.simmer().topUp().keeps())));

    public static final School<Transfer> TRANSFER = School.of(Figure.choice("transfer", Transfer.class))
            .does((formula, transfer) ->
                    changed(formula, Strain.class, strain -> new Strain(strain.passes(), strain.pressed(), transfer)))
            .stands((base, now) -> Optional.of(now.strain().transfer()));

    public static final School<Boolean> PRESS = School.of(Figure.yes("press"))
            .where(Schools::steamsAway)
            .unless((formula, press) -> reason(
                    press && formula.family() == Family.INFUSED,
                    "flakes are never squeezed: it clouds and turns bitter"))
            .does((formula, press) ->
                    changed(formula, Strain.class, strain -> new Strain(strain.passes(), press, strain.transfer())))
            .stands((base, now) -> Optional.of(now.strain().pressed()));

    /** In the order in which they take effect. */
    public static final List<School<?>> ALL = List.of(
            DENSITY, BLANCH, SIMMER, TOMATO, ROAST, HERBS, VEGETABLES, SIMMERS_IN, COVER, TOP_UP, TRANSFER, PRESS);

    /** The same with one choice made. */
    public <T> Schools with(School<T> school, T choice) {
        return new Schools(water, chosen.with(school.figure(), choice));
    }

    /** The same with one choice made, as it crosses a wire. */
    public <T> Schools choosing(School<T> school, Object option) {
        return with(school, school.figure().value(option));
    }

    /**
     * The formula with these choices made.
     *
     * @throws Refusal on the field of a choice that nobody knows, that means nothing for this formula or contradicts another
     */
    public Formula applyTo(Formula formula) {
        chosen.only(ALL.stream().<Figure<?>>map(School::figure).toList(), "nobody knows this choice");
        if (chosen.has(DENSITY.figure()) && water.isPresent()) {
            throw Refusal.of(DENSITY.name(), "dense and light are ratios of water; give one of the two");
        }
        Formula now = water.map(formula::withWater).orElse(formula);
        for (School<?> school : ALL) {
            now = school.applyTo(now, chosen);
        }
        return now;
    }

    /**
     * How the schools stand in a formula; what it leaves no choice in, and what none of the options describes, is left out.
     *
     * @param base as written
     * @param now  with choices made
     */
    public static Figures standing(Formula base, Formula now) {
        Figures all = Figures.NONE;
        for (School<?> school : ALL) {
            all = school.standingIn(base, now, all);
        }
        return all;
    }

    private static Optional<String> reason(boolean against, String words) {
        return against ? Optional.of(words) : Optional.empty();
    }

    private static boolean roasts(Formula formula) {
        return formula.phase(PrepPhase.Roast.class).isPresent();
    }

    private static boolean canBeBlanched(Formula formula) {
        return !roasts(formula) && (formula.family() == Family.WHITE || formula.family() == Family.SECOND_WETTING);
    }

    /** Neither a reduction, which goes down on purpose, nor an infusion, which is over before it does. */
    private static boolean steamsAway(Formula formula) {
        return formula.family() != Family.REDUCTION && formula.family() != Family.INFUSED;
    }

    private static boolean mayBeInTheOven(Formula formula) {
        return steamsAway(formula)
                && formula.warmSteeps().isEmpty()
                && formula.simmer().usual().compareTo(LEAST_IN_THE_OVEN) >= 0;
    }

    private static Formula simmeredIn(Formula formula, SimmersIn in) {
        if (in == SimmersIn.THE_POT_ON_THE_FIRE) {
            return changed(formula, Simmer.class, simmer -> simmer.withOven(Optional.empty()));
        }
        Formula inTheOven = changed(
                formula,
                Simmer.class,
                simmer -> simmer.withOven(Optional.of(OVEN_SIMMER)).withSkim(PotPhase.Skim.none()));
        return changed(
                inTheOven,
                PotPhase.Fill.class,
                fill -> fill.water().compareTo(FROM_THE_KETTLE) < 0 ? fill.at(FROM_THE_KETTLE) : fill);
    }

    private static boolean has(Formula formula, Part.Kind kind) {
        return formula.parts().stream().anyMatch(part -> part.kind() == kind);
    }

    private static Formula parts(Formula formula, UnaryOperator<Part> change) {
        return formula.withParts(formula.parts().stream().map(change).toList());
    }

    private static <P extends Phase> Formula changed(Formula formula, Class<P> kind, UnaryOperator<P> change) {
        return formula.withProcedure(formula.procedure().stream()
                .<Phase>map(phase -> kind.isInstance(phase) ? change.apply(kind.cast(phase)) : phase)
                .toList());
    }

    private static Formula dense(Formula formula, Vegetables vegetables) {
        List<Phase> phases = new ArrayList<>();
        for (Phase phase : formula.procedure()) {
            if (!(phase instanceof FinishPhase.Reduce)) {
                phases.add(phase);
            }
            if (phase instanceof Strain && vegetables.reducesTo < 1) {
                phases.add(new FinishPhase.Reduce(vegetables.reducesTo));
            }
        }
        return formula.withProcedure(phases).withWater(new WaterRule.PerKgBed(vegetables.litresPerKg));
    }

    private static Formula cookTomato(Formula formula, TomatoCooked tomato) {
        List<Phase> phases = new ArrayList<>(formula.procedure());
        phases.removeIf(PrepPhase.CookTomato.class::isInstance);
        if (tomato == TomatoCooked.NONE) {
            return formula.withProcedure(phases)
                    .withParts(formula.parts().stream()
                            .filter(part -> part.kind() != Part.Kind.TOMATO)
                            .toList());
        }
        if (tomato == TomatoCooked.ON_THE_VEGETABLES) {
            phases.add(phases.indexOf(formula.fill()), new PrepPhase.CookTomato(TOMATO_APART));
        }
        return formula.withProcedure(phases);
    }

    private static TomatoCooked tomato(Formula now) {
        if (!has(now, Part.Kind.TOMATO)) {
            return TomatoCooked.NONE;
        }
        boolean apart = now.phase(PrepPhase.CookTomato.class).isPresent() || !roasts(now);
        return apart ? TomatoCooked.ON_THE_VEGETABLES : TomatoCooked.ON_THE_BONES;
    }

    /** The school whose usual ovens hold this one; between them nobody can say. */
    private static Optional<Oven> oven(PrepPhase.Roast roast) {
        for (Oven oven : Oven.values()) {
            if (oven.usualC.holds(roast.oven().celsius())) {
                return Optional.of(oven);
            }
        }
        return Optional.empty();
    }

    private static double dried(Part part, HerbsAs rule) {
        double dried = part.item().driedKgPerL();
        if (dried <= 0 || rule == HerbsAs.FRESH) {
            return 1;
        }
        return rule == HerbsAs.DRIED_HALF_WEIGHT ? 0.5 : dried / part.item().kgPerL() / 3;
    }

    /** Read off the first herb that is in both: by how much of it there is now. */
    private static Optional<HerbsAs> herbs(Formula base, Formula now) {
        for (Part part : base.parts()) {
            Optional<Part> as =
                    now.parts().stream().filter(p -> p.id().equals(part.id())).findFirst();
            if (part.item().driedKgPerL() > 0 && as.isPresent()) {
                for (HerbsAs rule : HerbsAs.values()) {
                    if (part.amount().times(dried(part, rule)).equals(as.get().amount())) {
                        return Optional.of(rule);
                    }
                }
            }
        }
        return Optional.empty();
    }

    private static PotPhase.TopUp topUp(LevelIs level, PotPhase.TopUp written) {
        return switch (level) {
            case LET_REDUCE -> PotPhase.TopUp.none();
            case REFILL_IN_ROUNDS -> new PotPhase.TopUp(level.keeps, Length.ZERO, written.water());
            case HOLD ->
                new PotPhase.TopUp(level.keeps, written.drop().cm() > 0 ? written.drop() : USUAL_DROP, written.water());
        };
    }
}
