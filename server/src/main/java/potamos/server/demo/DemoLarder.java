package potamos.server.demo;

import java.time.LocalDate;
import java.util.List;
import java.util.UUID;
import org.springframework.boot.autoconfigure.condition.ConditionalOnProperty;
import org.springframework.stereotype.Component;
import potamos.server.accounts.Person;
import potamos.server.larder.Boxes;
import potamos.server.larder.Intake;

/** What lies in the larder of the demo kitchen on its morning: some of it near its day, some frozen, and a box of trim. */
@Component
@ConditionalOnProperty(name = "potamos.demo", havingValue = "true")
class DemoLarder {

    private static final String BUTCHER = "Alder & Sons";
    private static final String QUAY = "North Quay";
    private static final String GREENS = "Valley Greens";

    /** Days from the morning on which it came, and on which it has to be used up; none of the latter where it keeps. */
    private record Came(
            String goods, double kg, int agoDays, Integer goodDays, String from, String lot, double price) {}

    private static final List<Came> CHILLED = List.of(
            new Came("chicken-carcass", 24, 1, 1, BUTCHER, "A-2207", 1.6),
            new Came("chicken-carcass", 18, 0, 3, BUTCHER, "A-2214", 1.6),
            new Came("beef-shank-marrow", 16, 1, 2, BUTCHER, "A-2208", 3.1),
            new Came("fish-frames", 6.5, 0, 0, QUAY, "NQ-71", 2.2),
            new Came("crustacean-shells", 3.2, 1, 0, QUAY, "NQ-69", 4.5));

    private static final List<Came> GROWN = List.of(
            new Came("onion", 22, 4, 30, GREENS, "", 0.9),
            new Came("carrot", 15, 4, 20, GREENS, "", 1.1),
            new Came("celery", 6, 2, 5, GREENS, "", 1.8),
            new Came("leek", 5, 2, 4, GREENS, "", 2.4),
            new Came("mushroom", 3.5, 1, 2, GREENS, "", 5.2),
            new Came("tomato-paste", 4, 20, 200, "", "TP-5", 3.8),
            new Came("wine-white", 9, 30, null, "", "", 6.5),
            new Came("peppercorn-black", 0.8, 60, null, "", "", 18));

    private final Boxes boxes;

    DemoLarder(Boxes boxes) {
        this.boxes = boxes;
    }

    /** What yesterday's chicken was made of, taken in that morning. */
    String yesterday(Person cook, LocalDate day) {
        return in(cook, new Came("chicken-carcass", 30, 0, 2, BUTCHER, "A-2201", 1.6), day, false, null, 2.8);
    }

    /** What this morning's veal was made of, and some of it is left. */
    String veal(Person cook, LocalDate today) {
        return in(cook, new Came("veal-knuckle-breast", 12, 1, 1, BUTCHER, "A-2205", 4.2), today, false, null, 2.6);
    }

    void fill(Person cook, Person trainee, LocalDate today) {
        CHILLED.forEach(came -> in(cook, came, today, false, null, 2.5));
        GROWN.forEach(came -> in(cook, came, today, false, null, null));
        in(cook, new Came("veal-knuckle-breast", 30, 9, 80, BUTCHER, "A-2171", 4.2), today, true, 10.0, -19.0);
        in(cook, new Came("beef-knuckle", 20, 9, 80, BUTCHER, "A-2172", 2.4), today, true, 9.0, -18.0);
        trim(trainee, "onion", 0.65, today.minusDays(3));
        trim(trainee, "carrot", 0.4, today.minusDays(3));
        trim(trainee, "leek", 0.9, today.minusDays(8));
        trim(trainee, "mushroom-trim", 1.2, today.minusDays(21));
        trim(trainee, "parsley-stems", 0.12, today.minusDays(96));
    }

    private String in(Person person, Came came, LocalDate today, boolean frozen, Double thickCm, Double doorC) {
        LocalDate useBy = came.goodDays() == null ? null : today.plusDays(came.goodDays());
        String id = UUID.randomUUID().toString();
        boxes.takeIn(
                person,
                id,
                new Intake(
                        came.goods(),
                        came.kg(),
                        today.minusDays(came.agoDays()),
                        useBy,
                        frozen,
                        thickCm,
                        doorC,
                        came.from(),
                        came.lot(),
                        came.price(),
                        "",
                        false));
        return id;
    }

    private void trim(Person person, String item, double kg, LocalDate day) {
        boxes.takeIn(person, UUID.randomUUID().toString(), Intake.ofTrim(item, kg, day));
    }
}
