package potamos.server.stations;

import java.time.DateTimeException;
import java.time.Instant;
import java.time.LocalDateTime;
import java.time.ZoneId;
import java.util.List;
import java.util.Map;
import java.util.Optional;
import java.util.Set;
import java.util.stream.Collectors;
import java.util.stream.Stream;
import org.springframework.stereotype.Component;
import org.springframework.transaction.annotation.Transactional;
import potamos.core.charge.Needs;
import potamos.core.figure.Figure;
import potamos.core.quantity.Refusal;
import potamos.core.safety.Allergen;
import potamos.server.Table;
import potamos.server.accounts.Person;
import potamos.server.accounts.Role.Right;
import potamos.server.formulas.Formulas;
import potamos.server.kitchen.Kitchens;

/**
 * Calls out of a table: {@code station, formula, litres, ready by} and, where they are wanted, {@code without}, {@code needs} and {@code note}. All of its lines are asked
 * for, or none.
 */
@Component
class CallTable {

    /** As many calls as a course can be laid for while somebody waits. */
    private static final int MOST_LINES = 200;

    private final Calls calls;
    private final Kitchens kitchens;
    private final Stations stationsOf;
    private final Formulas formulas;

    CallTable(Calls calls, Kitchens kitchens, Stations stationsOf, Formulas formulas) {
        this.stationsOf = stationsOf;
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
        Map<String, String> stations = stationsOf.of(kitchenId).stream()
                .collect(Collectors.toMap(station -> Table.Line.lower(station.name()), Stations.Station::id));
        Map<String, String> stocks = formulas.all(kitchenId).stream()
                .flatMap(formula -> Stream.of(formula.slug(), Table.Line.lower(formula.name()))
                        .distinct()
                        .map(word -> Map.entry(word, formula)))
                .collect(Collectors.toMap(
                        Map.Entry::getKey, entry -> entry.getValue().slug(), (first, second) -> first));
        return Table.read(text, "station, formula, litres, ready by", MOST_LINES)
                .each(
                        kitchenId,
                        (line, id) -> calls.ask(
                                person,
                                id,
                                new Calls.Wish(
                                        one(line, "station", stations),
                                        one(line, "formula", stocks),
                                        line.number("litres").orElseThrow(() -> Refusal.of("litres", "is needed here")),
                                        readyBy(line, zone),
                                        new Needs(
                                                words(line, "without", Allergen.values()),
                                                words(line, "needs", Needs.Need.values())),
                                        line.maybe("note").orElse(""))));
    }

    private static String one(Table.Line line, String field, Map<String, String> known) {
        return Optional.ofNullable(known.get(Table.Line.lower(line.told(field))))
                .orElseThrow(() -> Refusal.of(field, "this kitchen has none of that name"));
    }

    /** By the kitchen's clock, or with a zone of its own. */
    private static Instant readyBy(Table.Line line, ZoneId zone) {
        String told = line.told("ready by").replace(' ', 'T');
        try {
            return told.endsWith("Z")
                    ? Instant.parse(told)
                    : LocalDateTime.parse(told).atZone(zone).toInstant();
        } catch (DateTimeException cannot) {
            throw Refusal.of("ready by", "is no day and hour, as 2026-11-28 10:30");
        }
    }

    private static <W extends Enum<W>> Set<W> words(Table.Line line, String field, W[] known) {
        return Stream.of(line.maybe(field).orElse("").split("[;,+ ]+"))
                .filter(word -> !word.isBlank())
                .map(word -> Stream.of(known)
                        .filter(one -> Figure.word(one).equalsIgnoreCase(word))
                        .findFirst()
                        .orElseThrow(
                                () -> Refusal.noneOf(field, Stream.of(known).map(Figure::word))))
                .collect(Collectors.toSet());
    }
}
