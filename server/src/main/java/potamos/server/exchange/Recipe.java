package potamos.server.exchange;

import java.nio.charset.StandardCharsets;
import java.time.Duration;
import java.util.ArrayList;
import java.util.List;
import java.util.Locale;
import java.util.Map;
import java.util.Optional;
import java.util.regex.Matcher;
import java.util.regex.Pattern;
import potamos.core.formula.Beds;
import potamos.core.formula.Book;
import potamos.core.formula.Conversion;
import potamos.core.formula.Formula;
import potamos.core.formula.FormulaBuilder;
import potamos.core.formula.Item;
import potamos.core.formula.Pantry;
import potamos.core.formula.Part;
import potamos.core.formula.Phase;
import potamos.core.formula.WaterRule;
import potamos.core.quantity.Mass;
import potamos.core.quantity.Refusal;
import potamos.core.quantity.Volume;
import potamos.core.vessel.BedKind;
import potamos.server.paper.Words;
import tools.jackson.core.JacksonException;
import tools.jackson.databind.JsonNode;
import tools.jackson.databind.json.JsonMapper;
import tools.jackson.databind.node.ArrayNode;
import tools.jackson.databind.node.ObjectNode;

/**
 * A formula as a schema.org {@code Recipe} in JSON-LD, for ten kilograms of bed. A recipe has no ratios, cadences, cautions or figures: writing one
 * loses them and says so in its description; reading one says what was not understood.
 */
public final class Recipe {

    private static final JsonMapper JSON = JsonMapper.builder().build();

    /** What a recipe is written out for. */
    private static final double BED_KG = 10;

    private static final String PIECE = "piece";

    private static final Pattern NUMBER = Pattern.compile("[0-9]++(?:[.,][0-9]++)?+");

    /** Units as recipes write them, and what they are here. */
    private static final Map<String, String> UNITS = Map.ofEntries(
            Map.entry("kg", "kg"),
            Map.entry("g", "g"),
            Map.entry("lb", "lb"),
            Map.entry("oz", "oz"),
            Map.entry("ml", "mL"),
            Map.entry("l", "L"),
            Map.entry("litre", "L"),
            Map.entry("litres", "L"),
            Map.entry("liter", "L"),
            Map.entry("liters", "L"),
            Map.entry("piece", PIECE),
            Map.entry("pieces", PIECE));

    private static final int LONGEST_LINE = 200;

    private Recipe() {}

    /** A formula read from a recipe, and the lines that were not understood or could not be kept. */
    public record Read(Formula formula, List<String> lost) {}

    public static boolean looksLikeOne(byte[] file) {
        String text = new String(file, StandardCharsets.UTF_8);
        return text.contains("schema.org") && text.contains("\"Recipe\"");
    }

    public static String write(Formula formula) {
        ObjectNode recipe = JSON.createObjectNode();
        recipe.put("@context", "https://schema.org");
        recipe.put("@type", "Recipe");
        recipe.put("name", formula.name());
        recipe.put("identifier", formula.slug());
        recipe.put(
                "recipeCategory",
                formula.family().name().toLowerCase(Locale.ROOT).replace('_', ' ') + " stock");
        recipe.put(
                "description",
                "Written out for "
                        + (formula.bed().isEmpty() ? "10 L of finished stock" : "10 kg of bed")
                        + ". A recipe has no ratios: how the quantities scale, how often to skim, what to watch for and"
                        + " the figures of beds and items are lost in this form; the formula file keeps them.");
        double water = water(formula);
        ArrayNode ingredients = recipe.putArray("recipeIngredient");
        for (Formula.BedShare share : formula.bed()) {
            ingredients.add(amount(share.share() * BED_KG, "kg", share.kind().name()));
        }
        ingredients.add(amount(water, "L", formula.bed().isEmpty() ? "finished stock" : "cold water"));
        for (Part part : formula.parts()) {
            double kg = part.amount()
                    .of(Mass.ofKg(formula.bed().isEmpty() ? 0 : BED_KG), Volume.ofLitres(water))
                    .kg();
            ingredients.add(kg < 1 ? amount(kg * 1000, "g", part.name()) : amount(kg, "kg", part.name()));
        }
        recipe.put("cookTime", formula.simmer().usual().toString());
        ArrayNode steps = recipe.putArray("recipeInstructions");
        for (Phase phase : formula.procedure()) {
            ObjectNode step = steps.addObject();
            step.put("@type", "HowToStep");
            step.put("text", words(phase));
        }
        return JSON.writerWithDefaultPrettyPrinter().writeValueAsString(recipe);
    }

    private static double water(Formula formula) {
        if (formula.bed().isEmpty()) {
            return 10;
        }
        if (formula.water() instanceof WaterRule.PerKgBed rule) {
            return rule.litresPerKg() * BED_KG;
        }
        if (formula.water() instanceof WaterRule.ForTheYield rule) {
            return rule.litresOutPerKg() * BED_KG * 1.3;
        }
        // By cover or line the vessel decides; the void of the bed and a quarter more is what usually covers it.
        BedKind bed = formula.blendedBed();
        return BED_KG * (1 / bed.bulkKgPerL() - 1 / bed.trueKgPerL()) * 1.25;
    }

    private static String amount(double value, String unit, String name) {
        return String.format(Locale.ROOT, value < 10 ? "%.2f %s %s" : "%.0f %s %s", value, unit, name);
    }

    private static String words(Phase phase) {
        StringBuilder words = new StringBuilder(Words.ENGLISH.phase(phase.kind().name()));
        if (!phase.takes().isZero()) {
            words.append(", ").append(phase.takes().toMinutes()).append(" min");
        }
        phase.kind().figuresOf(phase).byName().forEach((figure, value) -> {
            if (figure.equals("ovenC") || figure.equals("celsius")) {
                words.append(String.format(Locale.ROOT, " at %.0f °C", (double) value));
            } else if (figure.equals(Phase.TO_FRACTION.name())) {
                words.append(String.format(Locale.ROOT, " to %.0f %% of the volume", (double) value * 100));
            }
        });
        return words.append('.').toString();
    }

    /**
     * Reads a recipe. The heaviest line that names a kind of bed becomes the bed, with the others of its kind; everything else is taken relative to it.
     *
     * @throws Refusal when there is no bed or no water in it
     */
    public static Read read(byte[] file) {
        JsonNode recipe = recipeIn(file);
        List<String> lost = new ArrayList<>();
        List<Formula.BedShare> beds = new ArrayList<>();
        List<Line> others = new ArrayList<>();
        double bedKg = 0;
        double water = 0;
        for (JsonNode entry : recipe.path("recipeIngredient")) {
            String text = entry.asString("");
            Optional<Line> line = line(text);
            if (line.isEmpty()) {
                lost.add(text);
                continue;
            }
            Optional<BedKind> kind = bed(line.get().name());
            if (line.get().name().contains("water")) {
                water += line.get().litres();
            } else if (kind.isPresent() && line.get().kg(Optional.empty()) > 0) {
                beds.add(new Formula.BedShare(kind.get(), Math.min(1, line.get().kg(Optional.empty()) / 1000)));
                bedKg += line.get().kg(Optional.empty());
            } else {
                others.add(line.get());
            }
        }
        if (beds.isEmpty()) {
            throw Refusal.of("recipeIngredient", "no kind of bed that is known here: name bones, shells or vegetables");
        }
        if (water <= 0) {
            throw Refusal.of("recipeIngredient", "no water in litres");
        }
        List<Part> parts = parts(others, bedKg, lost);
        Formula model = model(beds.get(0).kind());
        double whole = bedKg;
        Formula read = FormulaBuilder.builder()
                .slug(slug(recipe.path("name").asString("Recipe")))
                .name(name(recipe))
                .family(model.family())
                .version(1)
                .bed(beds.stream()
                        .map(b -> new Formula.BedShare(b.kind(), b.share() * 1000 / whole))
                        .toList())
                .water(new WaterRule.PerKgBed(water / bedKg))
                .parts(parts)
                .procedure(model.procedure())
                .coldDays(model.coldDays())
                .frozenMonths(model.frozenMonths())
                .cautions(model.cautions())
                .build();
        for (JsonNode step : recipe.path("recipeInstructions")) {
            lost.add(step.isString() ? step.asString() : step.path("text").asString(""));
        }
        return new Read(simmered(read, recipe), List.copyOf(lost));
    }

    private static Formula simmered(Formula formula, JsonNode recipe) {
        try {
            Duration time = Duration.parse(recipe.path("cookTime").asString(""));
            return time.isZero() || time.isNegative() ? formula : formula.simmeredFor(time);
        } catch (java.time.format.DateTimeParseException none) {
            return formula;
        }
    }

    private static List<Part> parts(List<Line> lines, double bedKg, List<String> lost) {
        List<Part> parts = new ArrayList<>();
        for (Line line : lines) {
            Optional<Item> item = item(line.name());
            boolean twice = item.isPresent()
                    && parts.stream().anyMatch(p -> p.id().equals(item.get().id()));
            double kg = item.isPresent() ? line.kg(item) : 0;
            if (kg <= 0 || twice) {
                lost.add(line.text());
            } else {
                parts.add(new Part(
                        item.get(), new Part.Amount.GramsPerKgBed(kg * 1000 / bedKg), new Part.When.WithTheBed(), 0));
            }
        }
        return parts;
    }

    /** The procedure of the book's own formula for such a bed stands in for instructions in words. */
    private static Formula model(BedKind kind) {
        return Book.formulas().stream()
                .filter(f -> f.bed().stream().anyMatch(b -> b.kind().id().equals(kind.id())))
                .findFirst()
                .orElseGet(Book::whiteChicken);
    }

    private static JsonNode recipeIn(byte[] file) {
        if (file.length > FormulaFile.MOST_BYTES) {
            throw Refusal.outside("file", "too large for a recipe", 0, FormulaFile.MOST_BYTES, "bytes");
        }
        try {
            JsonNode tree = JSON.readTree(file);
            JsonNode graph = tree.path("@graph");
            for (JsonNode node : graph.isArray()
                    ? graph
                    : tree.isArray() ? tree : JSON.createArrayNode().add(tree)) {
                if (node.path("@type").toString().contains("Recipe")) {
                    return node;
                }
            }
            throw Refusal.of("@type", "no Recipe in this file");
        } catch (JacksonException malformed) {
            int line = malformed.getLocation() == null
                    ? 1
                    : Math.max(1, malformed.getLocation().getLineNr());
            throw Refusal.of("line " + line, "this is not JSON from here on");
        }
    }

    /** An ingredient line taken apart. */
    private record Line(String text, double value, String unit, String name) {

        double litres() {
            return switch (unit) {
                case "L", "mL" ->
                    Conversion.convert(value, unit, "L", Optional.empty()).value();
                case "kg" -> value;
                default -> 0;
            };
        }

        /** Its mass; nothing where it cannot be told. */
        double kg(Optional<Item> item) {
            try {
                return Conversion.convert(value, unit, "kg", item).value();
            } catch (Refusal unknown) {
                return 0;
            }
        }
    }

    /** {@code 2.5 kg of carrots}, {@code 5kg bones}, {@code 3 leeks}; taken apart word by word, for what is sent here may be made to take long. */
    private static Optional<Line> line(String text) {
        String stripped = text.strip();
        Matcher number = NUMBER.matcher(stripped);
        if (stripped.length() > LONGEST_LINE || !number.lookingAt()) {
            return Optional.empty();
        }
        double value = Double.parseDouble(number.group().replace(',', '.'));
        String after = stripped.substring(number.end());
        List<String> words = new ArrayList<>(List.of(after.strip().split("\\s+")));
        String unit = words.size() > 1 ? UNITS.get(words.get(0).toLowerCase(Locale.ROOT)) : null;
        if (unit != null) {
            words.remove(0);
        } else if (after.isEmpty() || !Character.isWhitespace(after.charAt(0))) {
            return Optional.empty();
        }
        if (words.size() > 1 && words.get(0).equalsIgnoreCase("of")) {
            words.remove(0);
        }
        String name = String.join(" ", words).toLowerCase(Locale.ROOT);
        return Optional.of(new Line(text, value, unit == null ? PIECE : unit, name));
    }

    private static Optional<BedKind> bed(String name) {
        return Beds.all().stream()
                .filter(kind -> name.equals(kind.name().toLowerCase(Locale.ROOT)) || shares(name, kind.id()))
                .findFirst();
    }

    /** Whether a name holds every word of an id, as "raw chicken carcasses" holds {@code chicken-carcass}. */
    private static boolean shares(String name, String id) {
        for (String word : id.split("-")) {
            if (!name.contains(word)) {
                return false;
            }
        }
        return true;
    }

    private static Optional<Item> item(String name) {
        return Pantry.items().stream()
                .filter(i -> name.equals(i.name().toLowerCase(Locale.ROOT)))
                .findFirst()
                .or(() -> Pantry.items().stream()
                        .filter(i -> shares(name, i.id()))
                        .findFirst());
    }

    private static String name(JsonNode recipe) {
        String name = recipe.path("name").asString("Recipe").trim();
        return name.substring(0, Math.min(80, Math.max(1, name.length())));
    }

    private static String slug(String name) {
        String slug =
                name.toLowerCase(Locale.ROOT).replaceAll("[^a-z0-9]+", "-").replaceAll("^-|-$", "");
        return slug.length() < 2 ? "recipe" : slug.substring(0, Math.min(60, slug.length()));
    }
}
