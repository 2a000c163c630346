package potamos.server;

import static org.assertj.core.api.Assertions.assertThat;
import static org.assertj.core.api.Assertions.within;

import java.time.Duration;
import java.time.LocalTime;
import java.util.UUID;
import org.junit.jupiter.api.Test;
import org.junit.jupiter.api.extension.ExtendWith;
import org.junit.jupiter.params.ParameterizedTest;
import org.junit.jupiter.params.provider.ValueSource;
import potamos.core.cooling.Container;
import potamos.core.heat.Burner;
import potamos.core.quantity.Length;
import potamos.core.quantity.Mass;
import potamos.core.quantity.Power;
import potamos.core.quantity.Volume;
import potamos.core.vessel.Shape;
import potamos.core.vessel.Vessel;
import potamos.server.accounts.Accounts;
import potamos.server.accounts.Role;
import potamos.server.formulas.Formulas;
import potamos.server.kitchen.Kitchens;
import tools.jackson.databind.JsonNode;

/** Which containers a charge is poured into, and how sure the plan is of the time that takes. */
@ExtendWith(TestKitchen.class)
class CoolingChoiceTest {

    private final Visitor cook = Visitor.signedIn("ilse");

    private Visitor.Answer charge(String formula, double litres) {
        Visitor.Answer answer = cook.post(
                "/api/charges",
                "{\"formula\": \"%s\", \"goal\": \"LITRES\", \"value\": %s}".formatted(formula, litres));
        assertThat(answer.status()).isEqualTo(200);
        return answer;
    }

    @ParameterizedTest
    @ValueSource(doubles = {2, 9, 20, 32})
    void everyLitreHasAContainerAndIsColdInTime(double litres) {
        Visitor own = cookOfAHouseWith(new Shape.Pan(Length.ofCm(50), Length.ofCm(30), Length.ofCm(10)), 12, 6);
        Visitor.Answer charge = own.post(
                "/api/charges",
                "{\"formula\": \"white-chicken\", \"goal\": \"LITRES\", \"value\": %s}".formatted(litres));
        double placed = 0;
        for (JsonNode filled : charge.at("/cooling/into")) {
            assertThat(filled.path("count").asInt()).isPositive();
            placed += filled.path("count").asInt() * filled.path("eachL").asDouble();
        }
        assertThat(placed).isCloseTo(charge.at("/forecast/yieldL/p50").asDouble(), within(1e-6));
        assertThat(charge.at("/cooling/verdict").asString()).isEqualTo("PASS");
        assertThat(charge.at("/cooling/enough").asBoolean()).isTrue();
        assertThat(charge.at("/cooling/cold/earliest").asDouble())
                .isLessThan(charge.at("/cooling/cold/minute").asDouble());
    }

    /** A kitchen in which nobody else's pots want containers. */
    private static Visitor cookOfAHouseWith(Shape container, double holdsL, int owned) {
        Kitchens kitchens = TestKitchen.bean(Kitchens.class);
        String house = kitchens.add(
                "Small house",
                Length.ZERO,
                "Europe/London",
                "metric",
                LocalTime.of(6, 0),
                LocalTime.of(22, 0),
                "us-food-code");
        TestKitchen.bean(Formulas.class).stock(house);
        kitchens.addContainer(
                house,
                new Container("bain", container, Container.Wall.STEEL, Length.ofMm(1), Volume.ofLitres(holdsL)),
                owned);
        Shape pot = new Shape.Cylinder(Length.ofCm(40), Length.ofCm(45));
        kitchens.addVessel(house, new Vessel("Pot", pot, Vessel.bookKappa(), Mass.ofKg(7), Vessel.Handling.LIFTED));
        kitchens.addBurner(house, new Burner("Ring", Power.ofKilowatts(9), 0.5));
        String name = "small." + UUID.randomUUID().toString().substring(0, 8);
        TestKitchen.bean(Accounts.class).add(house, null, name, "Ada Other", Role.COOK, "kestrel-" + name);
        return Visitor.signedIn(name);
    }

    @Test
    void moreThanTheContainersHoldIsSaidAndNotHidden() {
        Visitor other = cookOfAHouseWith(new Shape.Cylinder(Length.ofCm(24), Length.ofCm(25)), 10, 1);
        Visitor.Answer much = other.post("/api/charges", """
                {"formula": "white-chicken", "goal": "LITRES", "value": 20}
                """);
        assertThat(much.status()).isEqualTo(200);
        assertThat(much.at("/cooling/enough").asBoolean()).isFalse();
        assertThat(much.at("/cooling/into/0/count").asInt()).isGreaterThan(1);
        Visitor.Answer little = other.post("/api/charges", """
                {"formula": "white-chicken", "goal": "LITRES", "value": 8}
                """);
        assertThat(little.at("/cooling/enough").asBoolean()).isTrue();
    }

    @Test
    void aRoastNamesItsOvenAndStandsInThePlan() {
        Visitor.Answer veal = charge("brown-veal", 12);
        assertThat(veal.at("/roast/oven").asString()).isEqualTo("East");
        assertThat(veal.at("/roast/minutes/p10").asDouble())
                .isLessThan(veal.at("/roast/minutes/p50").asDouble());
        assertThat(charge("white-chicken", 12).at("/roast").isMissingNode()).isTrue();
    }

    @Test
    void theBandsOfTheForecastGoOut() {
        Visitor.Answer charge = charge("white-chicken", 12);
        for (String figure : new String[] {"bringUpMin", "evaporatedL", "gelatinGPerL"}) {
            double low = charge.at("/forecast/spread/" + figure + "/p10").asDouble();
            double high = charge.at("/forecast/spread/" + figure + "/p90").asDouble();
            assertThat(low).as(figure).isPositive().isLessThan(high);
        }
        assertThat(charge.at("/character/clarityBand/p10").asDouble())
                .isLessThan(charge.at("/character/clarity").asDouble());
    }

    @Test
    void whatOtherPotsAreGoingToNeedIsNotThereForThisOne() {
        Visitor cook = TestKitchen.cookOfAnotherKitchen();
        made(cook, "burners", "\"name\": \"Front\", \"ratedKw\": 9, \"efficiency\": 0.5");
        made(
                cook,
                "containers",
                "\"name\": \"Pan\", \"shape\": \"pan\", \"lengthCm\": 50, \"breadthCm\": 30, \"heightCm\": 10,"
                        + " \"material\": \"STEEL\", \"wallMm\": 1, \"holdsL\": 12, \"owned\": 2");
        made(
                cook,
                "chillers",
                "\"name\": \"Sink\", \"kind\": \"ICE_BATH\", \"litres\": 120, \"airC\": 1, \"iceKg\": 20, \"iceKgPerH\": 0.01");
        TestKitchen.freshPot(cook);
        JsonNode before = cooling(cook);
        assertThat(before.path("enough").asBoolean()).isTrue();
        assertThat(before.path("iceShortKg").asDouble()).isZero();
        TestBatch batch = TestBatch.accepted(cook, 12);
        JsonNode after = cooling(cook);
        double wants = after.path("iceKg").asDouble();
        assertThat(after.path("iceShortKg").asDouble()).isCloseTo(2 * wants - 20, within(0.1 * wants));
        // Of two pans the other pot is going to need one or both.
        assertThat(after.path("into").get(0).path("count").asInt()
                        + batch.page().at("/coolingPlan/into/0/count").asInt())
                .isGreaterThanOrEqualTo(2);
        batch.log("abandoned", "\"words\": \"power cut\"");
        assertThat(cooling(cook).path("iceShortKg").asDouble()).isZero();
    }

    private static JsonNode cooling(Visitor cook) {
        Visitor.Answer answer =
                cook.post("/api/charges", """
                {"formula": "white-chicken", "goal": "LITRES", "value": 12, "readyBy": "%s"}
                """.formatted(TestBatch.now().plus(Duration.ofHours(30))));
        assertThat(answer.status()).as("%s", answer.body()).isEqualTo(200);
        return answer.body().path("cooling");
    }

    private static void made(Visitor cook, String kind, String fields) {
        Visitor.Answer answer = cook.post("/api/kitchen/" + kind, "{" + fields + "}");
        assertThat(answer.status()).as("%s", answer.body()).isBetween(200, 204);
    }
}
