package potamos.server.demo;

import java.time.DayOfWeek;
import java.time.Duration;
import java.time.Instant;
import java.time.LocalDate;
import java.time.LocalTime;
import java.time.ZoneId;
import java.util.EnumMap;
import java.util.HashMap;
import java.util.List;
import java.util.Map;
import java.util.Optional;
import java.util.Set;
import java.util.UUID;
import org.slf4j.Logger;
import org.slf4j.LoggerFactory;
import org.springframework.beans.factory.annotation.Value;
import org.springframework.boot.ApplicationArguments;
import org.springframework.boot.ApplicationRunner;
import org.springframework.boot.autoconfigure.condition.ConditionalOnProperty;
import org.springframework.stereotype.Component;
import potamos.core.batch.DueAct;
import potamos.core.charge.Needs;
import potamos.core.cooling.Chiller;
import potamos.core.cooling.Container;
import potamos.core.course.Importance;
import potamos.core.course.Rota;
import potamos.core.course.Unattended;
import potamos.core.heat.Burner;
import potamos.core.heat.Oven;
import potamos.core.quantity.Length;
import potamos.core.quantity.Mass;
import potamos.core.quantity.Power;
import potamos.core.quantity.Temperature;
import potamos.core.quantity.Volume;
import potamos.core.vessel.Shape;
import potamos.core.vessel.Vessel;
import potamos.server.KitchenClock;
import potamos.server.accounts.Accounts;
import potamos.server.accounts.Person;
import potamos.server.accounts.Pins;
import potamos.server.accounts.Role;
import potamos.server.batches.Batches;
import potamos.server.calc.Tokens;
import potamos.server.devices.Devices;
import potamos.server.formulas.Formulas;
import potamos.server.kitchen.Kitchens;
import potamos.server.stations.Calls;
import potamos.server.stations.Stations;

/** Loads the demo kitchen through the same doors that people use, with the clock moved to when each thing happened. */
@Component
@ConditionalOnProperty(name = "potamos.demo", havingValue = "true")
class DemoKitchen implements ApplicationRunner {

    private static final Logger LOG = LoggerFactory.getLogger(DemoKitchen.class);
    private static final ZoneId ZONE = ZoneId.of("Europe/Zurich");
    /** Opens the calculations of the demo kitchen; the start command prints it. */
    private static final String DEMO_TOKEN = "potamos_demo_kestrel-lodge";

    private static final LocalTime MORNING = LocalTime.of(11, 10);

    private final Kitchens kitchens;
    private final Accounts accounts;
    private final Pins pins;
    private final Formulas formulas;
    private final Stations stationsOf;
    private final DemoWeek week;
    private final Calls calls;
    private final DemoCook cook;
    private final Batches batches;
    private final KitchenClock clock;
    private final Tokens tokens;
    private final DemoLarder larder;
    private final DemoProbes probes;
    private final Devices devices;
    private final String moment;

    private static final String CHICKEN = "white-chicken";

    private final Map<String, String> stations = new HashMap<>();
    private final Map<String, String> vessels = new HashMap<>();
    private final Map<Role, Person> people = new EnumMap<>(Role.class);

    DemoKitchen(
            Kitchens kitchens,
            Stations stationsOf,
            Accounts accounts,
            Pins pins,
            Formulas formulas,
            DemoWeek week,
            Calls calls,
            DemoCook cook,
            Batches batches,
            KitchenClock clock,
            Tokens tokens,
            DemoLarder larder,
            DemoProbes probes,
            Devices devices,
            @Value("${potamos.demo-moment:}") String moment) {
        this.kitchens = kitchens;
        this.stationsOf = stationsOf;
        this.accounts = accounts;
        this.pins = pins;
        this.formulas = formulas;
        this.week = week;
        this.calls = calls;
        this.cook = cook;
        this.batches = batches;
        this.clock = clock;
        this.tokens = tokens;
        this.larder = larder;
        this.probes = probes;
        this.devices = devices;
        this.moment = moment;
    }

    @Override
    public void run(ApplicationArguments args) {
        Instant now = moment.isEmpty()
                ? LocalDate.ofInstant(clock.instant(), ZONE)
                        .atTime(MORNING)
                        .atZone(ZONE)
                        .toInstant()
                : Instant.parse(moment);
        if (kitchens.none()) {
            furnish();
            tokens.keep(people.get(Role.COOK), "Demo", DEMO_TOKEN);
            work(now);
            LOG.info("The demo kitchen is loaded.");
        }
        DemoPeople.DemoPerson cookOfTheHouse = DemoPeople.PEOPLE.get(0);
        probes.watch(accounts.signIn(cookOfTheHouse.signIn(), cookOfTheHouse.password(), "demo", clock.instant()));
        // A demo that goes on after a stop must not fall back behind what was logged in it.
        clock.show(batches.latestEntry().filter(now::isBefore).orElse(now));
    }

    private void furnish() {
        String id = kitchens.add(
                "Kestrel Lodge",
                Length.ofCm(115_000),
                ZONE.getId(),
                "metric",
                LocalTime.of(5, 0),
                LocalTime.of(22, 0),
                "us-food-code");
        Set<DayOfWeek> everyDay = Set.of(DayOfWeek.values());
        Set<DayOfWeek> busy = Set.of(DayOfWeek.THURSDAY, DayOfWeek.FRIDAY, DayOfWeek.SATURDAY);
        kitchens.changeRota(
                id,
                List.of(
                        new Rota.Hours(everyDay, LocalTime.of(5, 0), LocalTime.of(14, 0), 1),
                        new Rota.Hours(everyDay, LocalTime.of(13, 0), LocalTime.of(22, 0), 1),
                        new Rota.Hours(busy, LocalTime.of(16, 0), LocalTime.of(0, 30), 1)),
                Unattended.CHECKS,
                List.of(LocalTime.of(1, 30)),
                clock.instant());
        formulas.stock(id);
        station(id, "Sauce", Importance.MORE, Needs.NONE);
        station(id, "Soup", Importance.USUAL, Needs.NONE);
        station(id, "Banquets", Importance.MOST, Needs.NONE);
        station(id, "Café", Importance.LESS, new Needs(Set.of(), Set.of(Needs.Need.NO_TOMATO)));
        for (DemoPeople.DemoPerson p : DemoPeople.PEOPLE) {
            String station = p.station() == null ? null : stations.get(p.station());
            String account = accounts.add(id, station, p.signIn(), p.name(), p.role(), p.password());
            String initials = p.name().charAt(0) + "" + p.name().charAt(p.name().indexOf(' ') + 1);
            Person person =
                    new Person(account, id, station, p.name(), initials, p.role(), "metric", Person.Signature.PASSWORD);
            people.putIfAbsent(p.role(), person);
            if (p.pin() != null) {
                pins.set(person, p.pin());
            }
        }
        kettle(id, "K80", 55, 39.5, 12, 32);
        pot(id, "Tall 40", 36, 40, 6.2);
        pot(id, "Broad 40", 42, 30, 6.0);
        pot(id, "Pot 24", 32, 30, 4.4);
        pot(id, "Pot 12", 28, 20, 2.9);
        pot(id, "Rondeau 15", 45, 14, 4.8);
        for (int i = 1; i <= 4; i++) {
            kitchens.addBurner(id, new Burner("Burner " + i, Power.ofKilowatts(i <= 2 ? 9 : 5), 0.5));
        }
        kitchens.addBurner(id, new Burner("Induction", Power.ofKilowatts(3.5), 0.85));
        container(
                id,
                "10 L steel bain",
                new Shape.Cylinder(Length.ofCm(24), Length.ofCm(25)),
                Container.Wall.STEEL,
                10,
                8);
        container(id, "5 L tub", new Shape.Cylinder(Length.ofCm(20), Length.ofCm(19)), Container.Wall.PLASTIC, 5, 12);
        Shape deep = new Shape.Pan(Length.ofCm(53), Length.ofCm(32.5), Length.ofCm(10));
        container(id, "100 mm full pan", deep, Container.Wall.STEEL, 12, 6);
        Shape shallow = new Shape.Pan(Length.ofCm(53), Length.ofCm(32.5), Length.ofCm(6.5));
        container(id, "65 mm full pan", shallow, Container.Wall.STEEL, 8, 8);
        kitchens.addOven(id, new Oven("East", 6, true, Oven.bookFactor(true)));
        kitchens.addOven(id, new Oven("West", 2, false, Oven.bookFactor(false)));
        chiller(id, "Sink bath", Chiller.Kind.ICE_BATH, 120, 1, 60, 18);
        chiller(id, "Blast chiller", Chiller.Kind.BLAST, 60, -5, 0, 0);
        chiller(id, "Cold store", Chiller.Kind.COLD_STORE, 400, 3, 0, 0);
        chiller(id, "Freezer", Chiller.Kind.FREEZER, 200, -20, 0, 0);
    }

    /** What steam in its jacket gives to the liquor. */
    private static final double KETTLE_KW = 12;

    private void kettle(String kitchen, String name, double diameter, double height, double bowl, double metal) {
        Shape shape = new Shape.Kettle(Length.ofCm(diameter), Length.ofCm(height), Length.ofCm(bowl));
        Vessel vessel = new Vessel(
                name,
                shape,
                Vessel.bookKappa(),
                Mass.ofKg(metal),
                Vessel.Handling.TILTED,
                Vessel.Build.HEAVY,
                Optional.of(Power.ofKilowatts(KETTLE_KW)));
        vessels.put(name, kitchens.addVessel(kitchen, vessel));
    }

    private void pot(String kitchen, String name, double diameter, double height, double metal) {
        Shape shape = new Shape.Cylinder(Length.ofCm(diameter), Length.ofCm(height));
        Vessel vessel = new Vessel(name, shape, Vessel.bookKappa(), Mass.ofKg(metal), Vessel.Handling.LIFTED);
        vessels.put(name, kitchens.addVessel(kitchen, vessel));
    }

    private void chiller(
            String kitchen,
            String name,
            Chiller.Kind kind,
            double litres,
            double airC,
            double iceKg,
            double iceKgPerH) {
        kitchens.addChiller(kitchen, new Chiller(name, kind, litres, Temperature.ofCelsius(airC), iceKg, iceKgPerH));
    }

    private void container(String kitchen, String name, Shape shape, Container.Wall wall, double litres, int owned) {
        kitchens.addContainer(
                kitchen, new Container(name, shape, wall, Length.ofMm(1.2), Volume.ofLitres(litres)), owned);
    }

    /** Yesterday's batch on the shelf, five at work this morning, and calls that wait for a plan. */
    private void work(Instant now) {
        Person ilse = people.get(Role.COOK);
        Person wen = people.get(Role.TRAINEE);

        Instant yesterday = now.minus(Duration.ofHours(24));
        clock.show(yesterday.minus(Duration.ofHours(5)));
        String cafe = ask(ilse, "Café", CHICKEN, 6, yesterday.plus(Duration.ofHours(9)), "for the terrace");
        cook.weighsOutOf(larder.yesterday(ilse, LocalDate.ofInstant(yesterday, ZONE)));
        String done = cook.accept(
                ilse,
                CHICKEN,
                cafe,
                vessels.get("Tall 40"),
                15,
                yesterday.plus(Duration.ofHours(9)),
                yesterday.minus(Duration.ofHours(5)),
                1);
        cook.finish(ilse, done, stations.get("Café"), cafe, 6);

        clock.show(now.minus(Duration.ofMinutes(265)));
        String soup = ask(ilse, "Soup", CHICKEN, 9, now.plus(Duration.ofHours(4)), "");
        String cooling = start(ilse, CHICKEN, soup, "Pot 24", 9, now.plus(Duration.ofHours(4)), 2);
        cook.untilCooled(ilse, cooling, 34, now);

        clock.show(now.minus(Duration.ofMinutes(415)));
        String veal = ask(ilse, "Sauce", "brown-veal", 12, now.plus(Duration.ofHours(7)), "");
        cook.weighsOutOf(larder.veal(ilse, LocalDate.ofInstant(now, ZONE)));
        String simmering = start(ilse, "brown-veal", veal, "Broad 40", 12, now.plus(Duration.ofHours(7)), 3);
        cook.workUntil(wen, simmering, now, Set.of(DueAct.Kind.JUDGE));

        clock.show(now.minus(Duration.ofMinutes(55)));
        String banquets = ask(ilse, "Banquets", CHICKEN, 12, now.plus(Duration.ofHours(10)), "consommé, keep it clear");
        String coming = start(ilse, CHICKEN, banquets, "Tall 40", 14, now.plus(Duration.ofHours(10)), 4);
        cook.workUntil(ilse, coming, now, Set.of(DueAct.Kind.FIRST_FOAM, DueAct.Kind.TURN_DOWN));

        clock.show(now.minus(Duration.ofMinutes(34)));
        String sauce = ask(ilse, "Sauce", "fish-fumet", 3, now.plus(Duration.ofHours(5)), "");
        String soaking = start(ilse, "fish-fumet", sauce, "Pot 12", 3, now.plus(Duration.ofHours(5)), 5);
        cook.workUntil(ilse, soaking, now, Set.of(DueAct.Kind.CHANGE_WATER));

        clock.show(now.minus(Duration.ofMinutes(48)));
        String dark = ask(ilse, "Soup", "vegetable-dark", 4, now.plus(Duration.ofHours(8)), "");
        String roasting = start(ilse, "vegetable-dark", dark, "Rondeau 15", 4, now.plus(Duration.ofHours(8)), 6);
        cook.workUntil(wen, roasting, now, Set.of(DueAct.Kind.JUDGE_SHADE));

        probe(ilse, "Probe 1", "Broad 40");
        probe(ilse, "Probe 2", "Tall 40");

        clock.show(now.minus(Duration.ofMinutes(12)));
        larder.fill(ilse, wen, LocalDate.ofInstant(now, ZONE));
        LocalDate tomorrow = LocalDate.ofInstant(now, ZONE).plusDays(1);
        week.begin(ilse, stations, tomorrow.minusDays(1));
        ask(
                ilse,
                "Banquets",
                CHICKEN,
                30,
                tomorrow.plusDays(1).atTime(15, 0).atZone(ZONE).toInstant(),
                "wedding, 140 covers");
        clock.show(now);
        week.holdHalf(ilse, now);
    }

    private void probe(Person person, String name, String vessel) {
        String token = "potamos_demo_" + name.toLowerCase(java.util.Locale.ROOT).replace(' ', '-');
        devices.keep(person, name, Devices.Kind.PROBE, vessels.get(vessel), token);
    }

    /** What the vegetable prep of the last weeks left. */
    private void station(String kitchenId, String name, Importance importance, Needs needs) {
        stations.put(name, stationsOf.add(kitchenId, name, importance, needs));
    }

    private String start(
            Person person, String formula, String call, String vessel, double litres, Instant readyBy, long seed) {
        return cook.accept(person, formula, call, vessels.get(vessel), litres, readyBy, clock.instant(), seed);
    }

    private String ask(Person person, String station, String formula, double litres, Instant readyBy, String note) {
        String id = UUID.randomUUID().toString();
        calls.ask(person, id, new Calls.Wish(stations.get(station), formula, litres, readyBy, Needs.NONE, note));
        return id;
    }
}
