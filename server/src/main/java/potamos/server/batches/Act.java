package potamos.server.batches;

import jakarta.validation.constraints.NotBlank;
import jakarta.validation.constraints.NotNull;
import jakarta.validation.constraints.Pattern;
import jakarta.validation.constraints.Size;
import java.time.Duration;
import java.time.Instant;
import potamos.core.batch.BatchEvent;
import potamos.core.batch.BatchEvent.Stamp;
import potamos.core.quantity.Length;
import potamos.core.quantity.Mass;
import potamos.core.quantity.Refusal;
import potamos.core.quantity.Temperature;
import potamos.core.quantity.Volume;

/**
 * Something done, as a screen sends it. Which fields count depends on the kind; the others stay empty.
 *
 * @param id        made by the screen, a UUID; sending it again changes nothing
 * @param kind      as events are named: {@code weighed-in}, {@code skimmed}, {@code topped-up}, …
 * @param at        when it happened
 * @param sentAt    what the sender's clock, by which {@code at} goes, says as it sends; an act from a clock that is wrong is put right by how far it is
 *                  off. Nothing: {@code at} stands as it is
 * @param part      the bed or a part, for weighing and adding
 * @param corrects  the id of the entry that a {@code corrected} or {@code withdrawn} names
 * @param step      the phase of the procedure, from 0, for what is done before the water
 * @param tray      the tray that was turned; 0 or nothing for all
 * @param card      {@code shade}, {@code set} or {@code ladle}
 * @param value     a place on that card, or degrees on the refractometer
 * @param stationId who a delivery is for
 */
public record Act(
        @NotNull @Pattern(regexp = "[0-9a-f]{8}(-[0-9a-f]{4}){3}-[0-9a-f]{12}")
        String id,

        @NotBlank @Size(max = 30) String kind,
        @NotNull Instant at,
        Instant sentAt,
        @Size(max = 60) String part,
        Double litres,
        Double kg,
        Double celsius,
        Double belowRimCm,
        Integer longerMin,
        Integer passes,
        Boolean pressed,
        @Size(max = 500) String words,
        @Size(max = 36) String corrects,
        Integer step,
        Integer tray,
        @Size(max = 10) String card,
        Double value,
        @Size(max = 36) String stationId,
        @Size(max = 36) String callId) {

    /** So long may an act be under way; what is further off than that is a clock. */
    private static final Duration ON_ITS_WAY = Duration.ofSeconds(20);

    /**
     * The event that this act is.
     *
     * @param by     initials of the person
     * @param target the event that a correction is of; null otherwise
     * @param now    the kitchen's clock
     * @throws Refusal with the field that is missing or out of range
     */
    BatchEvent event(String by, BatchEvent target, Instant now) {
        return event(kind, new Stamp(id, happened(now), by, now), target);
    }

    /** When it happened, on the kitchen's clock. */
    private Instant happened(Instant now) {
        Duration off = sentAt == null ? Duration.ZERO : Duration.between(sentAt, now);
        return off.abs().compareTo(ON_ITS_WAY) < 0 ? at : at.plus(off);
    }

    private BatchEvent event(String what, Stamp stamp, BatchEvent target) {
        return switch (what) {
            case "weighed-in" -> new BatchEvent.WeighedIn(stamp, named(), mass(), text());
            case "began" -> new BatchEvent.Began(stamp, need("step", step));
            case "finished" -> new BatchEvent.Finished(stamp, need("step", step));
            case "turned" -> new BatchEvent.Turned(stamp, tray == null ? 0 : tray);
            case "water-changed" -> new BatchEvent.WaterChanged(stamp);
            case "burner-off" -> new BatchEvent.BurnerOff(stamp);
            case "card-read" -> new BatchEvent.CardRead(stamp, cardRead(), need("value", value));
            case "brix-read" -> new BatchEvent.BrixRead(stamp, need("value", value));
            case "tasted" -> new BatchEvent.Tasted(stamp, need("words", words));
            case "held" -> new BatchEvent.Held(stamp);
            case "taken-out" -> new BatchEvent.TakenOut(stamp, named());
            case "passed" -> new BatchEvent.Passed(stamp);
            case "degreased" -> new BatchEvent.Degreased(stamp, volume());
            case "reduced" -> new BatchEvent.Reduced(stamp, volume());
            case "blanched" -> new BatchEvent.Blanched(stamp);
            case "filled" -> new BatchEvent.Filled(stamp, volume(), temperature());
            case "heat-on" -> new BatchEvent.HeatOn(stamp);
            case "first-foam" -> new BatchEvent.FirstFoam(stamp);
            case "simmer-reached" -> new BatchEvent.SimmerReached(stamp);
            case "skimmed" -> new BatchEvent.Skimmed(stamp, volume());
            case "level-read" -> new BatchEvent.LevelRead(stamp, Length.ofCm(need("belowRimCm", belowRimCm)));
            case "temperature-read" -> new BatchEvent.TemperatureRead(stamp, temperature());
            case "topped-up" -> new BatchEvent.ToppedUp(stamp, volume(), temperature());
            case "added" -> new BatchEvent.Added(stamp, named(), mass());
            case "judged-enough" -> new BatchEvent.Judged(stamp, true, Duration.ZERO);
            case "judged-not-yet" ->
                new BatchEvent.Judged(stamp, false, Duration.ofMinutes(need("longerMin", longerMin)));
            case "strained" ->
                new BatchEvent.Strained(stamp, volume(), passes == null ? 2 : passes, Boolean.TRUE.equals(pressed));
            case "cooling-began" -> new BatchEvent.CoolingBegan(stamp);
            case "cooling-read" -> new BatchEvent.CoolingRead(stamp, temperature());
            case "reheated" -> new BatchEvent.Reheated(stamp, temperature());
            case "stored" -> new BatchEvent.Stored(stamp, volume(), text());
            case "delivered" ->
                new BatchEvent.Delivered(stamp, need("stationId", stationId), callId == null ? "" : callId, volume());
            case "discarded" -> new BatchEvent.Discarded(stamp, volume(), need("words", words));
            case "abandoned" -> new BatchEvent.Abandoned(stamp, need("words", words));
            case "noted" -> new BatchEvent.Noted(stamp, need("words", words));
            case "corrected" -> corrected(stamp, target);
            case "withdrawn" -> new BatchEvent.Withdrawn(stamp, need("corrects", corrects), text());
            default -> throw Refusal.of("kind", "nobody knows this kind of act");
        };
    }

    /** The replacement keeps the stamp of what it replaces: the act is the same, told right. */
    private BatchEvent corrected(Stamp stamp, BatchEvent target) {
        if (target == null) {
            throw Refusal.of("corrects", "there is no such entry in this batch");
        }
        String kindOfTarget = EventView.kind(target);
        BatchEvent replacement = event(kindOfTarget, target.stamp().enteredAt(stamp.entered()), null);
        return new BatchEvent.Corrected(stamp, target.stamp().id(), replacement, text());
    }

    private BatchEvent.Card cardRead() {
        return switch (need("card", card)) {
            case "shade" -> BatchEvent.Card.SHADE;
            case "set" -> BatchEvent.Card.SET;
            case "ladle" -> BatchEvent.Card.LADLE;
            default -> throw Refusal.of("card", "one of shade, set, ladle");
        };
    }

    private String named() {
        return need("part", part);
    }

    private String text() {
        return words == null ? "" : words.trim();
    }

    private Volume volume() {
        return Volume.ofLitres(need("litres", litres));
    }

    private Mass mass() {
        return Mass.ofKg(need("kg", kg));
    }

    private Temperature temperature() {
        return Temperature.ofCelsius(need("celsius", celsius));
    }

    private static <T> T need(String field, T value) {
        if (value == null || value instanceof String words && words.isBlank()) {
            throw Refusal.of(field, "is needed here");
        }
        return value;
    }
}
