package potamos.server.exchange;

import static potamos.core.figure.Figure.word;
import static potamos.core.quantity.Refusal.unlessGiven;

import java.time.Duration;
import java.util.ArrayList;
import java.util.List;
import java.util.function.Supplier;
import potamos.core.figure.Figure;
import potamos.core.formula.Beds;
import potamos.core.formula.Family;
import potamos.core.formula.Formula;
import potamos.core.formula.FormulaBuilder;
import potamos.core.formula.Item;
import potamos.core.formula.Pantry;
import potamos.core.formula.Part;
import potamos.core.formula.WaterRule;
import potamos.core.quantity.Length;
import potamos.core.quantity.Refusal;
import potamos.core.safety.Allergen;
import potamos.core.safety.Caution;
import potamos.core.vessel.BedKind;
import potamos.server.exchange.FormulaJson.AmountJson;
import potamos.server.exchange.FormulaJson.BedFigures;
import potamos.server.exchange.FormulaJson.BedJson;
import potamos.server.exchange.FormulaJson.ItemFigures;
import potamos.server.exchange.FormulaJson.PartJson;
import potamos.server.exchange.FormulaJson.WaterJson;
import potamos.server.exchange.FormulaJson.WhenJson;

/** A formula of the core and its form in the open format, both ways; writing and reading back gives an equal formula. */
public final class FormulaForm {

    private static final int LONGEST_MIN = 48 * 60;
    private static final Figure<Duration> BEFORE_THE_END = Figure.duration("beforeTheEndMin", 0, LONGEST_MIN);
    private static final Figure<Duration> INTO_THE_SIMMER = Figure.duration("intoTheSimmerMin", 0, LONGEST_MIN);

    private FormulaForm() {}

    public static FormulaJson write(Formula formula) {
        return new FormulaJson(
                FormulaJson.FORMAT,
                FormulaJson.FORMAT_VERSION,
                formula.slug(),
                formula.name(),
                word(formula.family()),
                formula.version(),
                formula.bed().stream().map(FormulaForm::bed).toList(),
                water(formula.water()),
                formula.parts().stream().map(FormulaForm::part).toList(),
                formula.procedure().stream().map(PhaseForm::write).toList(),
                formula.coldDays(),
                formula.frozenMonths(),
                formula.cautions().stream().map(Figure::word).toList());
    }

    /**
     * Reads a formula.
     *
     * @throws Refusal with the path of what is wrong, such as {@code procedure[3].ovenC}
     */
    public static Formula read(FormulaJson form) {
        if (!FormulaJson.FORMAT.equals(form.format())) {
            throw Refusal.of("format", "not a formula of this format");
        }
        if (form.formatVersion() != FormulaJson.FORMAT_VERSION) {
            throw Refusal.outside(
                    "formatVersion", "of another version", FormulaJson.FORMAT_VERSION, FormulaJson.FORMAT_VERSION, "");
        }
        return FormulaBuilder.builder()
                .slug(unlessGiven("slug", form.slug()))
                .name(unlessGiven("name", form.name()))
                .family(of(Family.class, "family", unlessGiven("family", form.family())))
                .version(form.version())
                .bed(each("bed", unlessGiven("bed", form.bed()), FormulaForm::readBed))
                .water(readWater(unlessGiven("water", form.water())))
                .parts(each("parts", unlessGiven("parts", form.parts()), FormulaForm::readPart))
                .procedure(each("procedure", unlessGiven("procedure", form.procedure()), PhaseForm::read))
                .coldDays(form.coldDays())
                .frozenMonths(form.frozenMonths())
                .cautions(each(
                        "cautions", unlessGiven("cautions", form.cautions()), c -> of(Caution.class, "caution", c)))
                .build();
    }

    private interface Reading<A, B> {
        B read(A form);
    }

    /** Reads each of a list, and says where in it something is wrong. */
    private static <A, B> List<B> each(String field, List<A> forms, Reading<A, B> reading) {
        List<B> read = new ArrayList<>();
        for (int i = 0; i < forms.size(); i++) {
            A form = forms.get(i);
            read.add(at(field + "[" + i + "]", () -> reading.read(unlessGiven("entry", form))));
        }
        return read;
    }

    /** What is refused inside is refused under its path. */
    private static <T> T at(String path, Supplier<T> reading) {
        try {
            return reading.get();
        } catch (Refusal refusal) {
            String field = path + "." + refusal.field();
            throw refusal.hasRange()
                    ? Refusal.outside(field, refusal.getMessage(), refusal.low(), refusal.high(), refusal.unit())
                    : Refusal.of(field, refusal.getMessage());
        }
    }

    private static BedJson bed(Formula.BedShare share) {
        BedKind k = share.kind();
        return new BedJson(
                k.id(),
                k.name(),
                share.share(),
                share.cutMm() > 0 ? share.cutMm() : null,
                new BedFigures(
                        k.bulkKgPerL(),
                        k.trueKgPerL(),
                        k.collagenGPerKg(),
                        k.halfTimeH(),
                        k.fatGPerKg(),
                        k.scum().rawG(),
                        k.scum().blanchedG(),
                        k.scum().roastedG(),
                        k.uptakeDrained(),
                        k.uptakePressed(),
                        k.settlesTo(),
                        k.heatKjPerKgK()));
    }

    private static Formula.BedShare readBed(BedJson form) {
        String id = unlessGiven("kind", form.kind());
        BedKind kind = form.figures() == null
                ? Beds.find(id)
                        .orElseThrow(() -> Refusal.of("kind", "the book does not know it; write its figures out"))
                : at("figures", () -> readFigures(id, form.name() == null ? id : form.name(), form.figures()));
        return new Formula.BedShare(kind, form.share(), form.cutMm() == null ? 0 : form.cutMm());
    }

    private static BedKind readFigures(String id, String name, BedFigures f) {
        return new BedKind(
                id,
                name,
                f.bulkKgPerL(),
                f.trueKgPerL(),
                f.collagenGPerKg(),
                f.halfTimeH(),
                f.fatGPerKg(),
                new BedKind.Scum(f.scumRawG(), f.scumBlanchedG(), f.scumRoastedG()),
                f.uptakeDrainedLPerKg(),
                f.uptakePressedLPerKg(),
                f.settlesTo(),
                f.heatKjPerKgK());
    }

    private static WaterJson water(WaterRule rule) {
        if (rule instanceof WaterRule.PerKgBed r) {
            return new WaterJson("per-kg-bed", r.litresPerKg());
        }
        if (rule instanceof WaterRule.OverTheBed r) {
            return new WaterJson("over-the-bed", r.depth().cm());
        }
        if (rule instanceof WaterRule.ForTheYield r) {
            return new WaterJson("for-the-yield", r.litresOutPerKg());
        }
        return new WaterJson("to-the-line", null);
    }

    /**
     * @throws Refusal on {@code water.rule} or {@code water.value}
     */
    public static WaterRule readWater(WaterJson form) {
        return at("water", () -> switch (unlessGiven("rule", form.rule())) {
            case "per-kg-bed" -> new WaterRule.PerKgBed(unlessGiven("value", form.value()));
            case "over-the-bed" -> new WaterRule.OverTheBed(Length.ofCm(unlessGiven("value", form.value())));
            case "for-the-yield" -> new WaterRule.ForTheYield(unlessGiven("value", form.value()));
            case "to-the-line" -> new WaterRule.ToTheLine();
            default -> throw Refusal.of("rule", "one of per-kg-bed, over-the-bed, for-the-yield, to-the-line");
        });
    }

    private static PartJson part(Part part) {
        return new PartJson(
                part.id(),
                part.name(),
                amount(part.amount()),
                when(part.when()),
                part.cutMm() > 0 ? part.cutMm() : null,
                figures(part.item()));
    }

    public static ItemFigures figures(Item item) {
        return new ItemFigures(
                word(item.kind()),
                item.kgPerL(),
                item.pieceG(),
                item.driedKgPerL(),
                item.uptakeLPerKg(),
                item.saltGPerKg(),
                item.sulphitesMgPerL(),
                item.traits().stream().map(Figure::word).toList(),
                item.allergens().stream().map(Figure::word).toList());
    }

    private static Part readPart(PartJson form) {
        String id = unlessGiven("item", form.item());
        Item item = form.figures() == null
                ? Pantry.find(id)
                        .orElseThrow(() -> Refusal.of("item", "the book does not know it; write its figures out"))
                : at("figures", () -> readItem(id, form.name() == null ? id : form.name(), form.figures()));
        return new Part(
                item,
                at("amount", () -> readAmount(unlessGiven("amount", form.amount()))),
                at("when", () -> readWhen(unlessGiven("when", form.when()))),
                form.cutMm() == null ? 0 : form.cutMm());
    }

    private static Item readItem(String id, String name, ItemFigures f) {
        return new Item(
                id,
                name,
                of(Part.Kind.class, "kind", unlessGiven("kind", f.kind())),
                f.kgPerL(),
                f.pieceG(),
                f.driedKgPerL(),
                f.uptakeLPerKg(),
                f.saltGPerKg(),
                f.sulphitesMgPerL(),
                each("traits", f.traits() == null ? List.of() : f.traits(), t -> of(Item.Trait.class, "trait", t)),
                each(
                        "allergens",
                        f.allergens() == null ? List.of() : f.allergens(),
                        a -> of(Allergen.class, "allergen", a)));
    }

    private static AmountJson amount(Part.Amount amount) {
        if (amount instanceof Part.Amount.PercentOfBed a) {
            return new AmountJson(a.percent(), null, null);
        }
        if (amount instanceof Part.Amount.GramsPerKgBed a) {
            return new AmountJson(null, a.grams(), null);
        }
        return new AmountJson(null, null, ((Part.Amount.GramsPerLitre) amount).grams());
    }

    private static Part.Amount readAmount(AmountJson form) {
        int given = (form.percentOfBed() == null ? 0 : 1)
                + (form.gramsPerKgBed() == null ? 0 : 1)
                + (form.gramsPerLitre() == null ? 0 : 1);
        if (given != 1) {
            throw Refusal.of("percentOfBed", "give one of percentOfBed, gramsPerKgBed, gramsPerLitre");
        }
        if (form.percentOfBed() != null) {
            return new Part.Amount.PercentOfBed(form.percentOfBed());
        }
        return form.gramsPerKgBed() != null
                ? new Part.Amount.GramsPerKgBed(form.gramsPerKgBed())
                : new Part.Amount.GramsPerLitre(form.gramsPerLitre());
    }

    private static WhenJson when(Part.When when) {
        if (when instanceof Part.When.BeforeTheEnd w) {
            return new WhenJson(null, (Double) BEFORE_THE_END.wire(w.before()), null);
        }
        if (when instanceof Part.When.IntoTheSimmer w) {
            return new WhenJson(null, null, (Double) INTO_THE_SIMMER.wire(w.after()));
        }
        return new WhenJson(true, null, null);
    }

    private static Part.When readWhen(WhenJson form) {
        if (form.beforeTheEndMin() != null) {
            return new Part.When.BeforeTheEnd(BEFORE_THE_END.value(form.beforeTheEndMin()));
        }
        if (form.intoTheSimmerMin() != null) {
            return new Part.When.IntoTheSimmer(INTO_THE_SIMMER.value(form.intoTheSimmerMin()));
        }
        if (!Boolean.TRUE.equals(form.withTheBed())) {
            throw Refusal.of("withTheBed", "give one of withTheBed, beforeTheEndMin, intoTheSimmerMin");
        }
        return new Part.When.WithTheBed();
    }

    private static <E extends Enum<E>> E of(Class<E> type, String field, String word) {
        return Figure.constant(type, word).orElseThrow(() -> Refusal.of(field, "nobody knows this word here"));
    }
}
