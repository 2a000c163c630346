package potamos.server.demo;

import java.time.DayOfWeek;
import java.time.Duration;
import java.time.Instant;
import java.time.LocalDate;
import java.time.LocalTime;
import java.util.EnumSet;
import java.util.Map;
import java.util.Set;
import java.util.UUID;
import org.springframework.boot.autoconfigure.condition.ConditionalOnProperty;
import org.springframework.stereotype.Component;
import potamos.core.charge.Needs;
import potamos.core.schedule.Standing;
import potamos.server.accounts.Person;
import potamos.server.courses.Laying;
import potamos.server.stations.StandingCalls;

/** What the stations of the demo kitchen want week by week. */
@Component
@ConditionalOnProperty(name = "potamos.demo", havingValue = "true")
class DemoWeek {

    private static final LocalTime AFTERNOON = LocalTime.of(15, 0);

    private static final Set<DayOfWeek> DAILY = EnumSet.allOf(DayOfWeek.class);
    private static final Set<DayOfWeek> OF_THE_SAUCE =
            EnumSet.of(DayOfWeek.TUESDAY, DayOfWeek.THURSDAY, DayOfWeek.SATURDAY);
    private static final Set<DayOfWeek> OF_THE_DARK = EnumSet.of(DayOfWeek.WEDNESDAY, DayOfWeek.FRIDAY);

    private record Wish(
            String station, String formula, double litres, Set<DayOfWeek> days, LocalTime by, String note) {}

    private static final Wish[] WEEK = {
        new Wish("Soup", "white-chicken", 20, DAILY, LocalTime.of(10, 30), "cold, for the barley soup"),
        new Wish("Soup", "vegetable-dark", 15, OF_THE_DARK, AFTERNOON, ""),
        new Wish("Sauce", "brown-veal", 12, OF_THE_SAUCE, AFTERNOON, ""),
        new Wish("Sauce", "fish-fumet", 4, OF_THE_SAUCE, AFTERNOON, ""),
        new Wish("Café", "vegetable-light", 6, DAILY, LocalTime.of(11, 0), ""),
    };

    private static final int DAYS = 7;

    private final StandingCalls standing;
    private final Laying laying;

    DemoWeek(StandingCalls standing, Laying laying) {
        this.standing = standing;
        this.laying = laying;
    }

    /** From tomorrow on, for what is wanted today is being made. */
    void begin(Person person, Map<String, String> stations, LocalDate today) {
        for (Wish wish : WEEK) {
            standing.ask(
                    person,
                    UUID.randomUUID().toString(),
                    stations.get(wish.station()),
                    wish.formula(),
                    wish.litres(),
                    new Standing(wish.days(), wish.by(), Set.of(today)),
                    Needs.NONE,
                    wish.note(),
                    false);
        }
    }

    /** The cook has looked at the first half of the week, and holds it as it is laid. */
    void holdHalf(Person person, Instant now) {
        laying.hold(person, DAYS, 0, now.plus(Duration.ofDays(DAYS).dividedBy(2)));
    }
}
