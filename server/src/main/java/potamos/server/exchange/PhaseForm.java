package potamos.server.exchange;

import java.time.Duration;
import java.util.Locale;
import potamos.core.formula.Liquid;
import potamos.core.formula.Phase;
import potamos.core.heat.Cover;
import potamos.core.heat.SimmerBand;
import potamos.core.quantity.Length;
import potamos.core.quantity.Refusal;
import potamos.core.quantity.Temperature;
import potamos.server.Json;
import potamos.server.exchange.FormulaJson.PhaseJson;

/** A phase of the core and its form in the open format, both ways. */
public final class PhaseForm {

    private PhaseForm() {}

    /** Which fields are set while a phase is written; everything else stays out of the file. */
    private static final class Form {
        Double min;
        Double everyMin;
        Double drainAndWashMin;
        Double ovenC;
        Double shade;
        Double keepsMass;
        Double litresPerKgBed;
        Double toFraction;
        Integer times;
        Double celsius;
        Liquid liquid;
        Phase.Simmer simmer;
        Phase.Strain strain;
        Boolean cold;

        PhaseJson of(Phase phase) {
            Phase.Simmer s = simmer;
            return new PhaseJson(
                    Json.kindOf(phase),
                    min,
                    everyMin,
                    drainAndWashMin,
                    ovenC,
                    shade,
                    keepsMass,
                    litresPerKgBed,
                    toFraction,
                    times,
                    celsius,
                    liquid == null ? null : word(liquid.kind()),
                    liquid == null ? null : (Double) liquid.gelatinGPerL(),
                    liquid == null ? null : (Double) liquid.saltGPerL(),
                    s == null ? null : word(s.band()),
                    s == null ? null : minutes(s.least()),
                    s == null ? null : minutes(s.most()),
                    s == null ? null : word(s.cover()),
                    s == null ? null : (Boolean) s.topUp().hold(),
                    s == null ? null : (Double) s.topUp().drop().cm(),
                    s == null ? null : (Double) s.topUp().water().celsius(),
                    s == null ? null : minutes(s.skim().early()),
                    s == null ? null : minutes(s.skim().earlyFor()),
                    s == null ? null : minutes(s.skim().late()),
                    strain == null ? null : (Integer) strain.passes(),
                    strain == null ? null : (Boolean) strain.pressed(),
                    strain == null ? null : word(strain.transfer()),
                    cold);
        }
    }

    static PhaseJson write(Phase phase) {
        Form form = new Form();
        if (phase instanceof Phase.Rinse p) {
            form.min = minutes(p.takes());
        } else if (phase instanceof Phase.Soak p) {
            form.min = minutes(p.takes());
            form.everyMin = minutes(p.changeWaterEvery());
        } else if (phase instanceof Phase.Wipe p) {
            form.min = minutes(p.takes());
        } else if (phase instanceof Phase.Thaw p) {
            form.min = minutes(p.takes());
        } else if (phase instanceof Phase.Blanch p) {
            form.min = minutes(p.hold());
            form.drainAndWashMin = minutes(p.drainAndWash());
        } else if (phase instanceof Phase.Roast p) {
            form.ovenC = p.oven().celsius();
            form.shade = p.shade();
            form.everyMin = minutes(p.turnEvery());
            form.keepsMass = p.keepsMass();
        } else if (phase instanceof Phase.Sweat p) {
            form.min = minutes(p.takes());
        } else if (phase instanceof Phase.Brown p) {
            form.min = minutes(p.takes());
        } else if (phase instanceof Phase.CookTomato p) {
            form.min = minutes(p.takes());
        } else if (phase instanceof Phase.Deglaze p) {
            form.litresPerKgBed = p.litresPerKgBed();
            form.toFraction = p.toFraction();
            form.times = p.times();
        } else if (phase instanceof Phase.WineDown p) {
            form.toFraction = p.toFraction();
        } else if (phase instanceof Phase.Steep p) {
            form.celsius = p.at().celsius();
            form.min = minutes(p.takes());
        } else if (phase instanceof Phase.Fill p) {
            form.celsius = p.water().celsius();
            form.liquid = p.liquid();
        } else if (phase instanceof Phase.Simmer p) {
            form.min = minutes(p.usual());
            form.simmer = p;
        } else if (phase instanceof Phase.Rest p) {
            form.min = minutes(p.takes());
        } else if (phase instanceof Phase.Strain p) {
            form.strain = p;
        } else if (phase instanceof Phase.Degrease p) {
            form.cold = p.cold();
        } else if (phase instanceof Phase.Reduce p) {
            form.toFraction = p.toFraction();
        } else if (phase instanceof Phase.Portion p) {
            form.min = minutes(p.takes());
        }
        return form.of(phase);
    }

    /**
     * @throws Refusal on the field of the phase that is missing or out of range
     */
    static Phase read(PhaseJson form) {
        return switch (form.phase()) {
            case "rinse" -> new Phase.Rinse(min(form));
            case "soak" -> new Phase.Soak(min(form), minutes("everyMin", form.everyMin()));
            case "wipe" -> new Phase.Wipe(min(form));
            case "thaw" -> new Phase.Thaw(min(form));
            case "blanch" -> new Phase.Blanch(min(form), minutes("drainAndWashMin", form.drainAndWashMin()));
            case "roast" ->
                new Phase.Roast(
                        celsius("ovenC", form.ovenC()),
                        need("shade", form.shade()),
                        minutes("everyMin", form.everyMin()),
                        form.keepsMass() == null ? 1 : form.keepsMass());
            case "sweat" -> new Phase.Sweat(min(form));
            case "brown" -> new Phase.Brown(min(form));
            case "cook-tomato" -> new Phase.CookTomato(min(form));
            case "flame" -> new Phase.Flame();
            case "deglaze" ->
                new Phase.Deglaze(
                        need("litresPerKgBed", form.litresPerKgBed()),
                        need("toFraction", form.toFraction()),
                        form.times() == null ? 1 : form.times());
            case "wine-down" -> new Phase.WineDown(need("toFraction", form.toFraction()));
            case "steep" -> new Phase.Steep(celsius("celsius", form.celsius()), min(form));
            case "fill" -> new Phase.Fill(celsius("celsius", form.celsius()), liquid(form));
            case "bring-up" -> new Phase.BringUp();
            case "simmer" -> simmer(form);
            case "rest" -> new Phase.Rest(min(form));
            case "strain" ->
                new Phase.Strain(
                        need("passes", form.passes()),
                        Boolean.TRUE.equals(form.pressed()),
                        form.transfer() == null
                                ? Phase.Transfer.LADLE
                                : of(Phase.Transfer.class, "transfer", form.transfer()));
            case "degrease" -> new Phase.Degrease(Boolean.TRUE.equals(form.cold()));
            case "reduce" -> new Phase.Reduce(need("toFraction", form.toFraction()));
            case "cool" -> new Phase.Cool();
            case "portion" -> new Phase.Portion(min(form));
            default -> throw Refusal.of("phase", "nobody knows this phase");
        };
    }

    private static Liquid liquid(PhaseJson form) {
        if (form.liquid() == null) {
            return Liquid.WATER;
        }
        return new Liquid(
                of(Liquid.Kind.class, "liquid", form.liquid()),
                form.gelatinGPerL() == null ? 0 : form.gelatinGPerL(),
                form.saltGPerL() == null ? 0 : form.saltGPerL());
    }

    private static Phase.Simmer simmer(PhaseJson form) {
        boolean hold = Boolean.TRUE.equals(form.holdLevel());
        Phase.TopUp topUp = hold || form.topUpDropCm() != null
                ? new Phase.TopUp(
                        hold, Length.ofCm(need("topUpDropCm", form.topUpDropCm())), celsius("topUpC", form.topUpC()))
                : Phase.TopUp.none();
        Phase.Skim skim = form.skimEarlyMin() == null
                ? Phase.Skim.none()
                : new Phase.Skim(
                        minutes("skimEarlyMin", form.skimEarlyMin()),
                        minutes("skimEarlyForMin", form.skimEarlyForMin()),
                        minutes("skimLateMin", form.skimLateMin()));
        Duration usual = min(form);
        return new Phase.Simmer(
                of(SimmerBand.class, "band", need("band", form.band())),
                usual,
                form.leastMin() == null ? usual : minutes("leastMin", form.leastMin()),
                form.mostMin() == null ? usual : minutes("mostMin", form.mostMin()),
                form.cover() == null ? Cover.OPEN : of(Cover.class, "cover", form.cover()),
                topUp,
                skim);
    }

    private static Duration min(PhaseJson form) {
        return minutes("min", form.min());
    }

    private static Duration minutes(String field, Double minutes) {
        double value = Refusal.unlessWithin(field, need(field, minutes), 0, 7 * 24 * 60, "min");
        return Duration.ofMillis((long) (value * 60_000 + 0.5));
    }

    private static double minutes(Duration duration) {
        return duration.toMillis() / 60_000.0;
    }

    private static Temperature celsius(String field, Double celsius) {
        return Temperature.ofCelsius(Refusal.unlessWithin(field, need(field, celsius), -30, 350, "°C"));
    }

    static <T> T need(String field, T value) {
        if (value == null) {
            throw Refusal.of(field, "is needed here");
        }
        return value;
    }

    /** Words of an enum as the format writes them: {@code second-wetting}. */
    public static String word(Enum<?> value) {
        return value.name().toLowerCase(Locale.ROOT).replace('_', '-');
    }

    static <E extends Enum<E>> E of(Class<E> type, String field, String word) {
        for (E value : type.getEnumConstants()) {
            if (word(value).equals(word)) {
                return value;
            }
        }
        throw Refusal.of(field, "nobody knows this word here");
    }
}
