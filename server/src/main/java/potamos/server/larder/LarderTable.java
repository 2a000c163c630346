package potamos.server.larder;

import java.math.BigDecimal;
import java.math.RoundingMode;
import java.time.DateTimeException;
import java.time.LocalDate;
import java.util.List;
import java.util.Map;
import java.util.Optional;
import java.util.stream.Collectors;
import java.util.stream.Stream;
import org.springframework.stereotype.Component;
import org.springframework.transaction.annotation.Transactional;
import potamos.core.larder.Goods;
import potamos.core.quantity.Refusal;
import potamos.server.Table;
import potamos.server.accounts.Person;
import potamos.server.accounts.Role.Right;

/**
 * The larder as a table, out and in: {@code goods, kg} and, where they are told, {@code use by, came on, frozen, thick cm, door c, supplier, supplier lot, price per
 * kg, note}. All of its lines come in, or none.
 */
@Component
class LarderTable {

    private static final int MOST_LINES = 500;

    private final Boxes boxes;

    LarderTable(Boxes boxes) {
        this.boxes = boxes;
    }

    /**
     * Takes every line in.
     *
     * @return the ids of the boxes
     * @throws Refusal with the number of the first line that will not do
     */
    @Transactional
    public List<String> takeIn(Person person, String text) {
        person.require(Right.ACT);
        LocalDate today = boxes.today(person.kitchenId());
        Map<String, String> known = Goods.all().stream()
                .flatMap(goods -> Stream.of(goods.id(), Table.Line.lower(goods.name()))
                        .distinct()
                        .map(word -> Map.entry(word, goods.id())))
                .collect(Collectors.toMap(Map.Entry::getKey, Map.Entry::getValue, (first, second) -> first));
        return Table.read(text, "goods, kg, use by", MOST_LINES)
                .each(person.kitchenId(), (line, id) -> boxes.takeIn(person, id, intake(line, known, today)));
    }

    private static Intake intake(Table.Line line, Map<String, String> known, LocalDate today) {
        String goods = Optional.ofNullable(known.get(Table.Line.lower(line.told("goods"))))
                .orElseThrow(() -> Refusal.of("goods", "the book knows nothing of that name"));
        return new Intake(
                goods,
                line.number("kg").orElseThrow(() -> Refusal.of("kg", "is needed here")),
                day(line, "came on").orElse(today),
                day(line, "use by").orElse(null),
                line.maybe("frozen")
                        .filter(word -> word.equalsIgnoreCase("yes"))
                        .isPresent(),
                line.number("thick cm").orElse(null),
                line.number("door c").orElse(null),
                text(line, "supplier", 80),
                text(line, "supplier lot", 60),
                line.number("price per kg").orElse(null),
                text(line, "note", 300),
                false);
    }

    private static String text(Table.Line line, String field, int longest) {
        String words = line.maybe(field).orElse("");
        if (words.length() > longest) {
            throw Refusal.outside(field, "longer than can be kept", 0, longest, "characters");
        }
        return words;
    }

    private static Optional<LocalDate> day(Table.Line line, String field) {
        return line.maybe(field).map(word -> {
            try {
                return LocalDate.parse(word);
            } catch (DateTimeException cannot) {
                throw Refusal.of(field, "is no day, as 2026-11-28");
            }
        });
    }

    static String written(List<Boxes.Stands> boxes) {
        return Table.written(lines -> {
            lines.add(
                    "box",
                    "goods",
                    "name",
                    "kg",
                    "left kg",
                    "came on",
                    "use by",
                    "frozen",
                    "thick cm",
                    "door c",
                    "supplier",
                    "supplier lot",
                    "price per kg",
                    "trim",
                    "note");
            boxes.forEach(one -> {
                LarderMapper.BoxRow row = one.row();
                lines.add(
                        row.id(),
                        row.goods(),
                        one.box().goods().name(),
                        row.kg(),
                        one.box().left().kg(),
                        row.cameOn(),
                        one.box().useBy(),
                        one.box().frozen() ? "yes" : "",
                        number(row.thickCm()),
                        number(row.doorC()),
                        row.supplier(),
                        row.supplierLot(),
                        number(row.pricePerKg()),
                        row.trim() ? "yes" : "",
                        row.note());
            });
        });
    }

    private static Optional<BigDecimal> number(Double value) {
        return Optional.ofNullable(value).map(v -> BigDecimal.valueOf(v).setScale(2, RoundingMode.HALF_UP));
    }
}
