package potamos.server.stations;

import de.siegmar.fastcsv.reader.CsvParseException;
import de.siegmar.fastcsv.reader.CsvReader;
import de.siegmar.fastcsv.reader.NamedCsvRecord;
import java.nio.charset.StandardCharsets;
import java.time.DateTimeException;
import java.time.Instant;
import java.time.LocalDateTime;
import java.time.ZoneId;
import java.util.ArrayList;
import java.util.List;
import java.util.Locale;
import java.util.Map;
import java.util.Optional;
import java.util.Set;
import java.util.UUID;
import java.util.stream.Collectors;
import java.util.stream.Stream;
import org.springframework.stereotype.Component;
import org.springframework.transaction.annotation.Transactional;
import potamos.core.figure.Figure;
import potamos.core.quantity.Refusal;
import potamos.core.safety.Allergen;
import potamos.server.accounts.Person;
import potamos.server.accounts.Role.Right;
import potamos.server.formulas.Formulas;
import potamos.server.kitchen.Kitchens;

/**
 * Calls out of a table: {@code station, formula, litres, ready by} and, where they are wanted, {@code without} and {@code note}. All of its lines are asked
 * for, or none.
 */
@Component
class CallTable {

    static final int MOST_LINES = 500;

    private final Calls calls;
    private final Kitchens kitchens;
    private final Formulas formulas;

    CallTable(Calls calls, Kitchens kitchens, Formulas formulas) {
        this.calls = calls;
        this.kitchens = kitchens;
        this.formulas = formulas;
    }

    /**
     * Asks for every line.
     *
     * @return the ids of the calls; the same table asks for the same calls, however often it is sent
     * @throws Refusal with the number of the first line that will not do, and what of it
     */
    @Transactional
    public List<String> ask(Person person, String text) {
        person.require(Right.ASK);
        String kitchenId = person.kitchenId();
        ZoneId zone = kitchens.of(kitchenId).zone();
        Map<String, String> stations = kitchens.stations(kitchenId).stream()
                .collect(Collectors.toMap(station -> lower(station.name()), Kitchens.Station::id));
        Map<String, String> stocks = formulas.all(kitchenId).stream()
                .flatMap(formula -> Stream.of(formula.slug(), lower(formula.name()))
                        .distinct()
                        .map(word -> Map.entry(word, formula)))
                .collect(Collectors.toMap(
                        Map.Entry::getKey, entry -> entry.getValue().slug(), (first, second) -> first));
        List<NamedCsvRecord> lines = lines(text);
        List<String> ids = new ArrayList<>();
        for (NamedCsvRecord line : lines) {
            String at = "line " + line.getStartingLineNumber() + ": ";
            String id = id(kitchenId, text, line.getStartingLineNumber());
            try {
                calls.ask(
                        person,
                        id,
                        new Calls.Wish(
                                one(line, "station", stations),
                                one(line, "formula", stocks),
                                litres(line),
                                readyBy(line, zone),
                                without(line),
                                line.findField("note").orElse("")));
            } catch (Refusal refusal) {
                throw refusal.in(at);
            }
            ids.add(id);
        }
        return ids;
    }

    /** Known by what the table says, so that one that is sent again asks for nothing more. */
    private static String id(String kitchenId, String text, long line) {
        return UUID.nameUUIDFromBytes((kitchenId + "\n" + line + "\n" + text).getBytes(StandardCharsets.UTF_8))
                .toString();
    }

    private static List<NamedCsvRecord> lines(String text) {
        List<NamedCsvRecord> lines;
        try (CsvReader<NamedCsvRecord> csv = CsvReader.builder()
                .fieldSeparator(text.lines().findFirst().orElse("").contains(";") ? ';' : ',')
                .ofNamedCsvRecord(text)) {
            lines = csv.stream().limit(MOST_LINES + 1L).toList();
        } catch (CsvParseException | java.io.IOException | java.io.UncheckedIOException cannot) {
            throw Refusal.of("table", "is no table: " + cannot.getMessage());
        }
        if (lines.isEmpty()) {
            throw Refusal.of("table", "has no line under its heading: station, formula, litres, ready by");
        }
        if (lines.size() > MOST_LINES) {
            throw Refusal.outside("table", "has too many lines", 1, MOST_LINES, "lines");
        }
        return lines;
    }

    private static String one(NamedCsvRecord line, String field, Map<String, String> known) {
        return Optional.ofNullable(known.get(lower(told(line, field))))
                .orElseThrow(() -> Refusal.of(field, "this kitchen has none of that name"));
    }

    private static String told(NamedCsvRecord line, String field) {
        return line.findField(field)
                .map(String::trim)
                .filter(word -> !word.isEmpty())
                .orElseThrow(() -> Refusal.of(field, "is needed here"));
    }

    private static double litres(NamedCsvRecord line) {
        try {
            return Double.parseDouble(told(line, "litres").replace(',', '.'));
        } catch (NumberFormatException cannot) {
            throw Refusal.of("litres", "is no number");
        }
    }

    /** By the kitchen's clock, or with a zone of its own. */
    private static Instant readyBy(NamedCsvRecord line, ZoneId zone) {
        String told = told(line, "ready by").replace(' ', 'T');
        try {
            return told.endsWith("Z")
                    ? Instant.parse(told)
                    : LocalDateTime.parse(told).atZone(zone).toInstant();
        } catch (DateTimeException cannot) {
            throw Refusal.of("ready by", "is no day and hour, as 2026-11-28 10:30");
        }
    }

    private static Set<Allergen> without(NamedCsvRecord line) {
        return Stream.of(line.findField("without").orElse("").split("[;,+ ]+"))
                .filter(word -> !word.isBlank())
                .map(CallTable::allergen)
                .collect(Collectors.toSet());
    }

    private static Allergen allergen(String word) {
        return Stream.of(Allergen.values())
                .filter(allergen -> Figure.word(allergen).equalsIgnoreCase(word))
                .findFirst()
                .orElseThrow(() ->
                        Refusal.noneOf("without", Stream.of(Allergen.values()).map(Figure::word)));
    }

    private static String lower(String word) {
        return word.trim().toLowerCase(Locale.ROOT);
    }
}
