package potamos.server;

import static org.assertj.core.api.Assertions.assertThat;

import java.time.Duration;
import java.util.List;
import java.util.UUID;
import java.util.stream.IntStream;
import java.util.stream.StreamSupport;
import org.junit.jupiter.api.Test;
import org.junit.jupiter.api.extension.ExtendWith;
import potamos.server.accounts.Accounts;
import potamos.server.accounts.Role;
import potamos.server.accounts.SessionLife;
import tools.jackson.databind.JsonNode;

/** A tablet that several share: each act carries whoever signed for it. */
@ExtendWith(TestKitchen.class)
class PinTest {

    private final Visitor tablet = Visitor.signedIn("ilse");

    /** Somebody new of the demo kitchen, with a PIN. */
    private record Hand(String id, String name, String pin) {}

    private Hand hand(Role role, String pin) {
        String signIn = "hand." + UUID.randomUUID().toString().substring(0, 8);
        String id = TestKitchen.bean(Accounts.class)
                .add(TestKitchen.kitchenOf(tablet), null, signIn, "Hand Of " + signIn, role, "kestrel-" + signIn);
        Visitor self = Visitor.signedIn(signIn);
        Visitor.Answer set = self.put("/api/session/own-pin", "{\"pin\": \"%s\"}".formatted(pin));
        assertThat(set.status()).as("%s", set.raw().body()).isEqualTo(204);
        return new Hand(id, signIn, pin);
    }

    private Visitor.Answer sign(String personId, String pin) {
        return tablet.post("/api/session/signature", """
                {"personId": "%s", "pin": "%s"}
                """.formatted(personId, pin));
    }

    private Visitor.Answer share() {
        return tablet.post("/api/session/shared", "{}");
    }

    @Test
    void aSharedTabletMayLookAndDoNothingUntilSomebodySigns() {
        TestBatch batch = TestBatch.accepted(tablet, 12);
        Visitor.Answer shared = share();
        assertThat(shared.at("/shared").asBoolean()).isTrue();
        assertThat(shared.at("/person/signature").asString()).isEqualTo("NOBODY");
        assertThat(rights(shared)).containsExactly("READ");
        assertThat(tablet.get("/api/range").status()).isEqualTo(200);
        Visitor.Answer refused =
                batch.tryLog(UUID.randomUUID().toString(), "weighed-in", "\"part\": \"bed\", \"kg\": 9");
        assertThat(refused.status()).isEqualTo(403);
        assertThat(refused.at("/detail").asString()).contains("Sign with your PIN");
        assertThat(batch.page().at("/events").size()).isZero();
    }

    @Test
    void eachActCarriesWhoeverSigned() {
        Hand wen = hand(Role.TRAINEE, "7315");
        Hand ada = hand(Role.COOK, "905143");
        TestBatch batch = TestBatch.accepted(tablet, 12);
        share();
        assertThat(sign(wen.id(), wen.pin()).at("/person/id").asString()).isEqualTo(wen.id());
        batch.log("weighed-in", "\"part\": \"bed\", \"kg\": 9");
        assertThat(sign(ada.id(), ada.pin()).status()).isEqualTo(200);
        batch.log("filled", "\"litres\": 15, \"celsius\": 12");
        JsonNode events = batch.page().at("/events");
        assertThat(events.get(0).at("/byName").asString()).endsWith(wen.name());
        assertThat(events.get(1).at("/byName").asString()).endsWith(ada.name());
        assertThat(tablet.delete("/api/session/signature")
                        .at("/person/signature")
                        .asString())
                .isEqualTo("NOBODY");
        assertThat(batch.tryLog(UUID.randomUUID().toString(), "heat-on", "").status())
                .isEqualTo(403);
    }

    @Test
    void aPinHasTheRightsOfItsRoleAndNotThoseOverTheKitchen() {
        Hand trainee = hand(Role.TRAINEE, "7315");
        Hand cook = hand(Role.COOK, "905143");
        TestBatch batch = TestBatch.accepted(tablet, 12).simmering();
        share();
        sign(trainee.id(), trainee.pin());
        assertThat(batch.tryLog(UUID.randomUUID().toString(), "judged-enough", "")
                        .status())
                .isEqualTo(403);
        assertThat(rights(sign(cook.id(), cook.pin())))
                .contains("ACT", "JUDGE", "PLAN")
                .doesNotContain("SET_UP");
        Visitor.Answer vessel = tablet.post(
                "/api/kitchen/vessels",
                "{\"name\": \"Sneaked\", \"diameterCm\": 36, \"heightCm\": 40, \"metalKg\": 6}");
        assertThat(vessel.status()).isEqualTo(403);
        assertThat(vessel.at("/detail").asString()).contains("password");
        assertThat(tablet.put("/api/session/own-pin", "{\"pin\": \"1212\"}").status())
                .isEqualTo(403);
    }

    @Test
    void aPinSignsNowhereElse() {
        Hand ada = hand(Role.COOK, "905143");
        assertThat(sign(ada.id(), ada.pin()).status()).isEqualTo(403);
        Visitor nobody = Visitor.stranger();
        assertThat(nobody.post(
                                "/api/session/signature",
                                "{\"personId\": \"%s\", \"pin\": \"905143\"}".formatted(ada.id()))
                        .status())
                .isEqualTo(401);
    }

    @Test
    void guessingIsStoppedAndTheRightPinNoLongerHelps() {
        Hand ada = hand(Role.COOK, "905143");
        share();
        for (int i = 0; i < 5; i++) {
            Visitor.Answer wrong = sign(ada.id(), "100" + i);
            assertThat(wrong.status()).isEqualTo(422);
            assertThat(wrong.at("/fields/pin/reason").asString()).isEqualTo("that is not the PIN");
        }
        assertThat(sign(ada.id(), ada.pin()).status()).isEqualTo(429);
        TestBatch.wait(16);
        assertThat(sign(ada.id(), ada.pin()).status()).isEqualTo(200);
    }

    @Test
    void ofFortyTriesAtOnceNoMoreAreComparedThanAreFree() {
        Hand ada = hand(Role.COOK, "905143");
        share();
        List<Integer> answers = IntStream.range(0, 41)
                .mapToObj(i -> tablet.postLater(
                        "/api/session/signature", "{\"personId\": \"%s\", \"pin\": \"1%03d\"}".formatted(ada.id(), i)))
                .toList()
                .stream()
                .map(answer -> answer.join().statusCode())
                .toList();
        assertThat(answers).filteredOn(status -> status == 422).hasSizeLessThanOrEqualTo(5);
        assertThat(answers).filteredOn(status -> status == 429).hasSizeGreaterThanOrEqualTo(36);
    }

    @Test
    void aSignInNameDoesNotLockAPin() {
        Hand ada = hand(Role.COOK, "905143");
        Visitor stranger = Visitor.stranger();
        for (int i = 0; i < 8; i++) {
            stranger.post("/api/session", "{\"signIn\": \"pin %s\", \"password\": \"guess\"}".formatted(ada.id()));
        }
        share();
        assertThat(sign(ada.id(), ada.pin()).status()).isEqualTo(200);
    }

    @Test
    void aTabletThatNobodyHasTouchedIsNobodys() {
        Hand ada = hand(Role.COOK, "905143");
        TestBatch batch = TestBatch.accepted(tablet, 12);
        share();
        sign(ada.id(), ada.pin());
        assertThat(tablet.put("/api/session/signature", "{}").status()).isEqualTo(204);
        batch.log("weighed-in", "\"part\": \"bed\", \"kg\": 9");
        TestKitchen.bean(KitchenClock.class).setMachineOff(SessionLife.UNTOUCHED.plusSeconds(5));
        try {
            assertThat(batch.tryLog(UUID.randomUUID().toString(), "filled", "\"litres\": 15, \"celsius\": 12")
                            .status())
                    .isEqualTo(403);
        } finally {
            TestKitchen.bean(KitchenClock.class).setMachineOff(Duration.ZERO);
        }
        assertThat(tablet.get("/api/session").at("/person/signature").asString())
                .isEqualTo("NOBODY");
    }

    @Test
    void whoeverMayNotSetUpTheKitchenSharesNoTablet() {
        assertThat(Visitor.signedIn("wen").post("/api/session/shared", "{}").status())
                .isEqualTo(403);
    }

    @Test
    void thoseOfAnotherKitchenCannotSignHereNorThoseWithoutAPin() {
        share();
        String reviewer =
                Visitor.signedIn("marta").get("/api/session").at("/person/id").asString();
        assertThat(sign(reviewer, "").status()).isEqualTo(400);
        assertThat(sign(reviewer, "0000").status()).isEqualTo(422);
        assertThat(sign(UUID.randomUUID().toString(), "1234").status()).isEqualTo(422);
        List<String> hands = StreamSupport.stream(
                        tablet.get("/api/session/hands").body().spliterator(), false)
                .map(h -> h.at("/id").asString())
                .toList();
        assertThat(hands).isNotEmpty().doesNotContain(reviewer);
    }

    @Test
    void aPinIsFourToEightDigitsAndNotOneOverAndOver() {
        Visitor wen = Visitor.signedIn("wen");
        for (String bad : List.of("123", "123456789", "12a4", "7777", "١٢٣٤", "1234", "8642", "1212", "528528")) {
            Visitor.Answer answer = wen.put("/api/session/own-pin", "{\"pin\": \"%s\"}".formatted(bad));
            assertThat(answer.status()).as(bad).isEqualTo(422);
            assertThat(answer.at("/fields/pin/reason").asString()).as(bad).isNotEmpty();
        }
        assertThat(Visitor.signedIn("marta")
                        .put("/api/session/own-pin", "{\"pin\": \"2580\"}")
                        .status())
                .isEqualTo(403);
    }

    private static List<String> rights(Visitor.Answer session) {
        return StreamSupport.stream(session.at("/person/rights").spliterator(), false)
                .map(JsonNode::asString)
                .toList();
    }
}
